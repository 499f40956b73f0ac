import fc from 'fast-check';
import {
  apartMm,
  checkLoad,
  kilnToLoad,
  keptFreeOn,
  offSpotMm,
  packShelf,
  placeOn,
  placeRest,
  planLoad,
  stackShelves,
  tallestMm,
  withinEdgeMm,
  type KilnCard,
  type KilnToLoad,
  type LoadPiece,
  type LoadShelf,
} from '../../src/index';

const cup = (id: string, change: Partial<LoadPiece> = {}): LoadPiece => ({
  id,
  footprint: { kind: 'circle', radiusMm: 45 },
  heightMm: 100,
  ...change,
});
const tile = (id: string): LoadPiece => ({ id, footprint: { kind: 'box', widthMm: 60, depthMm: 20 }, heightMm: 90, isAtDoor: true });
const CARD: KilnCard = {
  chamber: { kind: 'rectangular', widthMm: 620, depthMm: 580, heightMm: 900 },
  shelves: [60, 280, 490, 700].map((heightMm, at) => ({ id: `s${at}`, name: `Shelf ${at}`, heightMm })),
  postsMm: [100, 100, 100, 150, 150, 150, 200, 200, 200, 200, 200, 200],
  thermocoupleMm: 480,
  shelfCarriesGrams: 25_000,
};
const KILN = kilnToLoad(CARD, 17);
const ROUND = kilnToLoad({ ...CARD, chamber: { kind: 'round', diameterMm: 460, heightMm: 900 } });
const HALVES = kilnToLoad({ ...CARD, hasHalfShelves: true });
const HALF_ROUNDS = kilnToLoad({ ...CARD, chamber: { kind: 'round', diameterMm: 600, heightMm: 900 }, hasHalfShelves: true });

const somePieces = fc
  .array(
    fc.record({
      footprint: fc.oneof(
        fc.record({ kind: fc.constant('circle' as const), radiusMm: fc.double({ min: 15, max: 120, noNaN: true }) }),
        fc.record({
          kind: fc.constant('box' as const),
          widthMm: fc.double({ min: 20, max: 220, noNaN: true }),
          depthMm: fc.double({ min: 15, max: 160, noNaN: true }),
        }),
      ),
      heightMm: fc.double({ min: 20, max: 300, noNaN: true }),
      grams: fc.double({ min: 50, max: 4_000, noNaN: true }),
      isRunner: fc.boolean(),
      wants: fc.constantFrom(undefined, 'hot' as const, 'cool' as const),
    }),
    { minLength: 1, maxLength: 14 },
  )
  .map((all) => all.map((piece, at): LoadPiece => ({ id: `p${at}`, ...piece })));

describe('a kiln as it is loaded', () => {
  it('leaves 20 mm to the elements, and stands on the shelf that is always the lowest', () => {
    expect(KILN.outline).toEqual({ kind: 'rectangular', widthMm: 580, depthMm: 540 });
    expect(KILN.heightMm).toBe(900 - 60 - 20);
    expect(HALVES.outline).toEqual({ kind: 'rectangular', widthMm: 285, depthMm: 540 });
  });

  it('posts and thermocouple keep their places free', () => {
    expect(KILN.keptFree!.filter(({ what }) => what === 'post')).toHaveLength(3);
    const probe = KILN.keptFree!.find(({ what }) => what === 'thermocouple')!;
    // From the back wall, which is 20 mm behind the shelf.
    expect(probe.yMm).toBe(-290);
    const top = stackShelves([{ id: 'a', pieces: [] }], [], KILN)[0]!;
    // The highest shelf carries none; the thermocouple reaches into the room it is in.
    expect(keptFreeOn(top, KILN).map(({ what }) => what)).toEqual(['thermocouple']);
    expect(keptFreeOn({ ...top, fromMm: 500, roomMm: 200 }, KILN)).toEqual([]);
  });
});

