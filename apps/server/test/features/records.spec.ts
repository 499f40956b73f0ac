import { v7 as uuid } from 'uuid';
import type { Bucket, PutAway, Recipe, RecordUses } from '@cazuela/contract';
import { aBatch, aBucket, aRecipe, head, NOW, sendBatchEvents, weighAll } from '../made-up';
import { serverUnderTest, type ServerUnderTest } from '../server-under-test';

describe('putting away and deleting, kept in MariaDB', () => {
  let server: ServerUnderTest;
  beforeAll(async () => {
    server = await serverUnderTest();
  });

  const away = (kind: string, id: string, isAway = true) => server.put(`/records/${kind}/${id}/away`, { away: isAway, at: NOW, by: 'Maia' });
  const uses = async (kind: string, id: string): Promise<RecordUses> =>
    (await server.get(`/records/${kind}/${id}/uses`).expect(200)).body as RecordUses;
  const remove = (kind: string, id: string) => server.remove(`/records/${kind}/${id}`);
  const listed = async (): Promise<PutAway[]> => (await server.get('/away').expect(200)).body as PutAway[];

  it('a recipe put away stays whole, says who did it, and comes back; twice is once', async () => {
    const recipe = await aRecipe(server);
    await away('recipe', recipe.id).expect(200);
    await away('recipe', recipe.id).expect(200);
    expect(await listed()).toEqual([{ kind: 'recipe', id: recipe.id, name: recipe.body.name, code: null, at: NOW, by: 'Maia' }]);
    expect((await server.get(`/recipes/${recipe.id}`).expect(200)).body).toEqual(recipe);
    await away('recipe', recipe.id, false).expect(200);
    expect(await listed()).toEqual([]);
  });

  it('a recipe nothing was made of is deleted with its versions, and named as what goes', async () => {
    const recipe = await aRecipe(server);
    const next = { version: 1, reason: 'stiffer', body: { ...recipe.body, notes: 'second' } };
    await server.put(`/recipes/${recipe.id}`, next).expect(200);
    await away('recipe', recipe.id).expect(200);
    expect(await uses('recipe', recipe.id)).toEqual({ name: recipe.body.name, uses: [], goesWith: ['2 versions'] });
    await remove('recipe', recipe.id).expect(200);
    await server.get(`/recipes/${recipe.id}`).expect(404);
    expect(await listed()).toEqual([]);
    const twice = await remove('recipe', recipe.id).expect(404);
    expect(twice.body.detail).toContain('may have been deleted');
  });

  it('a recipe that fills a bucket is kept: what hangs on it is named, and nothing is lost', async () => {
    const bucket: Bucket = await aBucket(server);
    const recipeId = bucket.recipeId!;
    expect((await uses('recipe', recipeId)).uses).toEqual(expect.arrayContaining(['1 batch', '1 bucket']));
    const refused = await remove('recipe', recipeId).expect(409);
    expect(refused.body.detail).toMatch(/is needed by .*1 bucket.*: put it away instead\./);
    expect(((await server.get(`/recipes/${recipeId}`).expect(200)).body as Recipe).id).toBe(recipeId);
  });

  it('a powder of an older version still hangs on its recipe, and a fresh one goes with its stock', async () => {
    const powders = (await server.get('/powders').expect(200)).body as { id: string; name: string }[];
    const recipe = await aRecipe(server);
    const used = recipe.body.lines[0]!.powderId;
    expect((await uses('powder', used)).uses.join()).toMatch(/recipe/);
    const { id: _id, ...like } = powders.find((one) => one.id === used)! as Record<string, unknown> & { id: string };
    const { version: _version, stockGrams: _stock, ...body } = like;
    const id = uuid();
    await server.post('/powders', { id, body: { ...body, name: 'Ash of the vine' } }).expect(201);
    await server.post(`/powders/${id}/stock`, { id: uuid(), kind: 'received', grams: 500, at: NOW, by: 'Maia', lot: '' }).expect(201);
    expect((await uses('powder', id)).goesWith).toEqual(['1 entry of its stock']);
    await remove('powder', id).expect(200);
  });

  it('a batch nobody weighed is deleted; one with powder from the shelf is not', async () => {
    const planned = await aBatch(server);
    await remove('batch', planned.id).expect(200);
    const weighed = await aBatch(server);
    await sendBatchEvents(server, weighed.id, weighAll(weighed).slice(0, 3)).expect(201);
    expect((await remove('batch', weighed.id).expect(409)).body.detail).toMatch(/powders? taken from the shelf/);
    await away('batch', weighed.id).expect(200);
    expect((await listed()).map(({ kind, name }) => `${kind}: ${name}`)).toEqual([expect.stringMatching(/^batch: .*, \d{4}-\d\d-\d\d$/)]);
    await away('batch', weighed.id, false).expect(200);
  });

  it('a bucket with a history of its own goes with its entries, where nothing else names it', async () => {
    const bucket = await aBucket(server);
    const event = { ...head(), type: 'stirred' };
    await server.post('/events', { events: [{ stream: 'bucket', streamId: bucket.id, event }] }).expect(201);
    // It came from a batch, which says what became of its powder.
    expect((await uses('bucket', bucket.id)).uses).toEqual(expect.arrayContaining(['1 batch']));
    await remove('bucket', bucket.id).expect(409);
  });

  it('another studio’s records, unknown kinds and unknown ids are not here', async () => {
    await remove('recipe', uuid()).expect(404);
    await remove('photo', uuid()).expect(404);
    await server.get(`/records/teapot/${uuid()}/uses`).expect(404);
    await away('recipe', uuid()).expect(404);
    const recipe = await aRecipe(server);
    await server.put(`/records/recipe/${recipe.id}/away`, { away: 'yes', at: NOW, by: 'Maia' }).expect(422);
    expect(await listed()).toEqual([]);
  });

  it('of two who delete at once, one does, and the other is told', async () => {
    const recipe = await aRecipe(server);
    const answers = await Promise.all([remove('recipe', recipe.id), remove('recipe', recipe.id)]);
    expect(answers.map(({ status }) => status).sort()).toEqual([200, 404]);
  });
});
