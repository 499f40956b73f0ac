import { v7 as uuid } from 'uuid';
import type { Bucket, Recipe } from '@cazuela/contract';
import type { BucketEvent } from '@cazuela/core';
import { checkRecords } from '../../../scripts/prove/check-records';
import { aBucket, aRecipe, head, recipeBody } from './made-up';
import { serverUnderTest, type ServerUnderTest } from './server-under-test';

const CLIENTS = 20;

/** What many tablets do at the same moment is all done, each once, and nobody sees a deadlock. */
describe('twenty who write at once', () => {
  let server: ServerUnderTest;
  beforeAll(async () => {
    server = await serverUnderTest();
  });
  afterEach(async () => {
    expect(await checkRecords(server.context, server.studio.id)).toEqual([]);
  });
  const read = async (id: string): Promise<Bucket> => (await server.get(`/buckets/${id}`).expect(200)).body as Bucket;
  const all = <T>(work: (client: number) => PromiseLike<T>): Promise<T[]> =>
    Promise.all(Array.from({ length: CLIENTS }, (_, client) => work(client)));
  const dry = (bucket: Bucket): number => bucket.contents?.dryGrams ?? 0;
  const send = (streamId: string, ...events: BucketEvent[]) =>
    server.post('/events', { events: events.map((event) => ({ stream: 'bucket', streamId, event })) });
  const pour = (toId: string | null, takenMl: number) => ({
    toId,
    scrapsId: uuid(),
    takenEventId: uuid(),
    filledEventId: uuid(),
    at: head().at,
    by: 'Bruno',
    takenMl,
  });
  const split = () => ({ newBucketId: uuid(), takenEventId: uuid(), filledEventId: uuid(), at: head().at, by: 'Inés', name: 'Part', takenMl: 20 });

  it('pour both ways between two buckets, split them and add water: glaze and water are conserved', async () => {
    const [one, two] = [await aBucket(server), await aBucket(server)];
    const splits: string[] = [];
    const answers = await all((client) => {
      const [from, to] = client % 2 ? [one, two] : [two, one];
      if (client % 5 === 0) return send(from.id, { ...head(), type: 'waterAdded', grams: 10 });
      if (client % 5 === 1) {
        const asked = split();
        splits.push(asked.newBucketId);
        return server.post(`/buckets/${from.id}/split`, asked);
      }
      return server.post(`/buckets/${from.id}/pour`, pour(to.id, 15));
    });
    expect(answers.map(({ status }) => status)).toEqual(Array(CLIENTS).fill(201));
    const buckets = await Promise.all([one.id, two.id, ...splits].map(read));
    const sum = (of: (bucket: Bucket) => number): number => buckets.reduce((total, bucket) => total + of(bucket), 0);
    expect(sum(dry)).toBeCloseTo(dry(one) + dry(two), 6);
    expect(sum((bucket) => bucket.contents!.waterGrams)).toBeCloseTo(one.contents!.waterGrams + two.contents!.waterGrams + 40, 6);
    expect(new Set(buckets.map(({ code }) => code)).size).toBe(buckets.length);
  });

  it('a pour taken back while water is added: the bucket is what its events say', async () => {
    const [from, to] = [await aBucket(server), await aBucket(server)];
    const poured = Array.from({ length: 6 }, () => pour(to.id, 30));
    for (const one of poured) await server.post(`/buckets/${from.id}/pour`, one).expect(201);
    await Promise.all(
      poured.flatMap(({ takenEventId, filledEventId }, index) => [
        index % 2
          ? send(from.id, { ...head(), type: 'undone', eventId: takenEventId }).expect(201)
          : send(to.id, { ...head(), type: 'undone', eventId: filledEventId }).expect(201),
        send(to.id, { ...head(), type: 'waterAdded', grams: 10 }).expect(201),
        send(from.id, { ...head(), type: 'waterAdded', grams: 10 }).expect(201),
      ]),
    );
    const [left, right] = [await read(from.id), await read(to.id)];
    expect([dry(left), dry(right)].map((grams) => grams.toFixed(6))).toEqual([dry(from), dry(to)].map((grams) => grams.toFixed(6)));
    expect(right.contents!.waterGrams).toBeCloseTo(to.contents!.waterGrams + 60, 6);
  });

  it('the same recipe sent by all is there once', async () => {
    const id = uuid();
    const body = await recipeBody(server, { name: 'Once' });
    const answers = await all(() => server.post('/recipes', { id, body }));
    expect(answers.map(({ status }) => status)).toEqual(Array(CLIENTS).fill(201));
    const named = ((await server.get('/recipes')).body as Recipe[]).filter((recipe) => recipe.body.name === 'Once');
    expect(named.map(({ id: each, version }) => [each, version])).toEqual([[id, 1]]);
  });

  it('the same change of a recipe sent by all is one new version', async () => {
    const recipe = await aRecipe(server);
    const change = { version: 1, reason: 'whiter', body: { ...recipe.body, notes: 'more tin' } };
    const answers = await all(() => server.put(`/recipes/${recipe.id}`, change));
    expect(answers.map(({ status }) => status)).toEqual(Array(CLIENTS).fill(200));
    expect(((await server.get(`/recipes/${recipe.id}`)).body as Recipe).version).toBe(2);
  });

  it('different changes of one recipe: one is kept, the others are shown it', async () => {
    const recipe = await aRecipe(server);
    const answers = await all((client) =>
      server.put(`/recipes/${recipe.id}`, { version: 1, reason: `by ${client}`, body: { ...recipe.body, notes: `by ${client}` } }),
    );
    expect(answers.map(({ status }) => status).sort()).toEqual([200, ...Array<number>(CLIENTS - 1).fill(409)]);
  });

  it('all who want the scraps bucket get the one there is', async () => {
    const bucket = await aBucket(server);
    const answers = await all(() => server.post(`/buckets/${bucket.id}/pour`, pour(null, 10)));
    expect(answers.map(({ status }) => status)).toEqual(Array(CLIENTS).fill(201));
    expect(new Set(answers.map(({ body }) => (body as Bucket).id)).size).toBe(1);
  });

  it('one date has one day, whoever makes it', async () => {
    const answers = await all(() => server.post('/days', { id: uuid(), date: '2026-04-01', items: [] }));
    expect(new Set(answers.map(({ body }) => (body as { id: string }).id)).size).toBe(1);
  });
});
