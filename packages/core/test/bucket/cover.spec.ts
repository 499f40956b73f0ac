import fc from 'fast-check';
import { bucketCover, coatFromWetGain, coatSlurryMl, dipLimits, dipReach, shapeOf, wetGramsOfCoat, wetGramsOnScale } from '../../src/index';

const BUCKET = { kind: 'cylinder', acrossMm: 300, highMm: 320 } as const;
const CUP = shapeOf({ shapeId: 'cup' });

describe('what a bucket covers', () => {
  it('is fewer by dipping than in all: the last of it stands too low', () => {
    const cover = bucketCover({ bucket: BUCKET, contents: { volumeMl: 14_000, dryGrams: 9000 }, piece: CUP, inside: 'air', gramsPerPiece: 20 });
    expect(cover.pieces).toBe(450);
    expect(cover.byDipping).toBeGreaterThan(0);
    expect(cover.byDipping).toBeLessThan(cover.pieces);
  });

  it('nothing is promised for dipping where the piece does not go under even now', () => {
    const low = { bucket: BUCKET, contents: { volumeMl: 500, dryGrams: 350 }, piece: CUP, inside: 'air' as const, gramsPerPiece: 20 };
    expect(dipReach({ bucket: BUCKET, glazeMl: 500, piece: CUP, inside: 'air' }).kind).toBe('part');
    expect(bucketCover(low)).toEqual({ pieces: 17 });
  });

  it('a coat takes slurry in proportion to its thickness', () => {
    const contents = { volumeMl: 10_000, dryGrams: 7000, density: 2.6 };
    const one = coatSlurryMl({ piece: CUP, coatMm: 0.5, contents });
    expect(coatSlurryMl({ piece: CUP, coatMm: 1, contents })).toBeCloseTo(2 * one, 9);
  });
});

describe('a coat by its weight', () => {
  it('and the weight by its coat are the same, both ways', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.05, max: 2, noNaN: true }), fc.double({ min: 1.2, max: 1.8, noNaN: true }), (coatMm, sg) => {
        const glaze = { areaCm2: 250, packing: 0.5, density: 2.6, sg };
        expect(coatFromWetGain({ ...glaze, gainGrams: wetGramsOfCoat({ ...glaze, coatMm }) })).toBeCloseTo(coatMm, 9);
      }),
    );
  });

  it('on a scale under the bucket lies between the thinnest and the thickest coat, and above what the scale can tell', () => {
    const glaze = { sg: 1.45, density: 2.6, packing: 0.5 };
    const fine = dipLimits(0.1, glaze, 300);
    expect(fine.leastGrams).toBeCloseTo(wetGramsOnScale(0.04, glaze, 300), 9);
    expect(dipLimits(5, glaze, 300).leastGrams).toBe(20);
    expect(fine.mostGrams).toBeCloseTo(wetGramsOnScale(2.5, glaze, 300), 9);
  });
});
