import { v7 as uuid } from 'uuid';
import type { EventsAnswer, Firing, Kiln, Load, Schedule, StreamStamp } from '@cazuela/contract';
import { replayLoad, scheduleCurve, type LoadEvent, type LoadLot } from '@cazuela/core';
import { head, NOW } from '../made-up';
import { serverUnderTest, type ServerUnderTest } from '../server-under-test';

describe('loads of a kiln, kept in MariaDB', () => {
  let server: ServerUnderTest;
  let kiln: Kiln;
  const aKiln = async (name: string): Promise<Kiln> => {
    const chamber = { kind: 'round', diameterMm: 450, heightMm: 600 };
    const body = {
      name,
      chamber,
      shelves: [{ id: uuid(), name: 'Lowest', heightMm: 40 }],
      postsMm: [],
      hasHalfShelves: true,
      shelfThickMm: 15,
      note: '',
    };
    return (await server.post('/kilns', { id: uuid(), body }).expect(201)).body as Kiln;
  };
  beforeAll(async () => {
    server = await serverUnderTest();
    kiln = await aKiln('Abuela');
  });
  const aLoad = async (): Promise<Load> => (await server.post('/loads', { id: uuid(), kilnId: kiln.id }).expect(201)).body as Load;
  const send = async (load: Load, ...events: LoadEvent[]): Promise<EventsAnswer> =>
    (await server.post('/events', { events: events.map((event) => ({ stream: 'load', streamId: load.id, event })) }).expect(201))
      .body as EventsAnswer;
  const again = async ({ id }: Load): Promise<Load> => ((await server.get('/loads').expect(200)).body as Load[]).find((load) => load.id === id)!;
  const cups = (): LoadLot => ({ id: uuid(), name: 'Cup', count: 2, footprint: { kind: 'circle', radiusMm: 40 }, heightMm: 90 });

  it('two people move pieces at once: both moves are there, and their pulse tells that something happened', async () => {
    const load = await aLoad();
    const [lot, shelfId] = [cups(), uuid()];
    const place = (at: number, xMm: number) => ({ pieceId: `${lot.id}:${at}`, xMm, yMm: 0, isTurned: false });
    await send(
      load,
      { ...head('Maia'), type: 'lotAdded', lot },
      { ...head('Maia'), type: 'placesSet', shelves: [{ id: shelfId, side: 'left', pieces: [] }] },
    );
    const before = (await server.get(`/loads/${load.id}/stamp`).expect(200)).body as StreamStamp;
    await Promise.all([
      send(load, { ...head('Maia'), type: 'pieceMoved', shelfId, ...place(1, -50) }),
      send(load, { ...head('Bruno'), type: 'pieceMoved', shelfId, ...place(2, 50) }),
    ]);
    const { shelves } = replayLoad((await again(load)).events);
    expect(shelves[0]!.pieces.map(({ pieceId }) => pieceId).sort()).toEqual([`${lot.id}:1`, `${lot.id}:2`]);
    expect((await server.get(`/loads/${load.id}/stamp`).expect(200)).body).toEqual({ ...before, events: before.events + 2 });
  });

  it('what no load can have is refused by itself, with a sentence; the rest is kept', async () => {
    const load = await aLoad();
    const good: LoadEvent = { ...head('Maia'), type: 'lotAdded', lot: cups() };
    const bad: LoadEvent = { ...head('Maia'), type: 'lotAdded', lot: { ...cups(), heightMm: 0 } };
    const answer = await send(load, good, bad);
    expect(answer.acknowledged).toEqual([good.id]);
    expect(answer.refused).toEqual([{ id: bad.id, detail: 'A piece is more than 0 mm wide and high.' }]);
    expect((await again(load)).events.map(({ id }) => id)).toEqual([good.id]);
  });

  it('needs a kiln with a card, goes into another one, and is found in its history by its firing', async () => {
    await server.post('/loads', { id: uuid(), kilnId: uuid() }).expect(422);
    const load = await aLoad();
    const grillo = await aKiln('Grillo');
    const moved = (await server.put(`/loads/${load.id}`, { version: load.version, kilnId: grillo.id }).expect(200)).body as Load;
    expect(moved.kilnId).toBe(grillo.id);
    await server.put(`/loads/${load.id}`, { version: load.version, kilnId: kiln.id }).expect(409);
    await server.get(`/loads/${uuid()}/stamp`).expect(404);
    const firingId = uuid();
    await send(load, { ...head('Maia'), type: 'fired', firingId });
    expect(replayLoad((await again(load)).events).firingId).toBe(firingId);
  });
});

describe('schedules of firings, kept in MariaDB', () => {
  let server: ServerUnderTest;
  beforeAll(async () => {
    server = await serverUnderTest();
  });
  const body = (toCelsius: number) => ({
    name: 'Cone 6',
    wantedCone: '6',
    segments: [{ celsiusPerHour: 100, toCelsius, holdMinutes: 10 }],
    note: '',
  });

  it('each change keeps how it was before; sent twice it counts once, and a stale one is told', async () => {
    const id = uuid();
    await server.post('/schedules', { id, body: body(1_200) }).expect(201);
    await server.put(`/schedules/${id}`, { version: 1, body: body(1_210) }).expect(200);
    const again = (await server.put(`/schedules/${id}`, { version: 1, body: body(1_210) }).expect(200)).body as Schedule;
    expect(again).toMatchObject({ version: 2, earlier: [{ version: 1, body: { segments: [{ toCelsius: 1_200 }] } }] });
    await server.put(`/schedules/${id}`, { version: 1, body: body(1_220) }).expect(409);
    const list = (await server.get('/schedules').expect(200)).body as Schedule[];
    expect(list).toEqual([again]);
  });

  it('a firing keeps the schedule as it was when it was fired; steps that lead nowhere are refused', async () => {
    await server.post('/schedules', { id: uuid(), body: { ...body(1_200), segments: [] } }).expect(422);
    const schedule = { id: uuid(), version: 3, name: 'Cone 6', segments: body(1_206).segments };
    const points = scheduleCurve({ segments: schedule.segments });
    const firing = { kiln: 'Abuela', startedAt: NOW, wantedCone: '6', witnessCone: null, points, schedule };
    const kept = (await server.post('/firings', { id: uuid(), body: firing }).expect(201)).body as Firing;
    expect(kept.body.schedule).toEqual(schedule);
  });
});
