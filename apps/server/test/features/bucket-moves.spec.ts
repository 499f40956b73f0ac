import { v7 as uuid } from 'uuid';
import type { Batch, Bucket, BucketSummary, EventsAnswer, Recipe } from '@cazuela/contract';
import { mixtureOf, type BucketEvent } from '@cazuela/core';
import { aBucket, finishOf, head, NOW, sendBatchEvents, weighAll } from '../made-up';
import { serverUnderTest, type ServerUnderTest } from '../server-under-test';

const minutesLater = (minutes: number): string => new Date(Date.parse(NOW) + minutes * 60_000).toISOString();
const later = (minutes: number, by = 'Inés'): { id: string; at: string; by: string } => ({ ...head(by), at: minutesLater(minutes) });

describe('glaze that moves between buckets', () => {
  let server: ServerUnderTest;
  beforeAll(async () => {
    server = await serverUnderTest();
  });
  const read = async (id: string): Promise<Bucket> => (await server.get(`/buckets/${id}`).expect(200)).body as Bucket;
  const note = async (id: string, ...events: BucketEvent[]): Promise<EventsAnswer> =>
    (await server.post('/events', { events: events.map((event) => ({ stream: 'bucket', streamId: id, event })) }).expect(201)).body as EventsAnswer;
  const pour = (toId: string | null, takenMl: number) => ({
    toId,
    scrapsId: uuid(),
    takenEventId: uuid(),
    filledEventId: uuid(),
    at: minutesLater(10),
    by: 'Bruno',
    takenMl,
  });
  const dry = (bucket: Bucket): number => bucket.contents?.dryGrams ?? 0;
  const aBatchOf = async (recipeVersionId: string): Promise<Bucket> => {
    const size = { kind: 'base', baseGrams: 800 };
    const asked = { id: uuid(), recipeVersionId, size, water: { kind: 'toSg', sg: 1.45 }, order: 'clayFirst' };
    const batch = (await server.post('/batches', asked).expect(201)).body as Batch;
    await sendBatchEvents(server, batch.id, weighAll(batch)).expect(201);
    return (await server.post(`/batches/${batch.id}/bucket`, finishOf()).expect(201)).body as Bucket;
  };
  const twoBuckets = async (): Promise<[Bucket, Bucket]> => [await aBucket(server), await aBucket(server)];

  it('balances also when an earlier event arrives late from another tablet', async () => {
    const [from, to] = await twoBuckets();
    await server.post(`/buckets/${from.id}/pour`, pour(to.id, 300)).expect(201);
    await note(from.id, { ...later(5), type: 'waterAdded', grams: 400 });
    const [left, right] = [await read(from.id), await read(to.id)];
    expect(dry(left) + dry(right)).toBeCloseTo(dry(from) + dry(to), 6);
    const water = (bucket: Bucket): number => bucket.contents!.waterGrams;
    expect(water(left) + water(right)).toBeCloseTo(water(from) + water(to) + 400, 6);
  });

  it('salts travel with the glaze', async () => {
    const [from, to] = await twoBuckets();
    await note(from.id, { ...later(1), type: 'dropsAdded', drops: 20 });
    const half = (await read(from.id)).contents!.volumeMl / 2;
    const into = (await server.post(`/buckets/${from.id}/pour`, pour(to.id, half)).expect(201)).body as Bucket;
    expect(into.contents!.additives!.epsomGrams).toBeCloseTo(0.35, 9);
    expect((await read(from.id)).contents!.additives!.epsomGrams).toBeCloseTo(0.35, 9);
  });

  it('of two glazes is named as a mixture of both; of one glaze it is none', async () => {
    const [from, to] = await twoBuckets();
    const same = (await server.post(`/buckets/${from.id}/pour`, pour(to.id, 200)).expect(201)).body as Bucket;
    expect(mixtureOf(same.contents!)).toBeUndefined();
    const scraps = (await server.post(`/buckets/${from.id}/pour`, pour(null, 100)).expect(201)).body as Bucket;
    const other = await server.put(`/recipes/${to.recipeId}`, {
      version: 1,
      reason: 'whiter',
      body: { ...((await server.get(`/recipes/${to.recipeId}`)).body as Recipe).body, name: 'Leche Nueva' },
    });
    expect(other.status).toBe(200);
    const batch = await aBatchOf((other.body as Recipe).versionId);
    const mixed = (await server.post(`/buckets/${batch.id}/pour`, { ...pour(scraps.id, 100), at: minutesLater(12) }).expect(201)).body as Bucket;
    expect(mixtureOf(mixed.contents!)).toEqual(['Leche de Higo, version 1', 'Leche Nueva, version 2']);
  });

  it('is taken back in both buckets with one tap on either', async () => {
    const [from, to] = await twoBuckets();
    const poured = pour(to.id, 250);
    await server.post(`/buckets/${from.id}/pour`, poured).expect(201);
    await note(to.id, { ...later(20), type: 'undone', eventId: poured.filledEventId });
    const [left, right] = [await read(from.id), await read(to.id)];
    expect(dry(left)).toBeCloseTo(dry(from), 6);
    expect(dry(right)).toBeCloseTo(dry(to), 6);
    expect(left.events.at(-1)).toMatchObject({ type: 'undone', eventId: poured.takenEventId });
  });

  it('is not taken back once some of it was used, and nothing else in that sending is lost', async () => {
    const from = await aBucket(server);
    const poured = pour(null, 250);
    const scraps = (await server.post(`/buckets/${from.id}/pour`, poured).expect(201)).body as Bucket;
    await note(scraps.id, { ...later(15), type: 'glazeTaken', millilitres: scraps.contents!.volumeMl - 100, reason: 'dips' });
    const back: BucketEvent = { ...later(20), type: 'undone', eventId: poured.takenEventId };
    const water: BucketEvent = { ...later(21), type: 'waterAdded', grams: 50 };
    const answer = await note(from.id, back, water);
    expect(answer.refused).toEqual([{ id: back.id, detail: expect.stringContaining('has been used since') as string }]);
    expect(answer.acknowledged).toEqual([water.id]);
    expect((await read(from.id)).events.map((event) => event.id)).not.toContain(back.id);
  });

  it('is not taken back once a part of it was poured on, though as much came in again: nothing is made out of nothing', async () => {
    const from = await aBucket(server);
    const first = pour(null, 200);
    const scraps = (await server.post(`/buckets/${from.id}/pour`, first).expect(201)).body as Bucket;
    const [other] = await twoBuckets();
    await server.post(`/buckets/${scraps.id}/pour`, pour(other.id, scraps.contents!.volumeMl / 2)).expect(201);
    await server.post(`/buckets/${from.id}/pour`, pour(scraps.id, 400)).expect(201);
    const before = [await read(from.id), await read(scraps.id), await read(other.id)].map(dry);
    const answer = await note(from.id, { ...later(30), type: 'undone', eventId: first.takenEventId });
    expect(answer.refused[0]!.detail).toContain('has been used since');
    expect([await read(from.id), await read(scraps.id), await read(other.id)].map(dry)).toEqual(before);
  });

  it('two who add water at once: both are booked', async () => {
    const bucket = await aBucket(server);
    await Promise.all(
      ['Inés', 'Bruno', 'Maia', 'Oriol'].map((by, index) => note(bucket.id, { ...later(index + 1, by), type: 'waterAdded', grams: 100 })),
    );
    const now = await read(bucket.id);
    expect(now.contents!.waterGrams).toBeCloseTo(bucket.contents!.waterGrams + 400, 6);
    const pulse = (await server.get(`/buckets/${bucket.id}/pulse`).expect(200)).body as { events: number };
    expect(pulse.events).toBe(now.events.length);
  });

  it('what a bucket taught goes on to the next bucket of its glaze', async () => {
    const before = await aBucket(server);
    const doses = [{ of: 'epsom', gramsPerDryKg: 0.7, fromCode: before.code, at: NOW }];
    const feel = { swirl: { low: 6, high: 10 } };
    await server.put(`/buckets/${before.id}`, { version: before.version, body: { ...before.body, doses, feel } }).expect(200);
    const made = await aBatchOf(before.recipeVersionId!);
    expect(made.body).toMatchObject({ doses, feel });
  });

  it('only an empty bucket is put away, and it comes back when it is wanted', async () => {
    const bucket = await aBucket(server);
    const away = { version: bucket.version, body: { ...bucket.body, closedAt: NOW } };
    const refused = await server.put(`/buckets/${bucket.id}`, away).expect(422);
    expect((refused.body as { detail: string }).detail).toContain('There is glaze in it still');
    await note(bucket.id, { ...later(5), type: 'glazeTaken', millilitres: 50_000, reason: 'waste' });
    expect(((await server.put(`/buckets/${bucket.id}`, away).expect(200)).body as Bucket).body.closedAt).toBe(NOW);
  });

  it('the shelf is told how fast a bucket thickens, once its readings tell', async () => {
    const bucket = await aBucket(server);
    const day = 24 * 60;
    const readings = [1, 8, 15, 22].map((on, index): BucketEvent => ({
      ...later(on * day),
      type: 'sgMeasured',
      sg: 1.44 + 0.012 * index,
      sgSd: 0.003,
    }));
    await note(bucket.id, ...readings);
    const listed = ((await server.get('/buckets').expect(200)).body as BucketSummary[]).find((one) => one.id === bucket.id)!;
    expect(listed.contents!.drift!.perDay).toBeCloseTo(0.012 / 7, 4);
  });

  it.each([
    ['a drop that is none', { type: 'dropsAdded', drops: 0 }],
    ['a lid that is neither on nor off', { type: 'lidSet', lid: 'ajar' }],
    ['a swirl of an hour', { type: 'swirlTimed', seconds: 3600 }],
    ['a bucket three metres deep', { type: 'volumeMeasured', volumeMl: 1000, depthMm: 3000 }],
  ])('refuses %s', async (_what, event) => {
    const bucket = await aBucket(server);
    const sent = { ...head(), ...event };
    const answer = await server.post('/events', { events: [{ stream: 'bucket', streamId: bucket.id, event: sent }] }).expect(201);
    expect((answer.body as EventsAnswer).refused.map(({ id }) => id)).toEqual([sent.id]);
    expect((await read(bucket.id)).events).toHaveLength(1);
  });
});
