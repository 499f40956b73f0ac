import fc from 'fast-check';
import {
  attempt,
  gapBetween,
  packShelf,
  planLoad,
  seededUniform,
  SHELF_ROOM_MM,
  type KilnLoad,
  type KilnToLoad,
  type LoadPiece,
  type ShelfOutline,
  type StandingPiece,
} from '../../src/index';

const circle = (id: string, radiusMm: number, change: Partial<LoadPiece> = {}): LoadPiece => ({
  id,
  footprint: { kind: 'circle', radiusMm },
  heightMm: 100,
  ...change,
});
const box = (id: string, widthMm: number, depthMm: number, change: Partial<LoadPiece> = {}): LoadPiece => ({
  id,
  footprint: { kind: 'box', widthMm, depthMm },
  heightMm: 100,
  ...change,
});
const KILN: KilnToLoad = { outline: { kind: 'rectangular', widthMm: 500, depthMm: 450 }, heightMm: 900, shelves: 6, shelfThickMm: 18, postsMm: [] };

/** What a shelf must never be: pieces nearer than their gap, or over its edge. Worked out apart from the packing. */
function faultsOf(pieces: readonly LoadPiece[], places: readonly StandingPiece[], outline: ShelfOutline): string[] {
  const faults: string[] = [];
  const standing = places.map((place) => {
    const piece = pieces.find(({ id }) => id === place.pieceId)!;
    const { footprint } = piece;
    const [x, y] =
      footprint.kind === 'circle'
        ? [footprint.radiusMm, footprint.radiusMm]
        : place.isTurned
          ? [footprint.depthMm / 2, footprint.widthMm / 2]
          : [footprint.widthMm / 2, footprint.depthMm / 2];
    return { piece, isBox: footprint.kind === 'box', x: place.xMm, y: place.yMm, halfX: x, halfY: y };
  });
  for (const [i, a] of standing.entries()) {
    if (outline.kind === 'halfRound' && a.x - a.halfX < -1e-3) faults.push(`${a.piece.id} over the straight edge`);
    if (outline.kind === 'rectangular') {
      if (Math.abs(a.x) + a.halfX > outline.widthMm / 2 + 1e-3 || Math.abs(a.y) + a.halfY > outline.depthMm / 2 + 1e-3)
        faults.push(`${a.piece.id} over the edge`);
    } else {
      const reach = a.isBox ? Math.hypot(Math.abs(a.x) + a.halfX, Math.abs(a.y) + a.halfY) : Math.hypot(a.x, a.y) + a.halfX;
      if (reach > outline.diameterMm / 2 + 1e-3) faults.push(`${a.piece.id} over the edge`);
    }
    for (const b of standing.slice(i + 1)) {
      // The nearest points of the two, boxes by their sides, circles by their middles.
      const apartX = Math.max(0, Math.abs(a.x - b.x) - (a.isBox ? a.halfX : 0) - (b.isBox ? b.halfX : 0));
      const apartY = Math.max(0, Math.abs(a.y - b.y) - (a.isBox ? a.halfY : 0) - (b.isBox ? b.halfY : 0));
      const apart = Math.hypot(apartX, apartY) - (a.isBox ? 0 : a.halfX) - (b.isBox ? 0 : b.halfX);
      if (apart < gapBetween(a.piece, b.piece) - 1e-3) faults.push(`${a.piece.id} and ${b.piece.id} are ${apart.toFixed(2)} mm apart`);
    }
  }
  return faults;
}

