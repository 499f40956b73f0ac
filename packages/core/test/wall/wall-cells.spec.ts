import fc from 'fast-check';
import { combinationKey, seenCoats, seenCombinations, TEST_STATES, WALL_COATS, wallCells, type PiecePlan, type WallTest } from '../../src/index';

const coat = (bucketId: string) => ({ id: `${bucketId}-coat`, bucketId, method: 'dip' as const, coatMm: 0.5 });
const zones = (change: Partial<PiecePlan['zones']>): PiecePlan['zones'] => ({ inside: [], outside: [], rim: [], foot: [], ...change });
const sameId = (bucketId: string): string => bucketId;
let counter = 0;
const tile = (lowerId: string | undefined, upperId: string, change: Partial<WallTest> = {}): WallTest => ({
  ...(lowerId === undefined ? {} : { lowerId }),
  upperId,
  of: { kind: 'tile', id: `t${++counter}`, name: 'Tile' },
  state: 'fired',
  bodyId: 'claro',
  cone: '6',
  at: `2026-03-${String((counter % 28) + 1).padStart(2, '0')}`,
  ...change,
});

describe('which glazes are seen on a piece', () => {
  it('each as it lies on the one below; the rim lies over the outside', () => {
    const plan = { zones: zones({ inside: [coat('white')], outside: [coat('white'), coat('ash')], rim: [coat('blue')] }) };
    expect(seenCombinations(plan, sameId).map(combinationKey)).toEqual(['/white', 'white/ash', 'ash/blue']);
  });

  it('a rim that parts from the outside is on the clay', () => {
    const plan = { zones: zones({ outside: [coat('ash')], rim: [coat('blue')] }), rimFirst: true };
    expect(seenCombinations(plan, sameId).map(combinationKey)).toEqual(['/ash', '/blue']);
  });

  it('two coats of one glaze are one; both orders of a pair are two', () => {
    expect(seenCombinations({ zones: zones({ outside: [coat('ash'), coat('ash')] }) }, sameId)).toEqual([{ upperId: 'ash' }]);
    expect(combinationKey({ lowerId: 'ash', upperId: 'white' })).not.toBe(combinationKey({ lowerId: 'white', upperId: 'ash' }));
  });

  it('each comes with the coats of its upper glaze: two dips of one glaze are one thick coat', () => {
    const seen = seenCoats({ zones: zones({ outside: [coat('white'), coat('ash'), coat('ash')] }) }, sameId);
    expect(seen).toEqual([{ lowerId: 'white', upperId: 'ash', coats: [coat('ash'), coat('ash')] }]);
  });

  it('a combination that is inside and outside is told once, as it lies inside', () => {
    const [inside, outside] = [coat('ash'), { ...coat('ash'), id: 'outside' }];
    const seen = seenCoats({ zones: zones({ inside: [inside], outside: [outside] }) }, sameId);
    expect(seen).toEqual([{ upperId: 'ash', coats: [inside] }]);
  });

  it('what is none of the studio’s glazes is none', () => {
    expect(seenCombinations({ zones: zones({ outside: [coat('ash')] }) }, () => undefined)).toEqual([]);
  });
});

describe('the wall', () => {
  it('a cell is as far as the furthest of its tests, with the newest photo first', () => {
    const cell = wallCells([
      tile('white', 'ash', { state: 'planned', at: '2026-03-20' }),
      tile('white', 'ash', { at: '2026-02-01', photoId: 'old' }),
      tile('white', 'ash', { at: '2026-03-01', photoId: 'new', stars: 4 }),
    ]).get('white/ash')!;
    expect(cell).toMatchObject({ state: 'fired', fired: 2, photoId: 'new', stars: 4, isDisputed: false });
    expect(cell.tests.map(({ at }) => at)).toEqual(['2026-03-20', '2026-03-01', '2026-02-01']);
  });

  it('verdicts two stars apart disagree', () => {
    const of = (...stars: number[]) => wallCells(stars.map((one) => tile(undefined, 'ash', { stars: one }))).get('/ash')!;
    expect(of(4, 5).isDisputed).toBe(false);
    expect(of(2, 5)).toMatchObject({ isDisputed: true, fired: 2 });
  });

  it('slices by body and cone; what is on a body nobody knows is in the whole wall only', () => {
    const tests = [
      tile('white', 'ash'),
      tile('white', 'ash', { bodyId: 'tostado' }),
      tile('white', 'ash', { bodyId: undefined }),
      tile('white', 'ash', { cone: '5' }),
    ];
    expect(wallCells(tests).get('white/ash')!.fired).toBe(4);
    expect(wallCells(tests, { bodyId: 'claro' }).get('white/ash')!.fired).toBe(2);
    expect(wallCells(tests, { bodyId: 'claro', cone: '6' }).get('white/ash')!.fired).toBe(1);
    expect(wallCells(tests, { cone: '8' }).size).toBe(0);
  });

  it('slices by coat; a coat that nobody knows is in the whole wall only', () => {
    const tests = [tile('white', 'ash', { coat: 'thin' }), tile('white', 'ash', { coat: 'steps' }), tile('white', 'ash')];
    expect(wallCells(tests).get('white/ash')!.fired).toBe(3);
    for (const part of WALL_COATS)
      expect(wallCells(tests, { coat: part }).get('white/ash')?.fired ?? 0).toBe(part === 'thin' || part === 'steps' ? 1 : 0);
  });

  it('whatever the tests: each is in one cell, and the order in which they come changes nothing', () => {
    const test = fc.record({
      lowerId: fc.constantFrom(undefined, 'a', 'b'),
      upperId: fc.constantFrom('a', 'b', 'c'),
      state: fc.constantFrom(...TEST_STATES),
      stars: fc.constantFrom(undefined, 1, 3, 5),
      at: fc.constantFrom('2026-01-01', '2026-02-01', '2026-03-01'),
    });
    fc.assert(
      fc.property(fc.array(test, { maxLength: 30 }), (told) => {
        const tests = told.map(({ lowerId, upperId, ...rest }) => tile(lowerId, upperId, rest));
        const cells = wallCells(tests);
        expect([...cells.values()].reduce((sum, cell) => sum + cell.tests.length, 0)).toBe(tests.length);
        const plain = (of: ReturnType<typeof wallCells>) =>
          [...of]
            .map(([key, { state, fired, stars, isDisputed }]) => ({ key, state, fired, stars, isDisputed }))
            .sort((a, b) => (a.key < b.key ? -1 : 1));
        expect(plain(wallCells([...tests].reverse()))).toEqual(plain(cells));
      }),
      { numRuns: 100 },
    );
  });
});
