import { v7 as uuid } from 'uuid';
import type { Bucket, BucketSummary } from '@cazuela/contract';
import type { BucketEvent } from '@cazuela/core';
import { aBucket, head, NOW } from '../made-up';
import { serverUnderTest, type ServerUnderTest } from '../server-under-test';

describe('buckets, kept in MariaDB', () => {
  let server: ServerUnderTest;
  beforeAll(async () => {
    server = await serverUnderTest();
  });

  const read = async (id: string): Promise<Bucket> => (await server.get(`/buckets/${id}`).expect(200)).body as Bucket;
  const note = (id: string, ...events: BucketEvent[]) =>
    server.post('/events', { events: events.map((event) => ({ stream: 'bucket', streamId: id, event })) });
  const split = (takenMl: number) => ({
    newBucketId: uuid(),
    takenEventId: uuid(),
    filledEventId: uuid(),
    at: NOW,
    by: 'Bruno',
    name: 'Leche, stained',
    takenMl,
  });

  it('keeps measuring and water as history, and the list shows where it stands', async () => {
    const bucket = await aBucket(server);
    await note(
      bucket.id,
      { ...head(), type: 'sgMeasured', sg: 1.5, sgSd: 0.006 },
      { ...head(), type: 'waterAdded', grams: 90, entered: { value: 90, unit: 'mL' } },
    ).expect(201);
    const back = await read(bucket.id);
    expect(back.events.map((event) => event.type)).toEqual(['filled', 'sgMeasured', 'waterAdded']);
    expect(back.events[2]).toMatchObject({ entered: { value: 90, unit: 'mL' } });
    const listed = ((await server.get('/buckets').expect(200)).body as BucketSummary[]).find((one) => one.id === bucket.id)!;
    expect(listed.contents).toEqual(back.contents);
    expect(listed.contents).toMatchObject({ sgSd: 0.006, changedSinceMeasured: true });
  });

  it('an undone measurement is gone from its state and stays in its history', async () => {
    const bucket = await aBucket(server);
    const wrong: BucketEvent = { ...head(), type: 'sgMeasured', sg: 1.9, sgSd: 0.01 };
    await note(bucket.id, wrong, { ...head(), type: 'undone', eventId: wrong.id }).expect(201);
    const back = await read(bucket.id);
    expect(back.contents?.sg).toBeCloseTo(bucket.contents!.sg, 9);
    expect(back.events).toHaveLength(3);
  });

  it('pouring a part off is one change: what leaves one is what the other gets', async () => {
    const bucket = await aBucket(server);
    const half = bucket.contents!.volumeMl / 2;
    const made = (await server.post(`/buckets/${bucket.id}/split`, split(half)).expect(201)).body as Bucket;
    const left = await read(bucket.id);
    expect(made.contents!.dryGrams + left.contents!.dryGrams).toBeCloseTo(bucket.contents!.dryGrams, 6);
    expect(made.contents!.sg).toBeCloseTo(bucket.contents!.sg, 9);
    expect(made).toMatchObject({ recipeId: bucket.recipeId, recipeVersion: 1 });
  });

  it('the same pouring sent twice pours once', async () => {
    const bucket = await aBucket(server);
    const body = split(300);
    await Promise.all([server.post(`/buckets/${bucket.id}/split`, body), server.post(`/buckets/${bucket.id}/split`, body)]);
    expect((await read(bucket.id)).contents!.volumeMl).toBeCloseTo(bucket.contents!.volumeMl - 300, 6);
  });

  it('cannot pour more than there is; nothing is half poured', async () => {
    const bucket = await aBucket(server);
    const answer = await server.post(`/buckets/${bucket.id}/split`, split(900_000)).expect(422);
    expect(answer.body.detail).toContain('you cannot pour');
    expect((await read(bucket.id)).events).toHaveLength(1);
  });

  it('two who rename it: the second gets both names to choose from', async () => {
    const bucket = await aBucket(server);
    const renamed = (name: string) => ({ version: bucket.version, body: { ...bucket.body, name } });
    await server.put(`/buckets/${bucket.id}`, renamed('Leche A')).expect(200);
    const late = await server.put(`/buckets/${bucket.id}`, renamed('Leche B')).expect(409);
    expect(late.body).toMatchObject({ code: 'stale', current: { version: 2, body: { name: 'Leche A' } } });
  });

  it('of two writes at the same moment one wins and the other is told', async () => {
    const bucket = await aBucket(server);
    const answers = await Promise.all(
      ['one', 'two', 'three'].map((name) => server.put(`/buckets/${bucket.id}`, { version: 1, body: { ...bucket.body, name } })),
    );
    expect(answers.map((answer) => answer.status).sort()).toEqual([200, 409, 409]);
  });

  it.each([
    ['an SG of 1', { sgLow: 1 }, 'above 1.00'],
    ['an SG of 2.5', { sgHigh: 2.5 }, 'above 2.20'],
    ['a range upside down', { sgLow: 1.5, sgHigh: 1.4 }, 'below the upper'],
    ['no name', { name: '  ' }, 'Give it a name'],
    ['no colour', { colour: 'greenish' }, '#7FA08C'],
  ])('%s is refused with what to do', async (_name, change, words) => {
    const bucket = await aBucket(server);
    const answer = await server.put(`/buckets/${bucket.id}`, { version: 1, body: { ...bucket.body, ...change } }).expect(422);
    expect(answer.body.detail).toContain(words);
  });

  it('its codes count up and never repeat within the studio', async () => {
    const made = await Promise.all([aBucket(server), aBucket(server), aBucket(server)]);
    expect(new Set(made.map((bucket) => bucket.code)).size).toBe(3);
  });

  it('is found by its code and by part of its name', async () => {
    const bucket = await aBucket(server);
    expect((await server.get(`/search?q=${bucket.code.toLowerCase()}`)).body[0]).toMatchObject({ kind: 'bucket', id: bucket.id });
    expect((await server.get('/search?q=che%20de')).body.length).toBeGreaterThan(0);
    expect((await server.get('/search?q=%25')).body).toEqual([]);
  });

  describe('leftovers', () => {
    const pour = (takenMl: number, toId: string | null = null) => ({
      toId,
      scrapsId: uuid(),
      takenEventId: uuid(),
      filledEventId: uuid(),
      at: NOW,
      by: 'Maia',
      takenMl,
    });

    it('become a mixture of known average, in one scraps bucket whoever pours first', async () => {
      const [one, other] = [await aBucket(server), await aBucket(server)];
      const both = await Promise.all([one, other].map((bucket) => server.post(`/buckets/${bucket.id}/pour`, pour(500)).expect(201)));
      const [first, second] = both.map((answer) => answer.body as Bucket);
      expect(first!.id).toBe(second!.id);
      const scraps = (await server.get(`/buckets/${first!.id}`)).body as Bucket;
      const kaolin = (bucket: Bucket): number => bucket.contents!.parts.find((part) => part.name === 'Kaolin')!.grams / bucket.contents!.dryGrams;
      expect(scraps.contents!.volumeMl).toBeCloseTo(1000, 0);
      expect(kaolin(scraps)).toBeCloseTo(kaolin(one), 6);
      expect(((await server.get(`/buckets/${one.id}`)).body as Bucket).contents!.volumeMl).toBeCloseTo(one.contents!.volumeMl - 500, 0);
    });

    it('poured into another bucket add up, powder by powder and water', async () => {
      const [one, other] = [await aBucket(server), await aBucket(server)];
      const merged = (await server.post(`/buckets/${one.id}/pour`, pour(400, other.id)).expect(201)).body as Bucket;
      expect(merged.id).toBe(other.id);
      const after = await read(one.id);
      const sum = (of: (bucket: Bucket) => number): void => expect(of(after) + of(merged)).toBeCloseTo(of(one) + of(other), 6);
      sum((bucket) => bucket.contents!.dryGrams);
      sum((bucket) => bucket.contents!.waterGrams);
      for (const { powderId } of one.contents!.parts) sum((bucket) => bucket.contents!.parts.find((part) => part.powderId === powderId)!.grams);
    });

    it('are not poured into a bucket that is not there', async () => {
      const bucket = await aBucket(server);
      await server.post(`/buckets/${bucket.id}/pour`, pour(100, uuid())).expect(404);
    });

    it('poured twice by two taps are poured once', async () => {
      const bucket = await aBucket(server);
      const sent = pour(200);
      await Promise.all([1, 2].map(() => server.post(`/buckets/${bucket.id}/pour`, sent).expect(201)));
      expect(((await server.get(`/buckets/${bucket.id}`)).body as Bucket).contents!.volumeMl).toBeCloseTo(bucket.contents!.volumeMl - 200, 0);
    });

    it('that are more than there is, or of the scraps themselves, are refused', async () => {
      const bucket = await aBucket(server);
      await server.post(`/buckets/${bucket.id}/pour`, pour(500_000)).expect(422);
      const scraps = (await server.post(`/buckets/${bucket.id}/pour`, pour(100)).expect(201)).body as Bucket;
      expect((await server.post(`/buckets/${scraps.id}/pour`, pour(10)).expect(422)).body.detail).toContain('the same bucket');
    });
  });
});
