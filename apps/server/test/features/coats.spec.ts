import { v7 as uuid } from 'uuid';
import type { Bucket, CoatDip, CoatDipBody, CoatWindowDocument } from '@cazuela/contract';
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

  describe('the window of a glaze on a body', () => {
    const glazeId = uuid();
    const change = (thinMm: number, at: string, by = 'Inés') => ({
      at,
      by,
      reason: 'from the tile',
      window: { thinMm, thickMm: 0.7, looks: { thin: 'grey', right: 'sea-green', thick: 'runs' } },
    });
    const put = (version: number, what: ReturnType<typeof change>) => server.put(`/windows/${uuid()}`, { version, glazeId, bodyId, change: what });

    it('is set once, changed with a reason, and keeps every change', async () => {
      await put(0, change(0.4, '2026-03-01T10:00:00.000Z')).expect(200);
      await put(1, change(0.45, '2026-03-02T10:00:00.000Z')).expect(200);
      const [window] = ((await server.get('/windows').expect(200)).body as CoatWindowDocument[]).filter((one) => one.glazeId === glazeId);
      expect(window).toMatchObject({ version: 2 });
      expect(window!.changes.map((one) => one.window.thinMm)).toEqual([0.4, 0.45]);
    });

    it('changed by somebody meanwhile, both are shown; sent twice, it counts once', async () => {
      const twice = change(0.5, '2026-03-03T10:00:00.000Z', 'Maia');
      await put(2, twice).expect(200);
      await put(2, twice).expect(200);
      const stale = await put(2, change(0.3, '2026-03-04T10:00:00.000Z', 'Bruno')).expect(409);
      expect((stale.body as { current: CoatWindowDocument }).current.version).toBe(3);
    });

    it('under the number of another glaze’s window it is a conflict: that one stays as it is', async () => {
      const [window] = ((await server.get('/windows').expect(200)).body as CoatWindowDocument[]).filter((one) => one.glazeId === glazeId);
      const other = { version: 0, glazeId: uuid(), bodyId, change: change(0.4, '2026-03-05T10:00:00.000Z') };
      await server.put(`/windows/${window!.id.toUpperCase()}`, other).expect(409);
      expect((await server.get('/windows').expect(200)).body).toContainEqual(window);
    });

    it('changed as often as one can be kept, it says so instead of becoming unreadable', async () => {
      const often = { glazeId: uuid(), bodyId };
      const id = uuid();
      const minute = (at: number): string => new Date(Date.UTC(2026, 2, 6, 0, at)).toISOString();
      const row = {
        id,
        studioId: server.studio.id,
        version: 200,
        ...often,
        changes: Array.from({ length: 200 }, (_, at) => change(0.4, minute(at))),
      };
      await server.context.models.coatWindows.create(row);
      const answer = await server.put(`/windows/${id}`, { version: 200, ...often, change: change(0.5, minute(500)) }).expect(422);
      expect((answer.body as { detail: string }).detail).toContain('200 times');
    });

    it('upside down, or on a body of nobody, it is refused', async () => {
      await put(3, change(0.9, '2026-03-05T10:00:00.000Z')).expect(422);
      const other = { version: 0, glazeId: uuid(), bodyId: uuid(), change: change(0.4, '2026-03-05T10:00:00.000Z') };
      await server.put(`/windows/${uuid()}`, other).expect(422);
    });
  });
});