function loadFaults(pieces: readonly LoadPiece[], load: KilnLoad, kiln: KilnToLoad): string[] {
  const faults = load.shelves.flatMap((shelf) => faultsOf(pieces, shelf.pieces, kiln.outline));
  const placed = load.shelves.flatMap((shelf) => shelf.pieces.map(({ pieceId }) => pieceId));
  const named = [...placed, ...load.leftOut.map(({ pieceId }) => pieceId)];
  if (named.length !== pieces.length || new Set(named).size !== pieces.length) faults.push('a piece is lost, or there twice');
  for (const shelf of load.shelves) {
    const tallest = Math.max(0, ...shelf.pieces.map(({ pieceId }) => pieces.find(({ id }) => id === pieceId)!.heightMm));
    if (tallest + SHELF_ROOM_MM > shelf.roomMm + 1e-6) faults.push('a piece is taller than its shelf');
    if (shelf.fromMm + tallest + SHELF_ROOM_MM > kiln.heightMm + 1e-6) faults.push('a piece is taller than the kiln');
    if (shelf.grams > (kiln.shelfCarriesGrams ?? Infinity)) faults.push('a shelf carries too much');
  }
  for (const [at, shelf] of load.shelves.slice(1).entries())
    if (shelf.fromMm < load.shelves[at]!.fromMm + load.shelves[at]!.roomMm + kiln.shelfThickMm - 1e-6) faults.push('a shelf stands in another one');
  return faults;
}

describe('one shelf', () => {
  it('holds what just fits, and no more than fits', () => {
    const round: ShelfOutline = { kind: 'round', diameterMm: 300 };
    expect(packShelf([circle('a', 150)], round)).toHaveLength(1);
    expect(packShelf([circle('a', 151)], round)).toBeUndefined();
    expect(packShelf([circle('a', 72), circle('b', 72)], round)).toHaveLength(2);
    expect(packShelf([circle('a', 75), circle('b', 75)], round)).toBeUndefined();
  });

  it('a platter is turned where it only fits that way', () => {
    const narrow: ShelfOutline = { kind: 'rectangular', widthMm: 200, depthMm: 420 };
    const [place] = packShelf([box('platter', 400, 180)], narrow)!;
    expect(place!.isTurned).toBe(true);
  });

  it('runners stand further from all others', () => {
    const wide: ShelfOutline = { kind: 'rectangular', widthMm: 190, depthMm: 90 };
    expect(packShelf([circle('a', 40), circle('b', 40)], wide)).toBeDefined();
    const tight: ShelfOutline = { kind: 'rectangular', widthMm: 167, depthMm: 82 };
    expect(packShelf([circle('a', 40), circle('b', 40)], tight)).toBeDefined();
    expect(packShelf([circle('a', 40), circle('b', 40, { isRunner: true })], tight)).toBeUndefined();
  });

  it('the same pieces give the same places', () => {
    const pieces = Array.from({ length: 9 }, (_, n) => circle(`p${n}`, 40 + 3 * n));
    expect(packShelf(pieces, KILN.outline)).toEqual(packShelf(pieces, KILN.outline));
  });

  it('equal cups stand nearly as close as anybody knows how: 97 % of the largest radius in a square', () => {
    // Best radii known in a unit square.
    for (const [count, best] of [
      [5, 0.2071],
      [9, 0.1667],
      [12, 0.14],
    ] as const) {
      const side = 1_000;
      const gap = 5;
      // Circles with half a gap each, in a square with half a gap round it.
      const radius = 0.97 * best * (side + gap) - gap / 2;
      const cups = Array.from({ length: count }, (_, n) => circle(`c${n}`, radius));
      const found = packShelf(cups, { kind: 'rectangular', widthMm: side, depthMm: side }, { effort: { beginnings: 30, moves: 30 } });
      expect(found).toHaveLength(count);
      expect(faultsOf(cups, found!, { kind: 'rectangular', widthMm: side, depthMm: side })).toEqual([]);
    }
  });
});

