import { v7 as uuid } from 'uuid';
import { replayBatch, type BatchEvent } from '@cazuela/core';
import type { Batch, Bucket } from '@cazuela/contract';
import { aBatch, aRecipe, finishOf, head, sendBatchEvents, weighAll } from '../made-up';
import { serverUnderTest, type ServerUnderTest } from '../server-under-test';

describe('weighing, kept in MariaDB', () => {
  let server: ServerUnderTest;
  beforeAll(async () => {
    server = await serverUnderTest();
  });

  const batchAt = async (id: string): Promise<Batch> => (await server.get(`/batches/${id}`).expect(200)).body as Batch;

  it('the plan is made by the server from the recipe’s version, whatever the browser thinks', async () => {
    const batch = await aBatch(server);
    expect(batch.plan.totalGrams).toBeCloseTo(1050, 6);
    expect(batch.plan.lines.map((line) => line.name)).toEqual(['Kaolin', 'Silica', 'Whiting', 'Tin oxide']);
  });

  it('a plan sent along is refused: nothing beside the question is taken', async () => {
    const recipe = await aRecipe(server);
    const sent = {
      id: uuid(),
      recipeVersionId: recipe.versionId,
      size: { kind: 'base', baseGrams: 1000 },
      water: { kind: 'toSg', sg: 1.45 },
      order: 'clayFirst',
      plan: { totalGrams: 1 },
    };
    await server.post('/batches', sent).expect(422);
  });

  it('events sent twice count once', async () => {
    const batch = await aBatch(server);
    const events = weighAll(batch).slice(0, 3);
    await sendBatchEvents(server, batch.id, events).expect(201);
    const again = await sendBatchEvents(server, batch.id, events).expect(201);
    expect(again.body.acknowledged).toHaveLength(3);
    expect((await batchAt(batch.id)).events).toHaveLength(3);
  });

  it('the same event sent by two requests at once is kept once', async () => {
    const batch = await aBatch(server);
    const events = weighAll(batch).slice(0, 2);
    const answers = await Promise.all([1, 2, 3, 4].map(() => sendBatchEvents(server, batch.id, events)));
    answers.forEach((answer) => expect(answer.body.acknowledged).toHaveLength(2));
    expect((await batchAt(batch.id)).events).toHaveLength(2);
  });

  it('a batch is read back at the line where it stopped', async () => {
    const batch = await aBatch(server);
    await sendBatchEvents(server, batch.id, weighAll(batch).slice(0, 4)).expect(201);
    const back = await batchAt(batch.id);
    expect(replayBatch({ plan: back.plan, events: back.events }).step).toMatchObject({ kind: 'line', number: 3 });
    expect(back).toMatchObject({ linesDone: 2, lastBy: 'Inés' });
  });

  it('becomes a bucket of what really went in, not of what was planned', async () => {
    const batch = await aBatch(server);
    const events = weighAll(batch);
    const clay = events.find((event): event is Extract<BatchEvent, { type: 'lineWeighed' }> => event.type === 'lineWeighed')!;
    clay.grams = 333.3;
    await sendBatchEvents(server, batch.id, events).expect(201);
    const bucket = (await server.post(`/batches/${batch.id}/bucket`, finishOf('Leche, new')).expect(201)).body as Bucket;
    expect(bucket.contents?.parts.find((part) => part.name === 'Kaolin')?.grams).toBeCloseTo(333.3, 6);
    expect(bucket.body).toMatchObject({ name: 'Leche, new', sgLow: 1.43, sgHigh: 1.47 });
    expect(bucket.code).toMatch(/^B\d+$/);
    expect(bucket.recipeVersion).toBe(1);
  });

  it('is made into one bucket, though two tablets press at once', async () => {
    const batch = await aBatch(server);
    await sendBatchEvents(server, batch.id, weighAll(batch)).expect(201);
    const answers = await Promise.all([1, 2, 3].map(() => server.post(`/batches/${batch.id}/bucket`, finishOf())));
    const ids = new Set(answers.map((answer) => (answer.body as Bucket).id));
    expect(ids.size).toBe(1);
  });

  it('is no bucket while a line waits, and says so', async () => {
    const batch = await aBatch(server);
    await sendBatchEvents(server, batch.id, weighAll(batch).slice(0, 3)).expect(201);
    const answer = await server.post(`/batches/${batch.id}/bucket`, finishOf()).expect(422);
    expect(answer.body.detail).toContain('Weigh or skip them first');
  });

  it('is no bucket when every line was skipped', async () => {
    const batch = await aBatch(server);
    const skipped = batch.plan.lines.map((line): BatchEvent => ({ ...head(), type: 'lineSkipped', lineId: line.lineId }));
    await sendBatchEvents(server, batch.id, [...weighAll(batch).slice(0, 2), ...skipped]).expect(201);
    expect((await server.post(`/batches/${batch.id}/bucket`, finishOf()).expect(422)).body.detail).toContain('no powder');
  });

  it('weighed on the practice scale takes nothing off the shelf and is no bucket', async () => {
    const batch = await aBatch(server);
    const silica = batch.plan.lines.find((line) => line.name === 'Silica')!;
    const onShelf = async (): Promise<unknown[]> => (await server.get(`/powders/${silica.powderId}/stock`).expect(200)).body as unknown[];
    const before = await onShelf();
    const practice = weighAll(batch).map((event): BatchEvent => (event.type === 'lineWeighed' ? { ...event, practice: true } : event));
    await sendBatchEvents(server, batch.id, practice).expect(201);
    expect(await onShelf()).toEqual(before);
    expect((await server.post(`/batches/${batch.id}/bucket`, finishOf()).expect(422)).body.detail).toContain('weighed on the practice scale');
  });

  it('keeps the pan it is weighed in with its plan', async () => {
    const pan = { panGrams: 212, emptied: 'whenFull' as const };
    expect((await aBatch(server, { pan })).plan.pan).toEqual(pan);
  });

  it('takes no more weights once it is a bucket', async () => {
    const batch = await aBatch(server);
    await sendBatchEvents(server, batch.id, weighAll(batch)).expect(201);
    await server.post(`/batches/${batch.id}/bucket`, finishOf()).expect(201);
    const late = await sendBatchEvents(server, batch.id, [{ ...head(), type: 'noted', text: 'late' }]).expect(201);
    expect(late.body.refused[0].detail).toContain('is a bucket already');
  });

  it.each([
    ['a batch nobody has', { stream: 'batch', streamId: uuid(), event: { ...head(), type: 'respiratorOn' } }, 'no such batch'],
    [
      'a bucket filled from nowhere',
      {
        stream: 'bucket',
        streamId: uuid(),
        event: {
          ...head(),
          type: 'filled',
          parts: [{ powderId: uuid(), name: 'Gold', part: 'base', grams: 1, density: 19 > 12 ? 10 : 19 }],
          waterGrams: 1,
          from: 'shelf',
        },
      },
      'made from a finished batch',
    ],
  ])('an event for %s is refused, the others are kept', async (_name, bad, words) => {
    const batch = await aBatch(server);
    const good = { stream: 'batch', streamId: batch.id, event: { ...head(), type: 'respiratorOn' } };
    const answer = await server.post('/events', { events: [bad, good] }).expect(201);
    expect(answer.body.acknowledged).toEqual([good.event.id]);
    expect(answer.body.refused[0].detail).toContain(words);
  });

  it.each([
    ['a weight in words', { type: 'lineWeighed', lineId: uuid(), grams: 'much' }],
    ['less than nothing', { type: 'lineWeighed', lineId: uuid(), grams: -4 }],
    ['a tonne and more', { type: 'waterPoured', grams: 2_000_000 }],
    ['an event nobody knows', { type: 'prayed' }],
    ['something on top', { type: 'respiratorOn', sudo: true }],
  ])('%s never reaches the table', async (_name, event) => {
    const batch = await aBatch(server);
    const sent = { ...head(), ...event };
    const answer = await server.post('/events', { events: [{ stream: 'batch', streamId: batch.id, event: sent }] }).expect(201);
    expect(answer.body).toEqual({ acknowledged: [], refused: [{ id: sent.id, detail: expect.any(String) as string }] });
    expect((await batchAt(batch.id)).events).toEqual([]);
  });
});
