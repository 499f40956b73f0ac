import fc from 'fast-check';
import { mergedContents, replayBucket, splitBucket, type BucketContents, type BucketEvent } from '../../src/index';

const head = { id: 'e', at: '2026-03-01T09:00:00.000Z', by: 'Bruno' };
const filled = (kaolin: number, stain: number, waterGrams: number): BucketContents => {
  const parts = [
    { powderId: 'k', name: 'Kaolin', part: 'base' as const, grams: kaolin, density: 2.6 },
    { powderId: 's', name: 'Stain', part: 'stain' as const, grams: stain, density: 4.5 },
  ].filter((part) => part.grams > 0);
  const events: BucketEvent[] = [{ ...head, type: 'filled', parts, waterGrams, from: 'batch' }];
  const replay = replayBucket({ events });
  if (replay.kind !== 'ok') throw new Error('it holds something');
  return replay.contents;
};

describe('one bucket poured into another', () => {
  it('adds up powders and water, and the stain is spread over both bases', () => {
    const merged = mergedContents(
      filled(5000, 0, 5000),
      splitBucket({ contents: filled(5000, 500, 5000), takenMl: filled(5000, 500, 5000).volumeMl }),
    );
    expect(merged).toMatchObject({ dryGrams: 10_500, waterGrams: 10_000 });
    expect(merged.stainPercent).toBeCloseTo(5, 9);
  });

  it('into an empty one is what was poured', () => {
    const from = filled(4000, 100, 4200);
    const merged = mergedContents(null, splitBucket({ contents: from, takenMl: from.volumeMl / 2 }));
    expect(merged.sg).toBeCloseTo(from.sg, 9);
    expect(merged.volumeMl).toBeCloseTo(from.volumeMl / 2, 6);
  });

  it('balances to a hundredth of a gram, and its SG lies between the two', () => {
    const grams = fc.double({ min: 500, max: 20_000, noNaN: true });
    fc.assert(
      fc.property(grams, grams, grams, grams, fc.double({ min: 0.01, max: 1, noNaN: true }), (a, b, waterA, waterB, share) => {
        const [one, other] = [filled(a, a / 20, waterA), filled(b, 0, waterB)];
        const poured = splitBucket({ contents: one, takenMl: one.volumeMl * share });
        const merged = mergedContents(other, poured);
        expect(merged.dryGrams).toBeCloseTo(other.dryGrams + one.dryGrams * share, 2);
        expect(merged.waterGrams).toBeCloseTo(other.waterGrams + one.waterGrams * share, 2);
        expect(merged.sg).toBeGreaterThanOrEqual(Math.min(one.sg, other.sg) - 1e-9);
        expect(merged.sg).toBeLessThanOrEqual(Math.max(one.sg, other.sg) + 1e-9);
      }),
    );
  });

  it('needs powder in one of them', () => {
    expect(() => mergedContents(null, { parts: [], waterGrams: 100 })).toThrow('no powder in either');
  });
});
