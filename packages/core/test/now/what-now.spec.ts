import { firingFromPeak, whatNow, type BucketContents, type StudioNow } from '../../src/index';

const NOW = '2026-03-10T10:00:00.000Z';
const ago = (hours: number): string => new Date(Date.parse(NOW) - hours * 3_600_000).toISOString();
const EMPTY: StudioNow = { nowAt: NOW, batches: [], buckets: [], firings: [], readFiringIds: new Set() };
const CURVE = firingFromPeak({ peakCelsius: 1206, hoursUp: 9.5, holdMinutes: 10 });
const contents = (sg: number, sgSd?: number): BucketContents => ({
  parts: [],
  dryGrams: 6000,
  baseDryGrams: 6000,
  stainGrams: 0,
  stainPercent: 0,
  waterGrams: 6500,
  density: 2.6,
  volumeMl: 10_000,
  sg,
  ...(sgSd === undefined ? {} : { sgSd }),
  changedSinceMeasured: false,
  slurryState: 'normal',
});
const bucket = (sg: number, sgSd?: number) => ({ id: 'b', name: 'Marisma', sgLow: 1.44, sgHigh: 1.47, contents: contents(sg, sgSd) });
const kinds = (change: Partial<StudioNow>): string[] => whatNow({ ...EMPTY, ...change }).map((item) => item.kind);

describe('what now?', () => {
  it('an empty studio has nothing waiting', () => {
    expect(whatNow(EMPTY)).toEqual([]);
  });

  it('the interrupted batch comes first, with its line', () => {
    const batches = [
      { id: 'x', recipeName: 'Noche Honda', expectedMl: 8000, linesDone: 3, lineCount: 7, finished: false, lastAt: ago(14), lastBy: 'Inés' },
    ];
    expect(whatNow({ ...EMPTY, batches, buckets: [bucket(1.53, 0.008)] })[0]).toMatchObject({ kind: 'unfinishedBatch', nextLine: 4, lastBy: 'Inés' });
    expect(kinds({ batches: batches.map((batch) => ({ ...batch, finished: true })) })).toEqual([]);
  });

  it('a bucket too thick says how much water, a good one is quiet', () => {
    const [item] = whatNow({ ...EMPTY, buckets: [bucket(1.53, 0.008)] });
    expect(item).toMatchObject({ kind: 'outOfRange', verdict: 'tooThick', bySum: false });
    const watered = { ...bucket(1.53, 0.008), contents: { ...contents(1.53, 0.008), changedSinceMeasured: true } };
    expect(whatNow({ ...EMPTY, buckets: [watered] })[0]).toMatchObject({ bySum: true });
    expect(item && 'waterMl' in item && item.waterMl).toBeCloseTo((10_000 * 0.075) / 0.455, 0);
    expect(kinds({ buckets: [bucket(1.455, 0.008)] })).toEqual([]);
  });

  it('a fired step tile that nobody looked at waits, with the glaze and body it tells of', () => {
    const tile = { code: 'T2', glazeName: 'Noche Honda', bucketId: 'b', bodyId: 'c' };
    expect(whatNow({ ...EMPTY, unreadTiles: [tile] })).toEqual([{ kind: 'tileToRead', ...tile }]);
  });

  it('a new bucket asks to be measured', () => {
    expect(kinds({ buckets: [bucket(1.455)] })).toEqual(['neverMeasured']);
  });

  it('the kiln is firing, cooling, then to be read, until somebody read it', () => {
    const firing = (hours: number) => ({ firings: [{ id: 'f', kiln: 'Abuela', startedAt: ago(hours), points: CURVE }] });
    expect(kinds(firing(-2))).toEqual(['firingToCome']);
    expect(whatNow({ ...EMPTY, ...firing(5) })[0]).toMatchObject({ kind: 'kiln', cooling: false });
    expect(whatNow({ ...EMPTY, ...firing(12) })[0]).toMatchObject({ kind: 'kiln', cooling: true });
    expect(kinds(firing(40))).toEqual(['toRead']);
    expect(kinds({ ...firing(40), readFiringIds: new Set(['f']) })).toEqual([]);
    expect(kinds(firing(30 * 24))).toEqual([]);
  });

  it('yesterday’s day with steps left is named, one nobody began or that is over is not', () => {
    const steps = ['a', 'b'].map((id) => ({ id, itemId: 'pots', kind: 'layer' as const, words: `Dip ${id}`, laborSeconds: 30, waitMinutes: 20 }));
    const items = [{ id: 'pots', pieceId: 'p', name: 'Pots', count: 6, steps }];
    const done = (...stepIds: string[]) => stepIds.map((stepId) => ({ id: stepId, at: ago(20), by: 'Maia', type: 'stepDone' as const, stepId }));
    const earlier = (date: string, ...stepIds: string[]) => ({ earlierDays: [{ date, items, events: done(...stepIds) }] });
    expect(whatNow({ ...EMPTY, ...earlier('2026-03-09', 'a') })).toEqual([{ kind: 'unfinishedDay', date: '2026-03-09', left: 1, of: 2 }]);
    expect(kinds(earlier('2026-03-09'))).toEqual([]);
    expect(kinds(earlier('2026-03-09', 'a', 'b'))).toEqual([]);
    expect(kinds(earlier('2026-02-01', 'a'))).toEqual([]);
  });

  it('what only waits comes last: pieces nobody glazed, recipes nobody weighed, two of each', () => {
    const three = ['x', 'y', 'z'];
    const waiting = {
      unweighedRecipes: three.map((id) => ({ id, name: id })),
      unglazedPieces: three.map((id) => ({ id, name: id, count: 12 })),
    };
    expect(kinds({ ...waiting, buckets: [bucket(1.53, 0.008)] })).toEqual([
      'outOfRange',
      'pieceToGlaze',
      'pieceToGlaze',
      'recipeToWeigh',
      'recipeToWeigh',
    ]);
  });

  it('tells the pieces that are dry enough from those that dry', () => {
    const steps = ['a', 'b'].map((id) => ({ id, itemId: 'pots', kind: 'layer' as const, words: `Dip ${id}`, laborSeconds: 30, waitMinutes: 20 }));
    const items = [{ id: 'pots', pieceId: 'p', name: 'Pots', count: 6, steps }];
    const day = (minutesAgo: number) => ({
      items,
      events: [{ id: 'e', at: new Date(Date.parse(NOW) - minutesAgo * 60_000).toISOString(), by: 'Maia', type: 'stepDone' as const, stepId: 'a' }],
    });
    expect(whatNow({ ...EMPTY, day: day(25) })).toEqual([{ kind: 'dryEnough', name: 'Pots', count: 6, nextWords: 'Dip b' }]);
    expect(kinds({ day: day(5) })).toEqual(['drying']);
  });
});