describe('a load that was computed', () => {
  it.each([
    ['rectangular', KILN],
    ['round', ROUND],
    ['half shelves', HALVES],
    ['half round shelves', HALF_ROUNDS],
  ] as const)('has nothing wrong with it, whatever the pieces: %s', (_, kiln) => {
    fc.assert(
      fc.property(somePieces, (pieces) => {
        const { shelves, leftOut } = planLoad(pieces, kiln);
        const named = [...shelves.flatMap((shelf) => shelf.pieces), ...leftOut].map(({ pieceId }) => pieceId);
        expect([...named].sort()).toEqual(pieces.map(({ id }) => id).sort());
        expect(checkLoad(shelves, pieces, kiln).filter(({ kind }) => kind !== 'outOfSight')).toEqual([]);
      }),
      { numRuns: 8 },
    );
  });

  it('half shelves make two stacks, each with heights of its own', () => {
    const tall = Array.from({ length: 5 }, (_, at) => cup(`tall${at}`, { heightMm: 240, footprint: { kind: 'circle', radiusMm: 70 } }));
    const low = Array.from({ length: 16 }, (_, at) => cup(`low${at}`, { heightMm: 60 }));
    const { shelves, leftOut } = planLoad([...tall, ...low], HALVES);
    expect(leftOut).toEqual([]);
    expect(new Set(shelves.map(({ side }) => side))).toEqual(new Set(['left', 'right']));
  });

  it('runners stand on the cooler shelves, and what wants heat on the hotter ones', () => {
    const small: KilnCard = { ...CARD, chamber: { kind: 'rectangular', widthMm: 340, depthMm: 340, heightMm: 900 } };
    const runners = Array.from({ length: 4 }, (_, at) => cup(`runner${at}`, { isRunner: true, wants: 'cool' }));
    const hot = Array.from({ length: 4 }, (_, at) => cup(`hot${at}`, { wants: 'hot' }));
    const meanOf = (kiln: KilnToLoad, begin: string): number => {
      const { shelves } = planLoad([...runners, ...hot], kiln);
      const heights = shelves.flatMap(({ fromMm, pieces }) => pieces.filter(({ pieceId }) => pieceId.startsWith(begin)).map(() => fromMm));
      return heights.reduce((sum, height) => sum + height, 0) / heights.length;
    };
    expect(meanOf(kilnToLoad(small, 17), 'runner')).toBeLessThan(meanOf(kilnToLoad(small, 17), 'hot'));
    const cooler = kilnToLoad(small, -17);
    expect(meanOf(cooler, 'runner')).toBeGreaterThan(meanOf(cooler, 'hot'));
  });

  it('test tiles are seen from the door', () => {
    const pieces = [...Array.from({ length: 12 }, (_, at) => cup(`cup${at}`)), tile('T1'), tile('T2')];
    const { shelves } = planLoad(pieces, KILN);
    expect(checkLoad(shelves, pieces, KILN)).toEqual([]);
    const withTile = shelves.find((shelf) => shelf.pieces.some(({ pieceId }) => pieceId === 'T1'))!;
    expect(withTile.pieces.find(({ pieceId }) => pieceId === 'T1')!.yMm).toBeGreaterThan(150);
  });
});

describe('a load that hands changed', () => {
  const pieces = [cup('a'), cup('b'), cup('tall', { heightMm: 180 }), cup('c', { grams: 30_000 })];
  const at = (pieceId: string, xMm: number, yMm = 0): LoadShelf['pieces'][number] => ({ pieceId, xMm, yMm, isTurned: false });
  const faults = (shelves: LoadShelf[]): string[] => checkLoad(stackShelves(shelves, pieces, KILN), pieces, KILN).map(({ kind }) => kind);

  it('two pots nearer than a finger, one over the edge, one on a post: each is told', () => {
    expect(faults([{ id: 's', pieces: [at('a', 0), at('b', 93)] }])).toEqual(['tooNear']);
    expect(faults([{ id: 's', pieces: [at('a', 0), at('b', 95)] }])).toEqual([]);
    expect(faults([{ id: 's', pieces: [at('a', 260)] }])).toEqual(['overEdge']);
    const upper = { id: 't', pieces: [at('b', 0)] };
    expect(faults([{ id: 's', pieces: [at('a', 0, 220)] }, upper])).toEqual(['onPost']);
    // On the highest shelf there is no post.
    expect(faults([{ id: 's', pieces: [at('a', 0, 220)] }])).toEqual([]);
  });

  it('a tall pot raises the shelf above it by the posts there are', () => {
    const [, before] = stackShelves(
      [
        { id: 's', pieces: [at('a', 0)] },
        { id: 't', pieces: [at('b', 0)] },
      ],
      pieces,
      KILN,
    );
    const [, after] = stackShelves(
      [
        { id: 's', pieces: [at('a', 0), at('tall', 150)] },
        { id: 't', pieces: [at('b', 0)] },
      ],
      pieces,
      KILN,
    );
    expect(before!.fromMm).toBe(150 + 18);
    expect(after!.fromMm).toBe(200 + 18);
  });

  it('too heavy for its shelf, too high under the lid, no posts left', () => {
    expect(faults([{ id: 's', pieces: [at('c', 0)] }])).toEqual(['tooHeavy']);
    const many = Array.from({ length: 6 }, (_, n): LoadShelf => ({ id: `s${n}`, pieces: n === 0 ? [at('tall', 0)] : [] }));
    expect(faults(many)).toContain('lacksPosts');
    const posts = { ...KILN, postsMm: [] };
    const high = Array.from({ length: 3 }, (_, n): LoadShelf => ({ id: `h${n}`, pieces: [at(`t${n}`, 0)] }));
    const towers = [0, 1, 2].map((n) => cup(`t${n}`, { heightMm: 300 }));
    expect(checkLoad(stackShelves(high, towers, posts), towers, posts).map(({ kind }) => kind)).toEqual(['underLid']);
  });

  it('a cup before a tile hides it', () => {
    const mixed = [tile('T1'), cup('a')];
    const shelf = (cupY: number): LoadShelf[] => [{ id: 's', pieces: [at('T1', 0, 100), at('a', 0, cupY)] }];
    expect(checkLoad(stackShelves(shelf(190), mixed, KILN), mixed, KILN).map(({ kind }) => kind)).toEqual(['outOfSight']);
    expect(checkLoad(stackShelves(shelf(0), mixed, KILN), mixed, KILN)).toEqual([]);
  });
});

