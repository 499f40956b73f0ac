import { v7 as uuid } from 'uuid';
import type { Bucket, EventsAnswer } from '@cazuela/contract';
import type { BucketEvent } from '@cazuela/core';
import { checkRecords } from '../../../../scripts/prove/check-records';
import { aBucket, aRecipe, head } from '../made-up';
import { serverUnderTest, type ServerUnderTest } from '../server-under-test';

describe('each event stands or falls alone', () => {
  let server: ServerUnderTest;
  let bucket: Bucket;
  beforeAll(async () => {
    server = await serverUnderTest();
  });
  beforeEach(async () => {
    bucket = await aBucket(server);
  });
  afterEach(async () => {
    expect(await checkRecords(server.context, server.studio.id)).toEqual([]);
  });
  const send = async (events: readonly object[], bucketId = bucket.id): Promise<EventsAnswer> => {
    const sent = events.map((event) => ({ stream: 'bucket', streamId: bucketId, event }));
    return (await server.post('/events', { events: sent }).expect(201)).body as EventsAnswer;
  };
  const read = async (id = bucket.id): Promise<Bucket> => (await server.get(`/buckets/${id}`).expect(200)).body as Bucket;
  const stirred = (): BucketEvent => ({ ...head(), type: 'stirred' });
  const part = (grams: number) => ({ ...bucket.contents!.parts[0]!, grams });

  it.each([
    ['an SG that is exact beyond any scale', () => ({ ...head(), type: 'sgMeasured', sg: 1.45, sgSd: 1e-300 }), 'exact'],
    ['a device whose clock stands at the year 1', () => ({ ...stirred(), at: '0001-01-01T00:00:00.000Z' }), 'clock'],
    ['half a character in a note', () => ({ ...head(), type: 'noted', text: 'lumps \ud83c' }), 'half a character'],
    ['a glaze that came by itself', () => ({ ...head(), type: 'filled', parts: [part(10)], waterGrams: 5, from: 'shelf' }), 'finished batch'],
    [
      'half of a pour made by a tablet',
      () => ({ ...head(), type: 'glazeTaken', millilitres: 5, reason: 'other', toId: uuid(), pairEventId: uuid() }),
      'pouring it there',
    ],
  ])('%s is refused, and what was sent beside it is taken', async (_name, bad, words) => {
    const [before, wrong, after] = [stirred(), bad(), stirred()];
    const answer = await send([before, wrong, after]);
    expect(answer.acknowledged).toEqual([before.id, after.id]);
    expect(answer.refused).toEqual([{ id: wrong.id, detail: expect.stringContaining(words) as string }]);
    expect((await read()).events.map(({ id }) => id)).toEqual(expect.arrayContaining([before.id, after.id]));
  });

  it('powder that would make the bucket heavier than any bucket is refused: the shelf stays readable for all', async () => {
    const [first, second] = [600_000, 600_000].map((grams) => ({ ...head(), type: 'powderAdded', parts: [part(grams)], reason: 'rescue' }));
    const answer = await send([first!, second!]);
    expect(answer.acknowledged).toEqual([first!.id]);
    expect(answer.refused[0]!.detail).toContain('tonne');
    await server.get('/buckets').expect(200);
  });

  it('gum of 600 L twice is refused the second time', async () => {
    const gum = (): BucketEvent => ({ ...head(), type: 'gumAdded', millilitres: 600_000 });
    expect((await send([gum(), gum()])).refused).toHaveLength(1);
  });

  it('an id written in capitals is the same id: sent twice it counts once', async () => {
    const event = { ...head(), type: 'waterAdded', grams: 50 };
    await send([event]);
    const again = await send([{ ...event, id: event.id.toUpperCase() }]);
    expect(again).toEqual({ acknowledged: [event.id], refused: [] });
    expect((await read()).contents!.waterGrams).toBeCloseTo(bucket.contents!.waterGrams + 50, 6);
  });

  it('an id that belongs to another bucket is not taken for done', async () => {
    const other = await aBucket(server);
    const event = stirred();
    await send([event], other.id);
    expect((await send([event])).refused[0]!.detail).toContain('belongs to another');
  });

  it('a split under the number of another step makes no glaze out of nothing', async () => {
    const event = stirred();
    await send([event]);
    const split = { newBucketId: uuid(), takenEventId: event.id, filledEventId: uuid(), at: event.at, by: 'Inés', name: 'Half', takenMl: 200 };
    await server.post(`/buckets/${bucket.id}/split`, split).expect(409);
    await server.get(`/buckets/${split.newBucketId}`).expect(404);
    expect((await read()).contents!.parts).toEqual(bucket.contents!.parts);
  });

  it('a pour sent twice is poured once, a third one under its number into another bucket is a conflict', async () => {
    const [to, other] = [await aBucket(server), await aBucket(server)];
    const pour = { toId: to.id, scrapsId: uuid(), takenEventId: uuid(), filledEventId: uuid(), ...head(), id: undefined, takenMl: 100 };
    await server.post(`/buckets/${bucket.id}/pour`, pour).expect(201);
    await server.post(`/buckets/${bucket.id}/pour`, pour).expect(201);
    await server.post(`/buckets/${bucket.id}/pour`, { ...pour, toId: other.id }).expect(409);
    expect((await read(other.id)).contents).toEqual(other.contents);
  });

  it('a jar opened under the number of another step is a conflict, and leaves no empty bucket', async () => {
    const event = stirred();
    await send([event]);
    const product = { kind: 'jar' as const, coats: 3, jarMl: 400, makerSaysFoodSafe: 'unsaid' as const };
    const recipe = await aRecipe(server, { name: 'Agua Quieta', product });
    const jar = { bucketId: uuid(), filledEventId: event.id.toUpperCase(), at: event.at, by: 'Maia', versionId: recipe.versionId };
    await server.post(`/recipes/${recipe.id}/jar`, jar).expect(409);
    await server.get(`/buckets/${jar.bucketId}`).expect(404);
  });

  it('a series whose glaze would leave under the number of another step is not booked as dipped', async () => {
    const event = stirred();
    await send([event]);
    const cup = (percent: number) => ({ bucketId: bucket.id, bucketName: 'Leche', sg: 1.45, density: 2.6, percent });
    const body = { kind: 'blend', name: 'Two', a: cup(0), b: cup(10), totalMl: 60, percents: [2, 5], notes: '' };
    const series = (await server.post('/series', { id: uuid(), body }).expect(201)).body as { id: string };
    await server.post(`/series/${series.id}/done`, { at: event.at, by: 'Maia', eventIds: [event.id, uuid()] }).expect(409);
    expect((await server.get(`/series/${series.id}`).expect(200)).body).toMatchObject({ doneAt: null });
  });

  it('a sending that is nothing of ours is refused as a whole', async () => {
    await server.post('/events', { events: [{ event: { id: 'x' } }] }).expect(422);
    await server.post('/events', { events: [{ stream: 'bucket' }] }).expect(422);
  });
});
