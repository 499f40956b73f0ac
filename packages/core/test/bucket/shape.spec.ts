import fc from 'fast-check';
import {
  brimMl,
  depthAtVolume,
  dipReach,
  displacedMl,
  PIECE_SHAPES,
  piecesCovered,
  pourNeedMl,
  surfaceCm2AtDepth,
  volumeAtDepth,
  type BucketShape,
} from '../../src/index';

const ROUND: BucketShape = { kind: 'cylinder', acrossMm: 300, highMm: 300 };
const PAIL: BucketShape = { kind: 'cone', bottomMm: 260, topMm: 300, highMm: 320 };
const TUB: BucketShape = { kind: 'box', longMm: 500, wideMm: 400, highMm: 150 };
const size = fc.double({ min: 50, max: 600, noNaN: true });
const shape: fc.Arbitrary<BucketShape> = fc.oneof(
  fc.record({ kind: fc.constant('cylinder' as const), acrossMm: size, highMm: size }),
  fc.record({ kind: fc.constant('cone' as const), bottomMm: size, topMm: size, highMm: size }),
  fc.record({ kind: fc.constant('box' as const), longMm: size, wideMm: size, highMm: size }),
);

describe('a dipstick in a bucket', () => {
  it('200 mm in a round bucket 300 mm across are 14.1 L', () => {
    expect(volumeAtDepth({ shape: ROUND, depthMm: 200 })).toBeCloseTo((Math.PI * 150 ** 2 * 200) / 1000, 6);
  });

  it('a tapered pail holds what its frustum holds', () => {
    expect(brimMl({ shape: PAIL })).toBeCloseTo(((Math.PI / 12) * 320 * (260 ** 2 + 260 * 300 + 300 ** 2)) / 1000, 6);
  });

  it('a box is long times wide times deep', () => {
    expect(volumeAtDepth({ shape: TUB, depthMm: 100 })).toBeCloseTo(20_000, 6);
    expect(surfaceCm2AtDepth({ shape: TUB, depthMm: 100 })).toBe(2000);
  });

  it('depth and litres go both ways in any bucket', () => {
    fc.assert(
      fc.property(shape, fc.double({ min: 0.01, max: 1, noNaN: true }), (any, share) => {
        const depthMm = share * any.highMm;
        expect(depthAtVolume({ shape: any, volumeMl: volumeAtDepth({ shape: any, depthMm }) }).depthMm).toBeCloseTo(depthMm, 4);
      }),
    );
  });

  it('says when it is over the brim', () => {
    expect(() => volumeAtDepth({ shape: ROUND, depthMm: 301 })).toThrow('300 mm high inside');
    expect(depthAtVolume({ shape: ROUND, volumeMl: 99_000 })).toEqual({ depthMm: 300, overflows: true });
  });
});

describe('dipping in it', () => {
  const cup = PIECE_SHAPES.find((one) => one.id === 'cup')!;
  const platter = PIECE_SHAPES.find((one) => one.id === 'platter')!;
  const pot = PIECE_SHAPES.find((one) => one.id === 'liddedPot')!;

  it('a cup goes under whole in a deep bucket', () => {
    expect(dipReach({ bucket: ROUND, glazeMl: 12_000, piece: cup, inside: 'air' })).toMatchObject({ kind: 'whole', heightMm: 88 });
  });

  it('a platter is too wide for it', () => {
    expect(dipReach({ bucket: ROUND, glazeMl: 12_000, piece: platter, inside: 'full' })).toMatchObject({ kind: 'tooWide', acrossMm: 330 });
  });

  it('a tall pot goes in only so far, and what it pushes aside counts', () => {
    const reach = dipReach({ bucket: ROUND, glazeMl: 7000, piece: pot, inside: 'air' });
    if (reach.kind !== 'part') throw new Error(reach.kind);
    const still = depthAtVolume({ shape: ROUND, volumeMl: 7000 }).depthMm;
    expect(reach.reachMm).toBeGreaterThan(still - 10);
    expect(reach.reachMm).toBeCloseTo(still + reach.risesMm - 10, 3);
    expect(reach.moreMl).toBeGreaterThan(1000);
    const more = dipReach({ bucket: ROUND, glazeMl: 7000 + reach.moreMl + 1, piece: pot, inside: 'air' });
    expect(more.kind).toBe('whole');
  });

  it('a bucket full to the brim spills before the piece is under', () => {
    expect(dipReach({ bucket: ROUND, glazeMl: 21_000, piece: pot, inside: 'air' })).toMatchObject({ kind: 'part', spills: true });
  });

  it('filled inside it pushes aside its clay only', () => {
    const air = displacedMl({ piece: cup, reachMm: 88, inside: 'air' });
    const full = displacedMl({ piece: cup, reachMm: 88, inside: 'full' });
    expect(full).toBeGreaterThan(50);
    expect(full).toBeLessThan(air / 2);
  });

  it('more glaze never means a shallower dip', () => {
    fc.assert(
      fc.property(fc.double({ min: 500, max: 9000, noNaN: true }), fc.double({ min: 0, max: 3000, noNaN: true }), (glazeMl, more) => {
        const reach = (ml: number): number => {
          const answer = dipReach({ bucket: ROUND, glazeMl: ml, piece: pot, inside: 'air' });
          return answer.kind === 'whole' ? answer.heightMm : answer.kind === 'part' ? answer.reachMm : 0;
        };
        expect(reach(glazeMl + more)).toBeGreaterThanOrEqual(reach(glazeMl) - 1e-6);
      }),
    );
  });

  it('a pour wants a third of the inside to roll round, and never less than rolls at all', () => {
    expect(pourNeedMl({ piece: pot, zone: 'inside', coatSlurryMl: 60 })).toBeGreaterThan(1000);
    expect(pourNeedMl({ piece: cup, zone: 'outside', coatSlurryMl: 10 })).toBe(100);
  });

  it('covers whole pieces only, less what has to stay in', () => {
    expect(piecesCovered({ dryGrams: 5000, stayShare: 0.5, gramsPerPiece: 40 })).toBe(62);
    expect(() => piecesCovered({ dryGrams: 5000, stayShare: 2, gramsPerPiece: 40 })).toThrow('share from 0 to 1');
  });
});
