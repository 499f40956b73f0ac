import { v7 as uuid } from 'uuid';
import type { Recipe } from '@cazuela/contract';
import { checkAgainst, readFile, type CazuelaFile, type ImportChoice, type ImportOutcome, type ImportRow } from '@cazuela/formats';
import { aBatch, aBucket, aRecipe, NOW, sendBatchEvents, weighAll } from '../made-up';
import { serverUnderTest, type ServerUnderTest } from '../server-under-test';

type Studio = Pick<ServerUnderTest, 'get' | 'post'>;

describe('files of a studio', () => {
  let server: ServerUnderTest;
  beforeEach(async () => {
    server = await serverUnderTest();
  });

  const written = async (studio: Studio): Promise<CazuelaFile> =>
    JSON.parse((await studio.get('/files/cazuela.json').expect(200)).text) as CazuelaFile;
  const rowsOf = (text: string): ImportRow[] => {
    const checked = checkAgainst(readFile(text, NOW), { powderNames: ['Silica', 'Kaolin'], recipeNames: [] });
    expect(checked.problems).toEqual([]);
    return checked.rows;
  };
  const send = async (studio: Studio, rows: ImportRow[], id = uuid()): Promise<string> => {
    for (let from = 0; from < rows.length; from += 200) {
      await studio.post(`/imports/${id}/rows`, { from, rows: rows.slice(from, from + 200) }).expect(201);
    }
    return id;
  };
  const importFile = async (studio: Studio, rows: ImportRow[], choice: ImportChoice = 'leaveMine'): Promise<ImportOutcome> => {
    const id = await send(studio, rows);
    return (await studio.post(`/imports/${id}/commit`, { rows: rows.length, choice }).expect(201)).body as ImportOutcome;
  };

  it('written by one and taken in by another are the same file again', async () => {
    const recipe = await aRecipe(server, { name: 'Leche, "best"', notes: '=not a formula; 1,5' });
    await server.put(`/recipes/${recipe.id}`, { version: 1, reason: 'Less tin', body: { ...recipe.body, notes: 'two' } }).expect(200);
    const batch = await aBatch(server);
    await sendBatchEvents(server, batch.id, weighAll(batch)).expect(201);
    const file = await written(server);
    const other = await server.otherStudio();
    const outcome = await importFile(other, rowsOf(JSON.stringify(file)));
    expect(outcome).toMatchObject({ powders: 0, recipes: 2, batches: 1 });
    const again = await written(other);
    expect(again.recipes).toEqual(file.recipes);
    expect(again.powders).toEqual(file.powders);
    expect(again.batches).toEqual(file.batches);
  });

  it('as tables say the same of the newest versions', async () => {
    await aRecipe(server);
    const csv = (await server.get('/files/recipes.csv').expect('Content-Type', /text\/csv/)).text;
    const read = readFile(csv, NOW);
    expect(read.problems).toEqual([]);
    expect(read.recipes.map(({ value }) => value)).toEqual((await written(server)).recipes);
    expect(readFile((await server.get('/files/powders.csv')).text, NOW).powders.map(({ value }) => value)).toEqual((await written(server)).powders);
  });

  it('what was measured goes out with the names of its day, and no studio takes it in', async () => {
    const bucket = await aBucket(server);
    const [bodyId, lotId] = [uuid(), uuid()];
    const lots = [{ id: lotId, name: 'March', at: NOW, bisqueCone: '05' }];
    await server.post('/bodies', { id: bodyId, name: 'Barro Claro', colour: '#E4D8C2', bisqueCone: '05', earthenware: false, lots }).expect(201);
    const seen = { bucketId: bucket.id, glazeId: bucket.recipeId!, bodyId, lotId, at: NOW, by: 'Inés', seconds: 3, sg: 1.45, density: 2.6 };
    const wall = { state: 'normal', bisqueCone: '05', earthenware: false, wallMm: 5, faces: 1 };
    const reading = { kind: 'wetWeight', gainGrams: 12.4, areaCm2: 100, divisionGrams: 0.1 };
    await server.post('/coats', { dips: [{ id: uuid(), body: { ...seen, ...wall, reading, leftOut: '=wet foot' } }] }).expect(201);
    const layers = [{ bucketId: bucket.id, glazeId: bucket.recipeId!, glazeName: 'Leche de Higo', coatMm: 0.5, meltsTo: 0.48 }];
    await server.post('/runner-tiles', { id: uuid(), body: { layers, bandMm: 30, by: 'Maia', cone: '06', runMm: 9.5, notes: '' } }).expect(201);

    const dips = (
      await server
        .get('/files/dips.csv')
        .expect('Content-Type', /text\/csv/)
        .expect(200)
    ).text;
    expect(dips.split('\r\n')[1]).toBe(
      `${NOW},Inés,${bucket.code} Leche de Higo,Leche de Higo,Barro Claro,March,cone 05,5,1,dip,,3,1.45,normal,,wet weight,12.4,100,0.1,,'=wet foot`,
    );
    const tiles = (await server.get('/files/runner-tiles.csv').expect(200)).text;
    expect(tiles.split('\r\n')[1]).toMatch(/^R1,[^,]+,Maia,Leche de Higo,0.5,,,30,,cone 06,,,,9.5,$/);
    for (const text of [dips, tiles]) expect(readFile(text, NOW).problems[0]!.message).toContain('belong to the studio that measured them');
    const other = await server.otherStudio();
    expect((await other.get('/files/dips.csv').expect(200)).text.trim().split('\r\n')).toHaveLength(1);
  });

  it('never overwrite a recipe that is here: it is left, made a version, or kept beside', async () => {
    const recipe = await aRecipe(server);
    const rows = rowsOf(JSON.stringify(await written(server))).filter((row) => row.kind === 'recipe');
    expect(await importFile(server, rows, 'leaveMine')).toMatchObject({ recipes: 0, left: 1 });
    // The same file again changes nothing, whatever is chosen.
    for (const choice of ['newVersion', 'keepBoth'] as const)
      expect(await importFile(server, rows, choice)).toMatchObject({ recipes: 0, versions: 0, left: 1 });
    await server.put(`/recipes/${recipe.id}`, { version: 1, reason: 'Less tin', body: { ...recipe.body, notes: 'two' } }).expect(200);
    expect(await importFile(server, rows, 'newVersion')).toMatchObject({ recipes: 0, versions: 1 });
    expect(((await server.get(`/recipes/${recipe.id}`)).body as Recipe).version).toBe(3);
    await server.put(`/recipes/${recipe.id}`, { version: 3, reason: 'More tin', body: { ...recipe.body, notes: 'three' } }).expect(200);
    expect(await importFile(server, rows, 'keepBoth')).toMatchObject({ recipes: 1 });
    const names = ((await server.get('/recipes')).body as Recipe[]).map((one) => one.body.name);
    expect(names).toEqual(['Leche de Higo', 'Leche de Higo (2)']);
  });

  it('what a powder is called elsewhere leads to the studio’s own', async () => {
    const powders = (await server.get('/powders').expect(200)).body as { id: string; version: number; name: string; stockGrams?: number }[];
    const { id, version, stockGrams: _stock, ...body } = powders.find((one) => one.name === 'Potash feldspar')!;
    await server.put(`/powders/${id}`, { version, body: { ...body, aliases: ['our feldspar'] } }).expect(200);
    const text = 'recipe,part,powder,percent,cone_low,cone_high\nAsh,base,Our feldspar,60,5,6\nAsh,base,Kaolin,40,5,6\n';
    const checked = checkAgainst(readFile(text, NOW), { powderNames: ['Kaolin', 'our feldspar'], recipeNames: [] });
    expect(checked.problems).toEqual([]);
    expect(await importFile(server, checked.rows)).toMatchObject({ recipes: 1 });
    const [recipe] = (await server.get('/recipes')).body as Recipe[];
    expect(recipe!.body.lines[0]!.powderId).toBe(id);
  });

  it('go in whole or not at all', async () => {
    const before = await written(server);
    const broken: ImportRow[] = rowsOf('recipe,part,powder,percent\nA,base,Silica,100');
    const bad = JSON.parse(JSON.stringify(broken).replaceAll('Silica', 'Moon dust').replaceAll('"A"', '"B"')) as ImportRow[];
    const rows = [...broken, ...bad];
    const id = await send(server, rows);
    const answer = await server.post(`/imports/${id}/commit`, { rows: rows.length, choice: 'leaveMine' }).expect(422);
    expect(answer.body.detail).toContain('Nothing was taken in');
    expect((await written(server)).recipes).toEqual(before.recipes);
  });

  it('with rows missing on the way are not taken in', async () => {
    const rows = rowsOf('recipe,part,powder,percent\nA,base,Silica,100');
    const id = await send(server, rows);
    expect((await server.post(`/imports/${id}/commit`, { rows: 2, choice: 'leaveMine' }).expect(422)).body.detail).toContain('Of 2 entries 1');
  });

  it('are taken in once, though the answer was lost and it is told again', async () => {
    const rows = rowsOf('recipe,part,powder,percent\nA,base,Silica,100');
    const id = await send(server, rows);
    const commit = () => server.post(`/imports/${id}/commit`, { rows: 1, choice: 'leaveMine' });
    const answers = await Promise.all([commit(), commit(), commit()]);
    for (const answer of answers) expect(answer.body).toMatchObject({ recipes: 1 });
    expect((await written(server)).recipes).toHaveLength(1);
  });

  it('that were stopped leave nothing behind', async () => {
    const id = await send(server, rowsOf('recipe,part,powder,percent\nA,base,Silica,100'));
    await server.post(`/imports/${id}/stop`, {}).expect(201);
    await server.post(`/imports/${id}/commit`, { rows: 1, choice: 'leaveMine' }).expect(404);
    expect((await written(server)).recipes).toEqual([]);
  });

  it('a row that is nothing of ours is refused before it waits', async () => {
    await server.post(`/imports/${uuid()}/rows`, { from: 0, rows: [{ kind: 'recipe', recipe: { versions: [] } }] }).expect(422);
  });
});