describe('a load', () => {
  it('whatever is to be fired: nothing overlaps, nothing is too tall or too heavy, every piece stands somewhere or is named', () => {
    const size = fc.integer({ min: 25, max: 190 });
    const piece = fc.record({
      a: size,
      b: size,
      isBox: fc.boolean(),
      heightMm: fc.integer({ min: 10, max: 500 }),
      isRunner: fc.boolean(),
      grams: fc.integer({ min: 100, max: 4_000 }),
    });
    const outline = fc.constantFrom<ShelfOutline>({ kind: 'round', diameterMm: 420 }, { kind: 'rectangular', widthMm: 500, depthMm: 400 });
    const posts = fc.constantFrom([], [100, 100, 100, 150, 150, 150, 150, 150, 150, 300, 300, 300]);
    fc.assert(
      fc.property(fc.array(piece, { maxLength: 14 }), outline, posts, fc.integer({ min: 1, max: 4 }), (made, of, postsMm, shelves) => {
        const pieces = made.map(({ a, b, isBox, ...rest }, n): LoadPiece => (isBox ? box(`p${n}`, 2 * a, 2 * b, rest) : circle(`p${n}`, a, rest)));
        const kiln = { ...KILN, outline: of, postsMm, shelves, heightMm: 700, shelfCarriesGrams: 12_000 };
        expect(loadFaults(pieces, planLoad(pieces, kiln), kiln)).toEqual([]);
      }),
      { numRuns: 30 },
    );
  });

  it('what cannot stand in this kiln at all says why: too wide, too tall, too heavy', () => {
    const pieces = [circle('wide', 260), circle('tall', 40, { heightMm: 900 }), circle('heavy', 40, { grams: 30_000 }), circle('cup', 40)];
    const { leftOut, shelves } = planLoad(pieces, { ...KILN, shelfCarriesGrams: 25_000 });
    expect(leftOut).toEqual([
      { pieceId: 'wide', why: 'tooWide' },
      { pieceId: 'tall', why: 'tooTall' },
      { pieceId: 'heavy', why: 'tooHeavy' },
    ]);
    expect(shelves[0]!.pieces.map(({ pieceId }) => pieceId)).toEqual(['cup']);
  });

  it('tall pots share a shelf, low ones another: no low plate stands under much empty room', () => {
    const pieces = [
      ...Array.from({ length: 6 }, (_, n) => circle(`jug${n}`, 70, { heightMm: 300 })),
      ...Array.from({ length: 6 }, (_, n) => circle(`plate${n}`, 110, { heightMm: 30 })),
    ];
    const { shelves } = planLoad(pieces, KILN);
    expect(shelves[0]!.pieces.filter(({ pieceId }) => pieceId.startsWith('jug'))).toHaveLength(6);
  });

  it('shelves stand on posts there are, and where there are none the rest stays out', () => {
    const pieces = Array.from({ length: 30 }, (_, n) => circle(`cup${n}`, 70, { heightMm: 90 }));
    const { shelves } = planLoad(pieces, { ...KILN, postsMm: [60, 60, 60, 60, 60, 60, 150, 150, 150] });
    expect(shelves[0]!.columnMm).toEqual([60, 60]);
    expect(shelves[1]!.columnMm).toEqual([150]);
    expect(shelves).toHaveLength(3);
    expect(planLoad(pieces, { ...KILN, postsMm: [100, 100] }).leftOut.every(({ why }) => why === 'noPosts')).toBe(true);
  });

  it('needs fewer shelves than rows of pots would', () => {
    const random = seededUniform(5);
    let [ours, rows] = [0, 0];
    for (let load = 0; load < 3; load++) {
      const pieces = Array.from({ length: 40 }, (_, n) => circle(`p${n}`, 30 + 60 * random(), { heightMm: 80 + 60 * random() }));
      const kiln = { ...KILN, heightMm: 10_000, shelves: 40 };
      ours += planLoad(pieces, kiln).shelves.length;
      rows += shelvesInRows(pieces, 500, 450);
    }
    expect(ours / rows).toBeLessThanOrEqual(0.85);
  });

  it('nothing to fire is no load, and a piece is in it once', () => {
    expect(planLoad([], KILN)).toEqual({ shelves: [], leftOut: [] });
    expect(attempt(() => planLoad([circle('a', 40), circle('a', 40)], KILN)).kind).toBe('refused');
  });
});

/** As it is mostly done: tallest first, row after row, each as deep as its widest pot. */
function shelvesInRows(pieces: readonly LoadPiece[], widthMm: number, depthMm: number): number {
  let [shelves, x, y, row] = [1, 0, 0, 0];
  for (const { footprint } of [...pieces].sort((a, b) => b.heightMm - a.heightMm)) {
    const across = footprint.kind === 'circle' ? 2 * footprint.radiusMm : footprint.widthMm;
    if (x + across > widthMm) [x, y, row] = [0, y + row + 5, 0];
    if (y + across > depthMm) [shelves, x, y, row] = [shelves + 1, 0, 0, 0];
    x += across + 5;
    row = Math.max(row, across);
  }
  return shelves;
}
