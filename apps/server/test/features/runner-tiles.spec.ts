import { v7 as uuid } from 'uuid';
import type { Bucket, Piece, RunnerTile, RunnerTileBody } from '@cazuela/contract';
import { aBucket } from '../made-up';
import { serverUnderTest, type ServerUnderTest } from '../server-under-test';

describe('runner tiles', () => {
  let server: ServerUnderTest;
  let bucket: Bucket;
  beforeAll(async () => {
    server = await serverUnderTest();
    bucket = await aBucket(server);
  });
  const body = (change: Partial<RunnerTileBody> = {}): RunnerTileBody => ({
    layers: [{ bucketId: bucket.id, glazeId: bucket.id, glazeName: 'Ceniza Clara', coatMm: 0.5, meltsTo: 0.48 }],
    bandMm: 30,
    by: 'Maia',
    notes: '',
    ...change,
  });
  const aTile = async (): Promise<RunnerTile> => (await server.post('/runner-tiles', { id: uuid(), body: body() }).expect(201)).body as RunnerTile;

  it('each gets the next code, two tablets at once as well, and one told twice is there once', async () => {
    const made = await Promise.all([aTile(), aTile(), aTile()]);
    expect(new Set(made.map((tile) => tile.code)).size).toBe(3);
    made.forEach((tile) => expect(tile.code).toMatch(/^R\d+$/));
    const again = (await server.post('/runner-tiles', { id: made[0].id, body: body() }).expect(201)).body as RunnerTile;
    expect(again.code).toBe(made[0].code);
  });

  it('is measured later, and found with all it says', async () => {
    const tile = await aTile();
    const measured = body({ runMm: 9.5, cone: '6', holdMinutes: 15, cooling: 'slow', place: 'hot' });
    await server.put(`/runner-tiles/${tile.id}`, { version: 1, body: measured }).expect(200);
    const all = (await server.get('/runner-tiles').expect(200)).body as RunnerTile[];
    expect(all.find((one) => one.id === tile.id)).toMatchObject({ version: 2, body: measured });
  });

  it('two who measure one tile are shown each other', async () => {
    const tile = await aTile();
    await server.put(`/runner-tiles/${tile.id}`, { version: 1, body: body({ runMm: 9 }) }).expect(200);
    const stale = await server.put(`/runner-tiles/${tile.id}`, { version: 1, body: body({ runMm: 4 }) }).expect(409);
    expect(stale.body).toMatchObject({ code: 'stale', current: { version: 2, body: { runMm: 9 } } });
  });

  it.each<[string, () => Partial<RunnerTileBody>, string]>([
    ['a run that left the tile', () => ({ runMm: 4000 }), 'A run over 400 mm left the tile'],
    ['a run upwards', () => ({ runMm: -3 }), 'A run is 0 mm or more.'],
    ['a band of nothing', () => ({ bandMm: 0 }), 'more than 0 mm high'],
    ['no glaze', () => ({ layers: [] }), 'A runner tile needs a glaze.'],
    ['three glazes', () => ({ layers: [...body().layers, ...body().layers, ...body().layers] }), 'two over one another'],
    ['a cone there is not', () => ({ cone: '66' }), '06 and 6 are different cones'],
    ['a bucket of nobody', () => ({ layers: [{ ...body().layers[0]!, bucketId: uuid() }] }), 'Choose buckets of this studio'],
  ])('%s is refused in a sentence', async (_name, change, words) => {
    const answer = await server.post('/runner-tiles', { id: uuid(), body: body(change()) }).expect(422);
    expect(JSON.stringify(answer.body)).toContain(words);
  });

  it('is found by the code on its back', async () => {
    const tile = await aTile();
    const hits = (await server.get(`/search?q=${tile.code.toLowerCase()}`).expect(200)).body as unknown[];
    expect(hits).toContainEqual({ kind: 'runner', id: tile.id, name: 'Ceniza Clara', code: tile.code });
  });

  it('what is not there is not there', async () => {
    await server.put(`/runner-tiles/${uuid()}`, { version: 1, body: body() }).expect(404);
  });
});

