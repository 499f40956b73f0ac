import { v7 as uuid } from 'uuid';
import { NO_PLANNING, type DayEvent, type DayItem, type DayPlanning } from '@cazuela/core';
import type { Bucket, Day, StreamStamp, EventsAnswer, Firing, Result } from '@cazuela/contract';
import { firingFromPeak } from '@cazuela/core';
import { aBucket, head, NOW } from '../made-up';
import { serverUnderTest, type ServerUnderTest } from '../server-under-test';

describe('the glazing day, kept in MariaDB', () => {
  let server: ServerUnderTest;
  let pieceId: string;
  let bucketId: string;
  let count = 0;
  beforeAll(async () => {
    server = await serverUnderTest();
    const bodyId = uuid();
    await server.post('/bodies', { id: bodyId, name: 'Barro Claro', colour: '#E4D8C2', bisqueCone: '05', earthenware: false }).expect(201);
    bucketId = (await aBucket(server)).id;
    pieceId = uuid();
    const zones = { inside: [], outside: [], rim: [], foot: [] };
    const plan = { shapeId: 'cup', zones, waxFootMm: 8, rimBandMm: 20, order: [], putAside: [] };
    await server.post('/pieces', { id: pieceId, body: { name: 'Cup', bodyId, count: 12, plan } }).expect(201);
  });

  /** Twelve cups: dipped, 30 mL each, and wiped. */
  const cups = (): DayItem => {
    const id = uuid();
    const step = (words: string, more: object) => ({
      id: uuid(),
      itemId: id,
      kind: 'layer' as const,
      words,
      laborSeconds: 30,
      waitMinutes: 8,
      ...more,
    });
    const steps = [
      step('Dip the outside', { method: 'dip', bucketId, bucketName: 'Leche de Higo', glazeMl: 30, seconds: 2.4, coatMm: 0.5 }),
      step('Wipe the foot', { kind: 'wipeFoot' }),
    ];
    return { id, pieceId, name: 'Cup', count: 12, code: 'A', steps };
  };
  const aDay = async (item = cups()): Promise<Day> =>
    (await server.post('/days', { id: uuid(), date: `2026-04-${String(++count).padStart(2, '0')}`, items: [item] }).expect(201)).body as Day;
  const send = async (day: Day, ...events: DayEvent[]): Promise<EventsAnswer> =>
    (await server.post('/events', { events: events.map((event) => ({ stream: 'day', streamId: day.id, event })) }).expect(201)).body as EventsAnswer;
  const holdsMl = async (): Promise<number> => ((await server.get(`/buckets/${bucketId}`).expect(200)).body as Bucket).contents!.volumeMl;
  const done = (stepId: string, by = 'Maia'): DayEvent => ({ ...head(by), type: 'stepDone', stepId });

  describe('a tick takes the glaze out of its bucket’s book', () => {
    it('for every piece of the lot, once, however often it is sent', async () => {
      const day = await aDay();
      const before = await holdsMl();
      const event = done(day.items[0]!.steps[0]!.id);
      expect((await send(day, event)).acknowledged).toEqual([event.id]);
      await send(day, event);
      expect(before - (await holdsMl())).toBeCloseTo(360, 0);
    });

    it('two who tick one step take it once', async () => {
      const day = await aDay();
      const before = await holdsMl();
      const stepId = day.items[0]!.steps[0]!.id;
      await Promise.all([send(day, done(stepId, 'Maia')), send(day, done(stepId, 'Bruno'))]);
      expect(before - (await holdsMl())).toBeCloseTo(360, 0);
    });

    it('taken back, it is in the bucket again; ticked anew, it is out again', async () => {
      const day = await aDay();
      const before = await holdsMl();
      const event = done(day.items[0]!.steps[0]!.id);
      const back: DayEvent = { ...head(), type: 'undone', eventId: event.id };
      await send(day, event);
      await send(day, back);
      expect(await holdsMl()).toBeCloseTo(before, 0);
      // The undoing itself is taken back.
      await send(day, { ...head(), type: 'undone', eventId: back.id });
      expect(before - (await holdsMl())).toBeCloseTo(360, 0);
    });

    it('of a lot that was split, each part takes what it is', async () => {
      const day = await aDay();
      const [item] = day.items;
      const stepIds = item!.steps.map(() => uuid());
      const before = await holdsMl();
      await send(day, { ...head(), type: 'lotSplit', itemId: item!.id, newItemId: uuid(), count: 5, stepIds });
      await send(day, done(stepIds[0]!));
      expect(before - (await holdsMl())).toBeCloseTo(150, 0);
    });

    it('a skipped step takes nothing', async () => {
      const day = await aDay();
      const before = await holdsMl();
      await send(day, { ...head(), type: 'stepSkipped', stepId: day.items[0]!.steps[0]!.id });
      expect(await holdsMl()).toBeCloseTo(before, 6);
    });

    it('nobody can book as a tick from outside', async () => {
      const event = { ...head(), type: 'glazeTaken' as const, millilitres: 5, reason: 'dips' as const, tickId: uuid() };
      const answer = (await server.post('/events', { events: [{ stream: 'bucket', streamId: bucketId, event }] }).expect(201)).body as EventsAnswer;
      expect(answer.refused[0]?.id).toBe(event.id);
    });
  });

  describe('how it is planned', () => {
    const person = {
      name: 'Maia',
      fromTime: '09:00',
      untilTime: '17:00',
      breaks: [{ fromTime: '13:00', untilTime: '14:00' }],
      doesNotDo: ['spray' as const],
    };
    const planning: DayPlanning = { ...NO_PLANNING, people: [person], deadlineAt: NOW };

    it('a day that nobody planned has nobody named; what is planned is kept beside its pots', async () => {
      const day = await aDay();
      expect(day.planning).toEqual(NO_PLANNING);
      const kept = (await server.put(`/days/${day.id}`, { version: 1, planning }).expect(200)).body as Day;
      expect(kept).toMatchObject({ version: 2, planning, items: day.items });
      const more = (await server.put(`/days/${day.id}`, { version: 2, items: [...day.items, cups()] }).expect(200)).body as Day;
      expect(more.planning).toEqual(planning);
    });

    it.each([
      ['somebody twice', { people: [person, person] }, 'Somebody is named twice.'],
      ['hours that end before they begin', { people: [{ ...person, untilTime: '08:00' }] }, 'They leave before they come: say a later time.'],
      [
        'a break that ends before it begins',
        { people: [{ ...person, breaks: [{ fromTime: '14:00', untilTime: '13:00' }] }] },
        'It ends before it begins',
      ],
      ['a time that is none', { people: [{ ...person, fromTime: '9am' }] }, 'A time of day looks like 09:30.'],
    ])('refuses %s', async (_what, change, words) => {
      const day = await aDay();
      const answer = await server.put(`/days/${day.id}`, { version: 1, planning: { ...planning, ...change } }).expect(422);
      expect(JSON.stringify(answer.body)).toContain(words);
    });

    it('a stamp tells whether anybody did something since', async () => {
      const day = await aDay();
      const stamp = async (): Promise<StreamStamp> => (await server.get(`/days/${day.id}/stamp`).expect(200)).body as StreamStamp;
      expect(await stamp()).toEqual({ version: 1, events: 0 });
      await send(day, done(day.items[0]!.steps[0]!.id));
      expect(await stamp()).toEqual({ version: 1, events: 1 });
      await server.get(`/days/${uuid()}/stamp`).expect(404);
    });
  });

  describe('a result is of a lot', () => {
    let firing: Firing;
    beforeAll(async () => {
      const points = firingFromPeak({ peakCelsius: 1206, hoursUp: 9.5, holdMinutes: 10 });
      firing = (
        await server
          .post('/firings', { id: uuid(), body: { kiln: 'Abuela', startedAt: NOW, wantedCone: '6', witnessCone: null, points } })
          .expect(201)
      ).body as Firing;
    });
    const body = (lotId: string | null) => ({ pieceId, firingId: firing.id, lotId, coneReached: '6', stars: 4, faults: [], note: '', photoId: null });
    const note = async (lotId: string | null): Promise<Result> =>
      (await server.post('/results', { id: uuid(), body: body(lotId) }).expect(201)).body as Result;

    it('and knows what was done to that one, not to another of the same piece', async () => {
      const [first, second] = [await aDay(), await aDay()];
      await send(first, { ...done(first.items[0]!.steps[0]!.id), seconds: 4.1, sg: 1.47 } as DayEvent);
      expect((await note(first.items[0]!.id)).glazedWith[0]).toMatchObject({ seconds: 4.1, sg: 1.47, doneAt: NOW });
      // Not even dipped: its seconds are the plan's, and said to be.
      expect((await note(second.items[0]!.id)).glazedWith[0]).toMatchObject({ seconds: 2.4, secondsPlanned: true, sg: null, doneAt: null });
    });

    it('also of a part that was split off', async () => {
      const day = await aDay();
      const [newItemId, stepIds] = [uuid(), [uuid(), uuid()]];
      await send(day, { ...head(), type: 'lotSplit', itemId: day.items[0]!.id, newItemId, count: 3, stepIds });
      await send(day, { ...done(stepIds[0]!), seconds: 6 } as DayEvent);
      expect((await note(newItemId)).glazedWith[0]).toMatchObject({ seconds: 6, doneAt: NOW });
    });

    it('a tick that was on its way when the pot was read stands in its result, also of a split part; taken back, it is gone again', async () => {
      const day = await aDay();
      const [newItemId, stepIds] = [uuid(), [uuid(), uuid()]];
      await send(day, { ...head(), type: 'lotSplit', itemId: day.items[0]!.id, newItemId, count: 3, stepIds });
      const [whole, part] = [await note(day.items[0]!.id), await note(newItemId)];
      const other = await note(null);
      const found = async (id: string): Promise<Result> =>
        ((await server.get('/results').expect(200)).body as Result[]).find((result) => result.id === id)!;
      const late = { ...done(day.items[0]!.steps[0]!.id), seconds: 5.2, sg: 1.46 } as DayEvent;
      await send(day, late);
      await send(day, { ...done(stepIds[0]!), seconds: 7 } as DayEvent);
      expect((await found(whole.id)).glazedWith[0]).toMatchObject({ seconds: 5.2, sg: 1.46, doneAt: NOW });
      expect((await found(part.id)).glazedWith[0]).toMatchObject({ seconds: 7, doneAt: NOW });
      expect((await found(other.id)).glazedWith).toEqual(other.glazedWith);
      await send(day, { ...head(), type: 'undone', eventId: late.id });
      expect((await found(whole.id)).glazedWith[0]).toMatchObject({ doneAt: null, secondsPlanned: true });
      // Whoever corrects the result meanwhile is not turned away for it.
      expect((await found(whole.id)).version).toBe(1);
    });

    it('corrected to another lot, it knows what was done to that', async () => {
      const day = await aDay();
      await send(day, { ...done(day.items[0]!.steps[0]!.id), seconds: 3.3 } as DayEvent);
      const result = await note(null);
      const mended = (await server.put(`/results/${result.id}`, { version: 1, body: body(day.items[0]!.id) }).expect(200)).body as Result;
      expect(mended.glazedWith[0]).toMatchObject({ seconds: 3.3 });
    });

    it('a lot of another piece is refused', async () => {
      const day = await aDay({ ...cups(), pieceId: uuid() });
      const answer = await server.post('/results', { id: uuid(), body: body(day.items[0]!.id) }).expect(422);
      expect(JSON.stringify(answer.body)).toContain('That lot is of another piece');
    });
  });
});
