import { v7 as uuid } from 'uuid';
import type { BucketSummary, ExampleChanged, Piece, PutAway, Recipe } from '@cazuela/contract';
import { NOW } from '../made-up';
import { serverUnderTest, type ServerUnderTest } from '../server-under-test';

describe('an example in the studio', () => {
  let server: ServerUnderTest;
  beforeEach(async () => {
    server = await serverUnderTest();
  });
  const change = async (there: boolean): Promise<ExampleChanged> =>
    (await server.put('/example', { there, at: NOW, by: 'Maia' }).expect(200)).body as ExampleChanged;
  const list = async <T>(path: string): Promise<T[]> => (await server.get(path).expect(200)).body as T[];

  it('is a whole of clay, recipe, measured bucket and piece, and goes without a trace', async () => {
    expect((await server.get('/example').expect(200)).body).toEqual({ there: false });
    await change(true);
    const [bucket] = await list<BucketSummary>('/buckets');
    expect(bucket!.contents!.sg).toBeCloseTo(1.455, 3);
    expect(bucket!.contents!.volumeMl).toBeCloseTo(8000, 0);
    const [piece] = await list<Piece>('/pieces');
    expect(piece!.body.plan.zones.outside[0]!.bucketId).toBe(bucket!.id);
    expect((await list<Recipe>('/recipes')).map((one) => one.body.name)).toEqual(['Example white']);

    expect(await change(false)).toEqual({ there: false, putAway: [] });
    for (const path of ['/buckets', '/pieces', '/recipes', '/bodies', '/away']) expect(await list(path)).toEqual([]);
  });

  it('tapped twice, by two at once, it is there once', async () => {
    await Promise.all([change(true), change(true)]);
    expect(await list('/buckets')).toHaveLength(1);
    await change(false);
    expect(await change(false)).toEqual({ there: false, putAway: [] });
  });

  it('what the studio’s own work needs stays whole, put away, and is named', async () => {
    await change(true);
    const [piece] = await list<Piece>('/pieces');
    await server.post('/pieces', { id: uuid(), body: { ...piece!.body, name: 'Our own cup' } }).expect(201);
    const { putAway } = await change(false);
    expect(putAway).toEqual(['Example white', 'Example white', 'Example clay']);
    expect((await list<PutAway>('/away')).map((one) => one.kind).sort()).toEqual(['body', 'recipe']);
    // The bucket has glaze in it: it stands on the shelf.
    expect(await list('/buckets')).toHaveLength(1);
    expect((await list<Piece>('/pieces')).map((one) => one.body.name)).toEqual(['Our own cup']);
    expect((await server.get('/example').expect(200)).body).toEqual({ there: false });
  });
});
