import { v7 as uuid } from 'uuid';
import type { Recipe } from '@cazuela/contract';
import { checkAgainst, readFile, type CazuelaFile, type ImportChoice, type ImportOutcome, type ImportRow } from '@cazuela/formats';
import { aBatch, aRecipe, NOW, sendBatchEvents, weighAll } from '../made-up';
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
  const takeIn = async (studio: Studio, rows: ImportRow[], choice: ImportChoice = 'leaveMine'): Promise<ImportOutcome> => {
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
    const outcome = await takeIn(other, rowsOf(JSON.stringify(file)));
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

  it('never overwrite a recipe that is here: it is left, made a version, or kept beside', async () => {
    const recipe = await aRecipe(server);
    const rows = rowsOf(JSON.stringify(await written(server))).filter((row) => row.kind === 'recipe');
    expect(await takeIn(server, rows, 'leaveMine')).toMatchObject({ recipes: 0, left: 1 });
    expect(await takeIn(server, rows, 'newVersion')).toMatchObject({ recipes: 0, versions: 1 });
    expect(((await server.get(`/recipes/${recipe.id}`)).body as Recipe).version).toBe(2);
    expect(await takeIn(server, rows, 'keepBoth')).toMatchObject({ recipes: 1 });
    const names = ((await server.get('/recipes')).body as Recipe[]).map((one) => one.body.name);
    expect(names).toEqual(['Leche de Higo', 'Leche de Higo (2)']);
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