describe('a plan on paper and in the records', () => {
  let server: ServerUnderTest;
  let piece: Piece;
  const plan = { shapeId: 'cup', zones: { inside: [], outside: [], rim: [], foot: [] }, waxFootMm: 10, rimBandMm: 20, order: [], putAside: [] };
  const pieceBody = (bodyId: string, change: object = {}) => ({ name: 'Taza', bodyId, count: 6, plan: { ...plan, ...change } });
  let bodyId: string;
  beforeAll(async () => {
    server = await serverUnderTest();
    bodyId = uuid();
    await server.post('/bodies', { id: bodyId, name: 'Barro Claro', colour: '#E4D8C2', bisqueCone: '05', earthenware: false }).expect(201);
    piece = (await server.post('/pieces', { id: uuid(), body: pieceBody(bodyId) }).expect(201)).body as Piece;
  });
  const sheet = {
    title: 'Taza',
    lines: ['6 of Barro Claro, for cone 6'],
    drawing: {
      left: -100,
      top: 0,
      wide: 200,
      high: 120,
      paths: [{ d: 'M0 0L50 80Z', fill: '#e4d8c2', stroke: '#30231b', width: 2 }],
      note: 'The bar is 50 mm.',
    },
    steps: Array.from({ length: 30 }, (_, at) => ({ words: `Dip ${at + 1}`, wait: 'wait about 5 min', caution: 'Wipe wet.' })),
    warnings: ['The glaze may reach the shelf.'],
  };

  it('its steps and its section become a PDF over as many pages as they need', async () => {
    const answer = await server.post(`/pieces/${piece.id}/steps.pdf`, sheet).expect('Content-Type', /application\/pdf/);
    const bytes = answer.body as Buffer;
    expect(bytes.subarray(0, 5).toString()).toBe('%PDF-');
    expect(bytes.toString('latin1').match(/\/Type \/Page\b/g)!.length).toBeGreaterThan(1);
    expect(answer.headers['content-disposition']).toBe('inline; filename="steps-Taza.pdf"');
  });

  it('only paths reach the page, and only for a piece of this studio', async () => {
    const wrong = { ...sheet, drawing: { ...sheet.drawing, paths: [{ d: '<script>' }] } };
    expect(JSON.stringify((await server.post(`/pieces/${piece.id}/steps.pdf`, wrong).expect(422)).body)).toContain(
      'only lines, curves and plain numbers',
    );
    await server.post(`/pieces/${uuid()}/steps.pdf`, sheet).expect(404);
  });

  it('a drawn form, strips, masks and small pots come back as they were sent', async () => {
    const decoratingColourId = uuid();
    const drawn = {
      form: {
        points: [
          { radiusMm: 30, heightMm: 0 },
          { radiusMm: 44, heightMm: 90, corner: true },
        ],
        wallMm: 4,
        floorMm: 6,
        foot: 'ring',
        holeMm: 8,
      },
      strips: [
        {
          id: uuid(),
          fromMm: 30,
          toMm: 50,
          turn: { from: 0.9, to: 0.15 },
          edge: { kind: 'waving', riseMm: 6, waves: 4 },
          layers: [{ id: uuid(), bucketId: decoratingColourId, method: 'brush', coatMm: 0.1, coatingKind: 'slip' }],
          first: true,
        },
      ],
      masks: [{ id: uuid(), kind: 'tape', where: 'hole', fromMm: 0, toMm: 0 }],
      decoratingColours: [{ id: decoratingColourId, name: 'Nieve', colour: '#FFFFFF', coatingKind: 'slip', shrinkagePercent: 12 }],
      textures: { outside: { kind: 'grooves', depthMm: 0.5 } },
      setting: 'plate',
      cone: '6',
      pins: [{ before: 'wax', after: 'wipeFoot' }],
    };
    const body = pieceBody(bodyId, drawn);
    const answer = await server.put(`/pieces/${piece.id}`, { version: 1, body }).expect(200);
    expect((answer.body as Piece).body).toEqual(body);
    expect(((await server.get(`/pieces/${piece.id}`).expect(200)).body as Piece).body).toEqual(body);
  });

  it.each([
    [
      'a foot above its rim',
      {
        form: {
          points: [
            { radiusMm: 30, heightMm: 90 },
            { radiusMm: 30, heightMm: 10 },
          ],
          wallMm: 4,
          floorMm: 6,
        },
      },
      'The foot is above the rim',
    ],
    [
      'a wall thicker than its radius',
      {
        form: {
          points: [
            { radiusMm: 20, heightMm: 0 },
            { radiusMm: 20, heightMm: 80 },
          ],
          wallMm: 22,
          floorMm: 6,
        },
      },
      'nothing is left inside',
    ],
    ['a strip of no height', { strips: [{ id: uuid(), fromMm: 40, toMm: 40, layers: [] }] }, 'has no height'],
    ['a glaze of the wrong kind', { decoratingColours: [{ id: uuid(), name: 'x', colour: '#FFFFFF', coatingKind: 'lava' }] }, 'Invalid option'],
  ])('%s never gets into the records', async (_name, change, words) => {
    const answer = await server.post('/pieces', { id: uuid(), body: pieceBody(bodyId, change) }).expect(422);
    expect(JSON.stringify(answer.body)).toContain(words);
  });
});
