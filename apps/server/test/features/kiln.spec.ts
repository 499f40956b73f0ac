import sharp from 'sharp';
import { v7 as uuid } from 'uuid';
import { firingFromPeak } from '@cazuela/core';
import { LIMITS, type Day, type Firing, type Kiln, type PhotoColours, type Result } from '@cazuela/contract';
import { aBucket, head, NOW } from '../made-up';
import { serverUnderTest, type ServerUnderTest } from '../server-under-test';

describe('kiln and results, kept in MariaDB', () => {
  let server: ServerUnderTest;
  let pieceId: string;
  let firing: Firing;
  let bucketId: string;
  beforeAll(async () => {
    server = await serverUnderTest();
    const bodyId = uuid();
    await server.post('/bodies', { id: bodyId, name: 'Barro Tostado', colour: '#8A5A3C', bisqueCone: '05', earthenware: false }).expect(201);
    bucketId = (await aBucket(server)).id;
    pieceId = uuid();
    const zones = { inside: [], outside: [{ id: uuid(), bucketId, method: 'dip', coatMm: 0.5 }], rim: [], foot: [] };
    await server
      .post('/pieces', {
        id: pieceId,
        body: { name: 'Oil bottle', bodyId, count: 6, plan: { shapeId: 'bottle', zones, waxFootMm: 8, rimBandMm: 20, order: [], putAside: [] } },
      })
      .expect(201);
    firing = (await server.post('/firings', { id: uuid(), body: firingBody() }).expect(201)).body as Firing;
  });

  const firingBody = () => ({
    kiln: 'Abuela',
    startedAt: NOW,
    wantedCone: '6',
    witnessCone: null,
    points: firingFromPeak({ peakCelsius: 1206, hoursUp: 9.5, holdMinutes: 10 }),
  });
  const resultBody = (change: object = {}) => ({
    pieceId,
    firingId: firing.id,
    coneReached: '6',
    stars: 4,
    faults: [{ fault: 'ran', where: 'foot' }],
    note: 'to the shelf',
    photoId: null,
    ...change,
  });
  const upload = (bytes: Buffer, name: string) => server.any.post(`/api/studios/${server.studio.id}/photos`).attach('photo', bytes, name);
  const picture = (width: number, height: number) => sharp({ create: { width, height, channels: 3, background: '#9A5A22' } });

  it('without a lot a result tells the plan as a plan: nobody knows what was done, and no SG is guessed', async () => {
    const result = (await server.post('/results', { id: uuid(), body: resultBody() }).expect(201)).body as Result;
    expect(result).toMatchObject({ pieceName: 'Oil bottle', kiln: 'Abuela' });
    expect(result.glazedWith[0]).toMatchObject({ bucketId, bucketName: 'Leche de Higo', coatMm: 0.5 });
    expect(result.glazedWith[0]).toMatchObject({ sg: null, doneAt: null, words: expect.stringContaining('what was done is not known') });
  });

  it('from the day it was glazed it knows the seconds really taken, the SG of that day, what was seen and how its bucket stood', async () => {
    const itemId = uuid();
    const stepId = uuid();
    const step = {
      id: stepId,
      itemId,
      kind: 'layer',
      words: 'Dip the outside in Leche de Higo',
      bucketId,
      bucketName: 'Leche de Higo',
      seconds: 2.4,
      coatMm: 0.5,
      laborSeconds: 25,
      waitMinutes: 8,
    };
    const day = (
      await server
        .post('/days', { id: uuid(), date: '2026-03-09', items: [{ id: itemId, pieceId, name: 'Oil bottle', count: 6, steps: [step] }] })
        .expect(201)
    ).body as Day;
    const spoilt = { stream: 'bucket', streamId: bucketId, event: { ...head(), type: 'contaminated', text: 'red clay' } };
    const done = { ...head(), type: 'stepDone', stepId, seconds: 4, sg: 1.47, seen: ['hairlines'] };
    await server.post('/events', { events: [spoilt, { stream: 'day', streamId: day.id, event: done }] }).expect(201);
    const result = (await server.post('/results', { id: uuid(), body: resultBody({ lotId: itemId }) }).expect(201)).body as Result;
    expect(result.glazedWith).toEqual([
      {
        words: 'Dip the outside in Leche de Higo',
        bucketId,
        bucketName: 'Leche de Higo',
        bucketCode: 'B1',
        sg: 1.47,
        coatMm: 0.5,
        seconds: 4,
        plannedSeconds: 2.4,
        doneAt: NOW,
        record: { kind: 'layer', isSkipped: false, seen: ['hairlines'], isWallFull: false, bucket: { recipeVersion: 1, isContaminated: true } },
      },
    ]);
  });

  it.each([
    ['a piece nobody has', { pieceId: uuid() }, 'Choose a piece'],
    ['a firing nobody lit', { firingId: uuid() }, 'Choose a firing'],
    ['a photo that is not there', { photoId: uuid() }, 'take it again'],
    ['six stars', { stars: 6 }, ''],
    ['a fault nobody knows', { faults: [{ fault: 'haunted', where: 'foot' }] }, ''],
    ['a cone nobody has', { coneReached: '42' }, 'no such cone'],
  ])('%s is refused', async (_name, change, words) => {
    const answer = await server.post('/results', { id: uuid(), body: resultBody(change) }).expect(422);
    expect(answer.body.detail).toContain(words);
  });

  it('a curve that goes back in time is refused in words', async () => {
    const points = [
      { hours: 0, celsius: 20 },
      { hours: 8, celsius: 1100 },
      { hours: 7, celsius: 1200 },
    ];
    const answer = await server.post('/firings', { id: uuid(), body: { ...firingBody(), points } }).expect(422);
    expect(answer.body.detail).toContain('back in time');
  });

  it('the witness cone is kept with a version', async () => {
    const body = { ...firing.body, witnessCone: '6' };
    await server.put(`/firings/${firing.id}`, { version: 1, body }).expect(200);
    await server.put(`/firings/${firing.id}`, { version: 1, body: { ...body, witnessCone: '7' } }).expect(409);
  });

  describe('photos', () => {
    it('are made smaller and ours before they are kept: no place, no camera', async () => {
      const bytes = await picture(3000, 2000)
        .withExif({ IFD0: { Copyright: 'somebody' } })
        .jpeg()
        .toBuffer();
      const { id, width, height } = (await upload(bytes, 'pot.jpg').expect(201)).body as { id: string; width: number; height: number };
      expect([width, height]).toEqual([1600, 1067]);
      const back = await server
        .get(`/photos/${id}`)
        .expect(200)
        .expect('Content-Type', /image\/jpeg/);
      const meta = await sharp(back.body as Buffer).metadata();
      expect(meta.exif).toBeUndefined();
      expect(meta.format).toBe('jpeg');
    });

    it('have a small one for cards; a photo that came without it gets it when it is asked for', async () => {
      const { id } = (await upload(await picture(3000, 2000).jpeg().toBuffer(), 'pot.jpg').expect(201)).body as { id: string };
      const { models } = server.context;
      const small = async (): Promise<Buffer> => (await server.get(`/photos/${id}/thumbnail`).expect(200)).body as Buffer;
      const first = await small();
      const { width, height } = await sharp(first).metadata();
      expect([width, height]).toEqual([300, 200]);
      await models.photos.update({ thumbnail: null }, { where: { id } });
      expect((await small()).equals(first)).toBe(true);
      expect((await models.photos.findByPk(id))!.get().thumbnail!.equals(first)).toBe(true);
      await server.get(`/photos/${uuid()}/thumbnail`).expect(404);
    });

    it('are upright, as they were taken, and what unpacks to more than 60 megapixels is refused', async () => {
      const turned = await picture(300, 200).withMetadata({ orientation: 6 }).jpeg().toBuffer();
      const kept = (await upload(turned, 'pot.jpg').expect(201)).body as { width: number; height: number };
      expect([kept.width, kept.height]).toEqual([200, 300]);
      const huge = await picture(8_000, 8_000).png().toBuffer();
      expect((await upload(huge, 'pot.png').expect(415)).body.detail).toContain('not a photo we can read');
    });

    it('a text named .png is no photo, whatever its name says', async () => {
      const answer = await upload(Buffer.from('just words'), 'pot.png').expect(415);
      expect(answer.body.detail).toContain('not a photo we can read');
    });

    it('ten megabytes are too much, said in megabytes', async () => {
      const answer = await upload(Buffer.alloc(10 * 1024 * 1024), 'pot.jpg').expect(413);
      expect(answer.body.detail).toContain(`${LIMITS.photoBytes / 1024 / 1024} MB`);
    });

    it('no photo at all asks for one', async () => {
      await server.any.post(`/api/studios/${server.studio.id}/photos`).expect(422);
    });

    it('tell their main colours; a grey patch makes them comparable, and can be taken back', async () => {
      const sent = async (background: string): Promise<string> => {
        const bytes = await sharp({ create: { width: 300, height: 200, channels: 3, background } })
          .png()
          .toBuffer();
        return ((await upload(bytes, 'pot.png').expect(201)).body as { id: string }).id;
      };
      const coloursOf = async (photoId: string): Promise<PhotoColours> =>
        ((await server.get('/photo-colours').expect(200)).body as PhotoColours[]).find(({ id }) => id === photoId)!;
      const warm = await sent('#B49A82');
      const before = await coloursOf(warm);
      expect(before.colours).toHaveLength(1);
      expect(before.colours[0]).toMatchObject({ share: 1, oklab: [expect.closeTo(0.7, 1), expect.closeTo(0.01, 1), expect.closeTo(0.045, 2)] });
      expect(before.gains).toBeNull();
      const after = (await server.put(`/photos/${warm}/grey`, { at: { across: 0.5, down: 0.5 } }).expect(200)).body as PhotoColours;
      expect(after.colours[0]!.oklab[1]).toBeCloseTo(0, 3);
      expect(after.colours[0]!.oklab[2]).toBeCloseTo(0, 3);
      expect(await coloursOf(warm)).toEqual(after);
      expect((await server.put(`/photos/${warm}/grey`, { at: null }).expect(200)).body).toEqual(before);
      const red = await sent('#C02010');
      expect((await server.put(`/photos/${red}/grey`, { at: { across: 1, down: 1 } }).expect(422)).body.detail).toContain('no grey');
      await server.put(`/photos/${red}/grey`, { at: { across: 7, down: 0 } }).expect(422);
      await server.put(`/photos/${uuid()}/grey`, { at: null }).expect(404);
    });

    it('from before colours were counted are counted when they are asked for', async () => {
      const { id } = (await upload(await picture(40, 40).png().toBuffer(), 'a.png').expect(201)).body as { id: string };
      await server.context.models.photos.update({ colours: null }, { where: { id } });
      const all = (await server.get('/photo-colours').expect(200)).body as PhotoColours[];
      expect(all.find((one) => one.id === id)?.colours).toHaveLength(1);
    });

    it('are not shown to another studio', async () => {
      const { id } = (await upload(await picture(20, 20).png().toBuffer(), 'a.png').expect(201)).body as { id: string };
      const other = await server.otherStudio();
      await other.get(`/photos/${id}`).expect(404);
    });
  });

  describe('kilns with their shelves', () => {
    const shelfId = uuid();
    const kilnBody = (change: object = {}) => ({
      name: 'Grillo',
      chamber: { kind: 'round', diameterMm: 360, heightMm: 420 },
      shelves: [{ id: shelfId, name: 'Upper', heightMm: 220 }],
      postsMm: [150, 150, 150],
      note: '',
      ...change,
    });

    it('a card is kept once, changed by its version, and told as it is now when it is stale', async () => {
      const id = uuid();
      const made = (await server.post('/kilns', { id, body: kilnBody() }).expect(201)).body as Kiln;
      expect((await server.post('/kilns', { id, body: kilnBody() }).expect(201)).body).toEqual(made);
      await server.put(`/kilns/${id}`, { version: 1, body: kilnBody({ powerWatts: 4_500 }) }).expect(200);
      const stale = await server.put(`/kilns/${id}`, { version: 1, body: kilnBody({ note: 'mine' }) }).expect(409);
      expect(stale.body).toMatchObject({ code: 'stale', current: { version: 2, body: { powerWatts: 4_500 } } });
      expect((await server.get('/kilns').expect(200)).body).toContainEqual(expect.objectContaining({ id, version: 2 }));
    });

    it.each([
      ['a shelf over the lid', { shelves: [{ id: uuid(), name: 'Top', heightMm: 600 }] }, 'A shelf stands below the lid'],
      ['no chamber', { chamber: { kind: 'round', diameterMm: 0, heightMm: 420 } }, 'More than 0 mm'],
      ['a post of nothing', { postsMm: [0] }, ''],
    ])('%s is refused', async (_what, change, words) => {
      const refused = await server.post('/kilns', { id: uuid(), body: kilnBody(change) }).expect(422);
      expect(JSON.stringify(refused.body)).toContain(words);
    });

    it('cones of its shelves are kept with a firing, one a shelf, and keep the kiln from being deleted', async () => {
      const id = uuid();
      await server.post('/kilns', { id, body: kilnBody({ name: 'Abuela' }) }).expect(201);
      const witness = { shelfId, lower: '5', upper: '6', fraction: 0.75 };
      const body = { ...firingBody(), kilnId: id, witnesses: [witness] };
      const kept = (await server.post('/firings', { id: uuid(), body }).expect(201)).body as Firing;
      expect(kept.body.witnesses).toEqual([witness]);
      await server.post('/firings', { id: uuid(), body: { ...body, witnesses: [witness, witness] } }).expect(422);
      const uses = await server.get(`/records/kiln/${id}/uses`).expect(200);
      expect(uses.body).toMatchObject({ name: 'Abuela', uses: ['1 firing'] });
    });
  });
});
