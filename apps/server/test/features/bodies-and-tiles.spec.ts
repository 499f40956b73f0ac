import { v7 as uuid } from 'uuid';
import type { BisqueLot, Bucket, ClayBody, StepTile, TileBody } from '@cazuela/contract';
import { aBucket, NOW } from '../made-up';
import { serverUnderTest, type ServerUnderTest } from '../server-under-test';

describe('clay bodies and their bisque lots', () => {
  let server: ServerUnderTest;
  beforeAll(async () => {
    server = await serverUnderTest();
  });
  const card = { name: 'Barro Claro', colour: '#E4D8C2', bisqueCone: '05', earthenware: false };
  const aBody = async (): Promise<ClayBody> => (await server.post('/bodies', { id: uuid(), ...card }).expect(201)).body as ClayBody;
  const lot: BisqueLot = {
    id: uuid(),
    name: 'Soup fair',
    at: NOW,
    bisqueCone: '04',
    wallMm: 4,
    thirst: { dryGrams: 45.6, afterGrams: 49.6, soakedGrams: 51.1, seconds: 3, faceCm2: 40, faces: 2, divisionGrams: 0.01 },
  };

  it('a card takes its figures and its lots, and gives them back', async () => {
    const made = await aBody();
    expect(made).toEqual({ ...card, id: made.id, version: 1 });
    const body = { ...card, shrinkagePercent: 12.2, expansion: 6.1, lowCone: '5', highCone: '7', speckled: true, lots: [lot] };
    await server.put(`/bodies/${made.id}`, { version: 1, body }).expect(200);
    const all = (await server.get('/bodies').expect(200)).body as ClayBody[];
    expect(all.find((one) => one.id === made.id)).toEqual({ ...body, id: made.id, version: 2 });
  });

  it('two who change one card are shown each other', async () => {
    const made = await aBody();
    await server.put(`/bodies/${made.id}`, { version: 1, body: { ...card, name: 'Barro Fino' } }).expect(200);
    const stale = await server.put(`/bodies/${made.id}`, { version: 1, body: { ...card, shrinkagePercent: 11 } }).expect(409);
    expect(stale.body).toMatchObject({ code: 'stale', current: { name: 'Barro Fino', version: 2 } });
  });

  it.each([
    ['a shrinkage of half', { shrinkagePercent: 50 }, 'No clay shrinks by more than 30 %.'],
    ['an expansion in the wrong unit', { expansion: 61 }, 'An expansion is told in millionths per °C'],
    ['a cone there is not', { lowCone: '66' }, 'There is no such cone.'],
    ['a lot whose tile weighs nothing', { lots: [{ ...lot, thirst: { ...lot.thirst!, dryGrams: 0 } }] }, 'The dry tile weighs more than 0 g.'],
    ['two minutes in water', { lots: [{ ...lot, thirst: { ...lot.thirst!, seconds: 500 } }] }, 'Over two minutes the wall is full.'],
    ['more lots than a card holds', { lots: Array.from({ length: 61 }, () => lot) }, 'A body keeps at most 60 bisque lots'],
  ])('%s is refused in a sentence', async (_name, wrong, words) => {
    const made = await aBody();
    const answer = await server.put(`/bodies/${made.id}`, { version: 1, body: { ...card, ...wrong } }).expect(422);
    expect(JSON.stringify(answer.body)).toContain(words);
  });

  it('what is not there is not there', async () => {
    await server.put(`/bodies/${uuid()}`, { version: 1, body: card }).expect(404);
  });
});

describe('step tiles', () => {
  let server: ServerUnderTest;
  let bucket: Bucket;
  const bodyId = uuid();
  beforeAll(async () => {
    server = await serverUnderTest();
    bucket = await aBucket(server);
    await server.post('/bodies', { id: bodyId, name: 'Barro Claro', colour: '#E4D8C2', bisqueCone: '05', earthenware: false }).expect(201);
  });
  const tile = (change: Partial<TileBody> = {}): { id: string; body: TileBody } => ({
    id: uuid(),
    body: {
      bucketId: bucket.id,
      glazeId: bucket.recipeId!,
      glazeName: bucket.body.name,
      bodyId,
      by: 'Inés',
      method: 'inOneGo',
      highMm: 95,
      sg: 1.45,
      strips: [0.3, 0.5].map((wantedMm, index) => ({ id: uuid(), wantedMm, seconds: 1 + index, depthMm: 80 - 40 * index })),
      notes: '',
      ...change,
    },
  });
  const all = async (): Promise<StepTile[]> => (await server.get('/tiles').expect(200)).body as StepTile[];

  it('get the next free code, also when two tablets make one at once, and once when told twice', async () => {
    const made = [tile(), tile(), tile()];
    await Promise.all([...made, made[0]!].map((one) => server.post('/tiles', one).expect(201)));
    expect((await all()).map((one) => one.code).sort()).toEqual(['T1', 'T2', 'T3']);
  });

  it('are read later: seconds, coats, looks; two readers are shown each other', async () => {
    const made = tile();
    await server.post('/tiles', made).expect(201);
    const strips = made.body.strips.map((strip) => ({ ...strip, measuredMm: 0.4, verdict: 'right' as const, words: 'sea-green' }));
    const read = { ...made.body, cone: '6', firedAt: NOW, strips };
    expect((await server.put(`/tiles/${made.id}`, { version: 1, body: read }).expect(200)).body).toMatchObject({ version: 2, body: read });
    await server.put(`/tiles/${made.id}`, { version: 1, body: made.body }).expect(409);
  });

  it.each([
    ['of no strips', { strips: [] }],
    ['in a bucket of nobody', { bucketId: uuid() }],
    ['of a clay of nobody', { bodyId: uuid() }],
    ['with an SG below water’s', { sg: 0.9 }],
  ])('%s are refused, and take no code', async (_name, wrong) => {
    const before = (await all()).length;
    await server.post('/tiles', tile(wrong)).expect(422);
    expect(await all()).toHaveLength(before);
  });
});