describe('pieces that come later', () => {
  it('stand beside those that are there, none of which moves, and on a new shelf when the others are full', () => {
    fc.assert(
      fc.property(somePieces, (pieces) => {
        const first = pieces.slice(0, Math.ceil(pieces.length / 2));
        const before = planLoad(first, KILN).shelves;
        let made = 0;
        const { shelves, leftOutIds } = placeRest(before, pieces, { kiln: KILN, newId: () => `new${made++}` });
        for (const shelf of before) for (const place of shelf.pieces) expect(shelves.find(({ id }) => id === shelf.id)!.pieces).toContainEqual(place);
        const standing = shelves.flatMap((shelf) => shelf.pieces.map(({ pieceId }) => pieceId));
        expect([...standing, ...leftOutIds].sort()).toEqual(pieces.map(({ id }) => id).sort());
        const stacked = stackShelves(shelves, pieces, KILN);
        expect(checkLoad(stacked, pieces, KILN).filter(({ kind }) => kind !== 'outOfSight')).toEqual([]);
      }),
      { numRuns: 8 },
    );
  });

  it('a piece is put where there is room on one shelf, or nowhere', () => {
    const shelf = stackShelves([{ id: 'a', pieces: [{ pieceId: 'x', xMm: 0, yMm: 0, isTurned: false }] }], [cup('x')], KILN)[0]!;
    expect(placeOn(cup('y'), { shelf, pieces: [cup('x'), cup('y')], kiln: KILN })).toBeDefined();
    const small = { ...KILN, outline: { kind: 'round' as const, diameterMm: 100 }, keptFree: [] };
    expect(placeOn(cup('y'), { shelf, pieces: [cup('x'), cup('y')], kiln: small })).toBeUndefined();
  });
});

describe('distances on a shelf', () => {
  const round = (radiusMm: number, xMm: number, yMm: number) => ({ footprint: { kind: 'circle' as const, radiusMm }, xMm, yMm, isTurned: false });
  const box = (widthMm: number, depthMm: number, xMm: number, yMm: number, isTurned = false) => ({
    footprint: { kind: 'box' as const, widthMm, depthMm },
    xMm,
    yMm,
    isTurned,
  });

  it('between pots, tiles and the corner of a tile', () => {
    expect(apartMm(round(40, 0, 0), round(40, 60, 80))).toBeCloseTo(20);
    expect(apartMm(box(100, 20, 0, 0), box(100, 20, 0, 30))).toBeCloseTo(10);
    expect(apartMm(box(100, 20, 0, 0), round(10, 80, 50))).toBeCloseTo(Math.hypot(30, 40) - 10);
    expect(apartMm(box(100, 20, 0, 0, true), round(10, 30, 0))).toBeCloseTo(10);
    expect(apartMm(round(40, 0, 0), round(40, 30, 0))).toBeCloseTo(-50);
  });

  it('to the edge, straight or round, and to a post', () => {
    expect(withinEdgeMm(round(40, 50, 0), { kind: 'round', diameterMm: 200 })).toBeCloseTo(10);
    expect(withinEdgeMm(round(40, 30, 0), { kind: 'halfRound', diameterMm: 200 })).toBeCloseTo(-10);
    expect(withinEdgeMm(box(60, 80, 0, 0), { kind: 'round', diameterMm: 100 })).toBeCloseTo(0);
    expect(withinEdgeMm(box(100, 20, 0, 0, true), { kind: 'rectangular', widthMm: 30, depthMm: 200 })).toBeCloseTo(5);
    expect(offSpotMm(round(40, 0, 0), { xMm: 100, yMm: 0, radiusMm: 25, what: 'post' })).toBeCloseTo(35);
  });

  it('half a round shelf takes half of what a whole one takes, about', () => {
    const cups = (count: number): LoadPiece[] => Array.from({ length: count }, (_, n) => cup(`c${n}`));
    expect(packShelf(cups(7), { kind: 'halfRound', diameterMm: 560 })).toHaveLength(7);
    expect(packShelf(cups(16), { kind: 'halfRound', diameterMm: 560 })).toBeUndefined();
    expect(tallestMm(cups(2))).toBe(100);
  });
});
