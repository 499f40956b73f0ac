import { v7 as uuid } from 'uuid';
import type { Bucket, CoatDip, CoatDipBody } from '@cazuela/contract';
import { aBucket, NOW } from '../made-up';
import { serverUnderTest, type ServerUnderTest } from '../server-under-test';

describe('dips whose coat was measured', () => {
  let server: ServerUnderTest;
  let bucket: Bucket;
  const bodyId = uuid();
  beforeAll(async () => {
    server = await serverUnderTest();
    bucket = await aBucket(server);
    await server.post('/bodies', { id: bodyId, name: 'Barro Claro', colour: '#E4D8C2', bisqueCone: '05', earthenware: false }).expect(201);
  });
  const dip = (seconds: number, change: Partial<CoatDipBody> = {}): { id: string; body: CoatDipBody } => ({
    id: uuid(),
    body: {
      bucketId: bucket.id,
      glazeId: bucket.recipeId!,
      bodyId,
      at: NOW,
      by: 'Inés',
      seconds,
      sg: 1.45,
      density: 2.6,
      state: 'normal',
      bisqueCone: '05',
      earthenware: false,
      wallMm: 5,
      faces: 1,
      reading: { kind: 'wetWeight', gainGrams: 12.4, areaCm2: 100, divisionGrams: 0.1 },
      ...change,
    },
  });
  const all = async (): Promise<CoatDip[]> => (await server.get('/coats').expect(200)).body as CoatDip[];

  it('a step tile is kept in one go, and told twice it counts once', async () => {
    const dips = [dip(1), dip(2), dip(4, { reading: { kind: 'thickness', coatMm: 0.6 } })];
    await server.post('/coats', { dips }).expect(201);
    await Promise.all([server.post('/coats', { dips }).expect(201), server.post('/coats', { dips }).expect(201)]);
    expect((await all()).map((one) => one.id)).toEqual(dips.map((one) => one.id));
  });

  it('of a tile with one dip that cannot be, nothing is kept', async () => {
    const before = (await all()).length;
    await server.post('/coats', { dips: [dip(2), dip(3, { bucketId: uuid() })] }).expect(422);
    await server.post('/coats', { dips: [dip(2), dip(3, { bodyId: uuid() })] }).expect(422);
    expect(await all()).toHaveLength(before);
  });

  it('one that does not count stays with its reason; two who judge it are shown each other', async () => {
    const made = dip(2);
    await server.post('/coats', { dips: [made] }).expect(201);
    const leftOut = { ...made.body, leftOut: 'the foot was wet' };
    const after = (await server.put(`/coats/${made.id}`, { version: 1, body: leftOut }).expect(200)).body as CoatDip;
    expect(after).toMatchObject({ version: 2, body: { leftOut: 'the foot was wet' } });
    await server.put(`/coats/${made.id}`, { version: 1, body: made.body }).expect(409);
  });

  it.each([
    ['ten minutes and more in the glaze', { seconds: 900 }],
    ['a wall of nothing', { wallMm: 0 }],
    ['a pot that lost weight', { reading: { kind: 'wetWeight', gainGrams: -2, areaCm2: 100, divisionGrams: 0.1 } }],
    ['an SG of water', { sg: 1 }],
    ['an empty reason', { leftOut: '' }],
  ])('refuses %s', async (_what, change) => {
    await server.post('/coats', { dips: [dip(2, change as Partial<CoatDipBody>)] }).expect(422);
  });
});
