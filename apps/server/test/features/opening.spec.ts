import { v7 as uuid } from 'uuid';
import sharp from 'sharp';
import type { EventsAnswer, Firing, Result } from '@cazuela/contract';
import { lotFromItem, type DayItem, type LoadEvent } from '@cazuela/core';
import { head } from '../made-up';
import { serverUnderTest, type ServerUnderTest } from '../server-under-test';

describe('a kiln is opened and read, piece after piece', () => {
  let server: ServerUnderTest;
  let pieceId: string;
  let item: DayItem;
  let firing: Firing;

  beforeAll(async () => {
    server = await serverUnderTest();
    const bodyId = uuid();
    await server.post('/bodies', { id: bodyId, name: 'Barro Claro', colour: '#E4D8C2', bisqueCone: '05', earthenware: false }).expect(201);
    const plan = { shapeId: 'cup', zones: { inside: [], outside: [], rim: [], foot: [] }, waxFootMm: 8, rimBandMm: 20, order: [], putAside: [] };
    pieceId = uuid();
    await server.post('/pieces', { id: pieceId, body: { name: 'Cup', bodyId, count: 12, plan } }).expect(201);
    const [itemId, stepId] = [uuid(), uuid()];
    const step = { id: stepId, itemId, kind: 'layer', words: 'Dip the outside', seconds: 2, coatMm: 0.5, laborSeconds: 25, waitMinutes: 8 };
    const made = { id: itemId, pieceId, name: 'Cup', code: 'A', count: 12, heightMm: 90, widthMm: 80, steps: [step] };
    const day = (await server.post('/days', { id: uuid(), date: '2026-03-09', items: [made] }).expect(201)).body as { id: string; items: DayItem[] };
    item = day.items[0]!;
    await server
      .post('/events', { events: [{ stream: 'day', streamId: day.id, event: { ...head(), type: 'stepDone', stepId, seconds: 4, sg: 1.47 } }] })
      .expect(201);
  });

  beforeEach(async () => {
    const body = {
      kiln: 'Abuela',
      startedAt: '2026-03-10T08:00:00.000Z',
      wantedCone: '6',
      witnessCone: '6',
      points: [
        { hours: 0, celsius: 20 },
        { hours: 9, celsius: 1220 },
        { hours: 30, celsius: 60 },
      ],
    };
    firing = (await server.post('/firings', { id: uuid(), body }).expect(201)).body as Firing;
  });

  const send = async (...events: object[]): Promise<EventsAnswer> =>
    (await server.post('/events', { events: events.map((event) => ({ stream: 'firing', streamId: firing.id, event })) }).expect(201))
      .body as EventsAnswer;
  const read = (numbers: readonly number[], verdict: object, by = 'Maia') => ({
    ...head(by),
    type: 'piecesRead',
    pieceIds: numbers.map((number) => `${item.id}:${number}`),
    verdict,
    coneReached: '6',
  });
  const upload = (bytes: Buffer) => server.any.post(`/api/studios/${server.studio.id}/photos`).attach('photo', bytes, 'cup.jpg');
  const results = async (): Promise<Result[]> =>
    ((await server.get('/results').expect(200)).body as Result[])
      .filter(({ body }) => body.firingId === firing.id)
      .sort((a, b) => a.body.loadPieceId!.localeCompare(b.body.loadPieceId!, 'en', { numeric: true }));

  it('twelve alike and one cracked: each piece has its own result, with what its lot was glazed with', async () => {
    const all = Array.from({ length: 12 }, (_, at) => at + 1);
    await send(read(all, { stars: 4, foot: 'clean' }));
    await send(read([7], { stars: 1, faults: [{ fault: 'cracked', where: 'rim', degree: 3 }] }));
    const there = await results();
    expect(there).toHaveLength(12);
    expect(there.filter(({ body }) => body.stars === 4)).toHaveLength(11);
    expect(there[6]!.body).toMatchObject({ stars: 1, foot: 'clean', lotId: item.id, faults: [{ fault: 'cracked', where: 'rim', degree: 3 }] });
    expect(there[0]!.glazedWith).toMatchObject([{ seconds: 4, plannedSeconds: 2, sg: 1.47 }]);
  });

  it('sent twice, it is kept once; taken back, it is gone, and said again it is there', async () => {
    const event = read([1], { stars: 5 });
    await send(event);
    await send(event);
    expect(await results()).toHaveLength(1);
    const undone = { ...head(), type: 'undone', eventId: event.id };
    await send(undone);
    expect(await results()).toHaveLength(0);
    await send({ ...head(), type: 'undone', eventId: undone.id });
    expect((await results())[0]!.body.stars).toBe(5);
  });

  it('two people at one piece: the last word counts, what the other gave it is told beside it', async () => {
    await Promise.all([send(read([1], { stars: 4 }, 'Maia')), send(read([2], { stars: 3 }, 'Bruno'))]);
    await send(read([1], { stars: 2 }, 'Bruno'));
    const there = await results();
    expect(there.map(({ body }) => body.stars)).toEqual([2, 3]);
    expect(there[0]!.body.otherStars).toEqual([{ by: 'Maia', stars: 4 }]);
  });

  it('a lot that nobody knows is refused in words, and nothing of it is kept', async () => {
    const answer = await send({ ...read([1], { stars: 4 }), pieceIds: [`${uuid()}:1`] });
    expect(answer.refused[0]!.detail).toContain('in no load and on no day');
    expect(await results()).toHaveLength(0);
    expect(((await server.get(`/firings/${firing.id}`).expect(200)).body as Firing).events).toBeUndefined();
  });

  it('by its load: a piece is known by the lot it stood in', async () => {
    const kiln = {
      name: 'Abuela',
      chamber: { kind: 'round', diameterMm: 450, heightMm: 600 },
      shelves: [{ id: uuid(), name: 'Lowest', heightMm: 40 }],
      postsMm: [],
      shelfThickMm: 15,
      note: '',
    };
    const [kilnId, loadId, lotId] = [uuid(), uuid(), uuid()];
    await server.post('/kilns', { id: kilnId, body: kiln }).expect(201);
    await server.post('/loads', { id: loadId, kilnId }).expect(201);
    const lot = { ...lotFromItem(item, { id: lotId, dayId: uuid() })!, count: 3 };
    const events: LoadEvent[] = [
      { ...head(), type: 'lotAdded', lot },
      { ...head(), type: 'fired', firingId: firing.id },
    ];
    await server.post('/events', { events: events.map((event) => ({ stream: 'load', streamId: loadId, event })) }).expect(201);
    await send({ ...read([1], { stars: 3 }), pieceIds: [`${lotId}:2`] });
    expect((await results())[0]!.body).toMatchObject({ lotId: item.id, loadPieceId: `${lotId}:2`, stars: 3 });
  });

  it('photos: of several the first leads; one that is not here is refused; none is forgotten before its piece is read', async () => {
    const picture = await sharp({ create: { width: 40, height: 30, channels: 3, background: '#2B7257' } })
      .jpeg()
      .toBuffer();
    const photo = async (): Promise<string> => ((await upload(picture).expect(201)).body as { id: string }).id;
    const [first, second] = [await photo(), await photo()];
    const photographed = (photoId: string) => ({ ...head(), type: 'piecesPhotographed', pieceIds: [`${item.id}:1`], photoId });
    expect((await send(photographed(uuid()))).refused[0]!.detail).toContain('take it again');
    await send(photographed(first), photographed(second));
    expect(await results()).toHaveLength(0);
    await send(read([1], { stars: 4 }));
    expect((await results())[0]!.body).toMatchObject({ photoId: first, photoIds: [first, second] });
  });

  it('such a result is corrected and deleted where it was said: at the opening', async () => {
    await send(read([1], { stars: 4 }));
    const [result] = await results();
    const answer = await server.put(`/results/${result!.id}`, { version: result!.version, body: { ...result!.body, stars: 5 } }).expect(422);
    expect(answer.body.detail).toContain('correct it there');
    expect((await server.remove(`/records/result/${result!.id}`).expect(409)).body.detail).toContain('said at the opening');
  });

  it('the list of firings stays small: what was said of each piece comes with its own firing only', async () => {
    await send(read([1], { stars: 4 }), { ...head(), type: 'kilnRead', readAt: '2026-03-10T12:00:00.000Z', celsius: 640 });
    const inList = ((await server.get('/firings').expect(200)).body as Firing[]).find(({ id }) => id === firing.id)!;
    expect(inList.events!.map(({ type }) => type)).toEqual(['kilnRead']);
    expect(((await server.get(`/firings/${firing.id}`).expect(200)).body as Firing).events).toHaveLength(2);
  });
});
