import { TestBed } from '@angular/core/testing';
import type { Piece, PieceBody, Recipe, Result } from '@cazuela/contract';
import { bucket, firing, id, piece, RECIPE, result, summaryOf } from '../../../testing/made-up';
import { FakeRecords, settle } from '../../../testing/records';
import { WallTests, type WallOfTests } from './wall-tests';

const WHITE = { ...bucket(), recipeId: RECIPE.id };
const planned = (change: Partial<PieceBody['plan']> = {}, more: Partial<PieceBody> = {}): Piece => {
  const made = piece();
  const zones = { inside: [], outside: [{ id: id(), bucketId: WHITE.id, method: 'dip' as const, coatMm: 0.5 }], rim: [], foot: [] };
  return { ...made, body: { ...made.body, ...more, plan: { ...made.body.plan, zones, ...change } } };
};
const of = firing(60);

describe('what hangs on the wall', () => {
  const wallOf = async (lists: Record<string, unknown[]>): Promise<WallOfTests> => {
    const records = new FakeRecords();
    records.openStudio();
    let wall: WallOfTests | undefined;
    TestBed.inject(WallTests)
      .all()
      .subscribe((one) => (wall = one));
    await settle();
    const all: Record<string, unknown[]> = { '/buckets': [summaryOf(WHITE)], '/recipes': [RECIPE], ...lists };
    for (const request of records.http.match(({ method }) => method === 'GET'))
      request.flush(all[request.request.url.replace(/^.*studios\/[^/]+/, '')] ?? []);
    await settle();
    return wall!;
  };

  it('a piece that was fired three times hangs there three times, each with its own verdict', async () => {
    const cup = planned();
    const results: Result[] = [60, 300, 700].map((hours, at) => result(cup, firing(hours), { stars: at + 2, faults: [] }));
    const { tests } = await wallOf({ '/pieces': [cup], '/results': results });
    expect(tests.map(({ state, stars }) => [state, stars])).toEqual([
      ['fired', 2],
      ['fired', 3],
      ['fired', 4],
    ]);
  });

  it('a glaze that was deleted shows on no cell, and hides nothing else', async () => {
    const [cup, gone] = [
      planned(),
      planned({ zones: { inside: [], outside: [{ id: id(), bucketId: id(), method: 'dip', coatMm: 0.5 }], rim: [], foot: [] } }),
    ];
    const { tests, glazes } = await wallOf({
      '/pieces': [cup, gone],
      '/results': [result(cup, of, { stars: 4, faults: [] }), result(gone, of, { stars: 4, faults: [] })],
    });
    expect(tests).toHaveLength(1);
    expect(glazes.map(({ name }) => name)).toEqual([RECIPE.body.name]);
  });

  it('a piece glazed with an older version that differs hangs under that version', async () => {
    const versions = [1, 2].map((number) => ({
      recipeId: RECIPE.id,
      number,
      name: RECIPE.body.name,
      colour: '#aabbcc',
      lines: RECIPE.body.lines.map((line, at) => ({ ...line, percent: line.percent + (number === 1 && at === 0 ? 5 : 0) })),
    }));
    const recipe: Recipe = { ...RECIPE, version: 2 };
    const old = planned({ versions: [{ bucketId: WHITE.id, recipeVersionId: id(), number: 1 }] });
    const now = planned({ versions: [{ bucketId: WHITE.id, recipeVersionId: id(), number: 2 }] });
    const { tests, glazes } = await wallOf({ '/recipes': [recipe], '/recipe-versions': versions, '/pieces': [old, now] });
    expect(tests.map(({ upperId }) => upperId).sort()).toEqual([RECIPE.id, `${RECIPE.id}@1`].sort());
    expect(glazes.map(({ name }) => name)).toContain(`${RECIPE.body.name}, version 1`);
  });

  it('how thick a glaze is, by its window on that clay: as it was done, not as it was planned', async () => {
    const cup = planned();
    const window = { thinMm: 0.4, thickMm: 0.6, looks: { thin: '', right: '', thick: '' } };
    const windows = [
      {
        id: id(),
        version: 1,
        glazeId: RECIPE.id,
        bodyId: cup.body.bodyId,
        changes: [{ at: '2026-03-01T09:00:00.000Z', by: 'Inés', reason: '', window }],
      },
    ];
    const fired = (seconds: number): Result => ({
      ...result(cup, of, { faults: [] }),
      glazedWith: [
        {
          words: 'Dip',
          bucketId: WHITE.id,
          bucketName: 'White',
          bucketCode: 'B1',
          sg: null,
          coatMm: 0.5,
          seconds,
          plannedSeconds: 4,
          doneAt: '2026-03-08T10:00:00.000Z',
        },
      ],
    });
    const wall = await wallOf({ '/pieces': [cup], '/results': [fired(4), fired(16)], '/windows': windows });
    expect(wall.tests.map(({ coat }) => coat)).toEqual(['right', 'thick']);
    expect(wall.hasWindow.has(`${RECIPE.id} ${cup.body.bodyId}`)).toBe(true);
    expect((await wallOf({ '/pieces': [cup], '/results': [fired(4)] })).tests[0]!.coat).toBeUndefined();
  });

  it('a keeper is a plan to go by: it is no test', async () => {
    const keeper = { resultId: id(), glazedAt: '2026-03-01T09:00:00.000Z', coneReached: '6', glazes: [] };
    expect((await wallOf({ '/pieces': [planned({}, { keeper })] })).tests).toEqual([]);
  });

  it('without a glaze it is empty, and says so without an error', async () => {
    expect(await wallOf({ '/buckets': [], '/recipes': [] })).toMatchObject({ tests: [], glazes: [] });
  });
});
