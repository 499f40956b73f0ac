import { v7 as uuid } from 'uuid';
import type { Bucket, EventsAnswer, Firing, RunnerTile, StepTile, TileBody } from '@cazuela/contract';
import { firingFromPeak } from '@cazuela/core';
import { head, aBucket } from '../made-up';
import { serverUnderTest, type ServerUnderTest } from '../server-under-test';

const STARTED = '2026-03-10T08:00:00.000Z';

describe('tiles are read where they come out of the kiln', () => {
  let server: ServerUnderTest;
  let bucket: Bucket;
  const bodyId = uuid();
  let firing: Firing;
  let step: StepTile;
  let runner: RunnerTile;

  beforeAll(async () => {
    server = await serverUnderTest();
    bucket = await aBucket(server);
    await server.post('/bodies', { id: bodyId, name: 'Barro Claro', colour: '#E4D8C2', bisqueCone: '05', earthenware: false }).expect(201);
  });
  beforeEach(async () => {
    const glaze = { bucketId: bucket.id, glazeId: bucket.recipeId!, glazeName: bucket.body.name };
    const strips = [0.3, 0.5].map((wantedMm) => ({ id: uuid(), wantedMm, depthMm: 40 }));
    const tile: TileBody = { ...glaze, bodyId, by: 'Inés', method: 'inOneGo', highMm: 95, sg: 1.45, strips, notes: '' };
    step = (await server.post('/tiles', { id: uuid(), body: tile }).expect(201)).body as StepTile;
    const layers = [{ ...glaze, coatMm: 0.5, meltsTo: 0.5 }];
    runner = (await server.post('/runner-tiles', { id: uuid(), body: { layers, bandMm: 30, by: 'Inés', notes: '' } }).expect(201)).body as RunnerTile;
    const points = firingFromPeak({ peakCelsius: 1206, hoursUp: 9.5, holdMinutes: 10 });
    const body = { kiln: 'Abuela', startedAt: STARTED, wantedCone: '6', witnessCone: '6', points };
    firing = (await server.post('/firings', { id: uuid(), body }).expect(201)).body as Firing;
  });

  const send = async (...events: object[]): Promise<EventsAnswer> =>
    (await server.post('/events', { events: events.map((event) => ({ stream: 'firing', streamId: firing.id, event })) }).expect(201))
      .body as EventsAnswer;
  const look = (at: number, verdict: string | null, by = 'Maia') => ({
    ...head(by),
    type: 'tileRead',
    tileId: step.id,
    look: { stripId: step.body.strips[at]!.id, verdict },
    coneReached: '6',
  });
  const ran = (runMm: number | null) => ({ ...head(), type: 'tileRead', tileId: runner.id, runMm, coneReached: '6' });
  const stepNow = async (): Promise<StepTile> => ((await server.get('/tiles').expect(200)).body as StepTile[]).find(({ id }) => id === step.id)!;
  const runnerNow = async (): Promise<RunnerTile> =>
    ((await server.get('/runner-tiles').expect(200)).body as RunnerTile[]).find(({ id }) => id === runner.id)!;
  const verdicts = async (): Promise<(string | undefined)[]> => (await stepNow()).body.strips.map(({ verdict }) => verdict);

  it('a strip at a time, by two people, sent twice: its card has each word once, its day and its cone', async () => {
    const first = look(0, 'thin');
    await Promise.all([send(first), send(look(1, 'right', 'Bruno')), send(first)]);
    expect(await verdicts()).toEqual(['thin', 'right']);
    expect((await stepNow()).body).toMatchObject({ firedAt: STARTED, cone: '6' });
  });

  it('a word that is taken back goes from the card; with the last one it was not fired here', async () => {
    const event = look(0, 'thick');
    await send(event, look(0, null));
    expect(await verdicts()).toEqual([undefined, undefined]);
    const again = look(1, 'right');
    await send(again);
    await send({ ...head(), type: 'undone', eventId: again.id });
    expect(await verdicts()).toEqual([undefined, undefined]);
    const runs = ran(9);
    await send(runs);
    expect((await runnerNow()).body).toMatchObject({ runMm: 9, firedAt: STARTED });
    await send({ ...head(), type: 'undone', eventId: runs.id });
    expect((await runnerNow()).body).not.toHaveProperty('runMm');
    expect((await runnerNow()).body).not.toHaveProperty('firedAt');
  });

  it('what was written on its card by hand stays: another strip, another day, another cone', async () => {
    const strips = step.body.strips.map((strip, at) => (at === 0 ? { ...strip, verdict: 'thick' as const, words: 'runs' } : strip));
    const byHand = { ...step.body, strips, firedAt: '2026-02-01T08:00:00.000Z', cone: '7' };
    await server.put(`/tiles/${step.id}`, { version: 1, body: byHand }).expect(200);
    await send(look(1, 'right'));
    expect(await verdicts()).toEqual(['thick', 'right']);
    expect((await stepNow()).body).toMatchObject({ firedAt: '2026-02-01T08:00:00.000Z', cone: '7' });
  });

  it('what was put right on the card later stays, whatever is taken back elsewhere', async () => {
    const first = look(0, 'thin');
    await send(first, look(1, 'right'));
    const now = await stepNow();
    const strips = now.body.strips.map((strip, at) => (at === 0 ? { ...strip, verdict: 'right' as const } : strip));
    await server.put(`/tiles/${step.id}`, { version: now.version, body: { ...now.body, strips } }).expect(200);
    const runs = ran(9);
    await send(runs);
    await send({ ...head(), type: 'undone', eventId: runs.id });
    await send(look(1, 'thick'));
    expect(await verdicts()).toEqual(['right', 'thick']);
  });

  it('taking back may be taken back itself', async () => {
    const event = look(0, 'thin');
    const undone = { ...head(), type: 'undone', eventId: event.id };
    await send(event);
    await send(undone);
    await send({ ...head(), type: 'undone', eventId: undone.id });
    expect(await verdicts()).toEqual(['thin', undefined]);
  });

  it('a tile that was read cannot be deleted: its words would hang in the air', async () => {
    await send(look(0, 'thin'));
    expect((await server.remove(`/records/tile/${step.id}`).expect(409)).body.detail).toContain('histor');
    expect(await verdicts()).toEqual(['thin', undefined]);
  });

  it('whoever has the card open meanwhile is told that it changed', async () => {
    await send(look(0, 'thin'));
    const stale = await server.put(`/tiles/${step.id}`, { version: 1, body: step.body }).expect(409);
    expect(stale.body).toMatchObject({ code: 'stale', current: { version: 2 } });
  });

  it.each([
    ['a tile that is gone', () => ({ ...look(0, 'thin'), tileId: uuid() }), 'That tile is not here any more.'],
    ['a run that left the tile', () => ran(4000), 'A run over 400 mm left the tile'],
    ['a verdict nobody gives', () => look(0, 'lovely'), ''],
  ])('%s is refused in words, and nothing of it is kept', async (_name, event, words) => {
    const answer = await send(event());
    expect(answer.acknowledged).toEqual([]);
    expect(answer.refused[0]!.detail).toContain(words);
    expect(await stepNow()).toMatchObject({ version: 1 });
  });
});
