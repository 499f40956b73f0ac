import fc from 'fast-check';
import { colourDifference, colourNearness, greyGains, mainColours, PotterError, type Oklab } from '../../src/index';

const PATCHES: readonly [Oklab, number][] = [
  [[0.35, 0.05, 0.06], 500],
  [[0.72, -0.03, 0.04], 300],
  [[0.9, 0.0, 0.02], 200],
];
/** Pixels of a photo of these colours, each a little off, in an order without meaning. */
function photo(patches: readonly [Oklab, number][], scatter = 0.01): number[] {
  const pixels = patches.flatMap(([oklab, count], which) =>
    Array.from({ length: count }, (_, at) => oklab.map((part, axis) => part + scatter * Math.sin(7 * at + 3 * axis + which))),
  );
  return pixels.map((_, at) => pixels[(at * 617) % pixels.length]!).flat();
}

describe('the main colours of a photo', () => {
  it('are the colours of its patches, the largest first, with their shares', () => {
    const found = mainColours(photo(PATCHES));
    expect(found).toHaveLength(3);
    found.forEach(({ oklab, share }, at) => {
      const [wanted, count] = PATCHES[at]!;
      expect(colourDifference(oklab, wanted)).toBeLessThan(1);
      expect(share).toBeCloseTo(count / 1000, 2);
    });
  });

  it('are fewer where the photo has fewer', () => {
    expect(mainColours(photo([[[0.5, 0.1, 0], 40]], 0))).toEqual([{ oklab: [expect.closeTo(0.5), expect.closeTo(0.1), 0], share: 1 }]);
  });

  it('are the same for the same photo, and shares are whole together', () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.double({ min: 0, max: 1, noNaN: true }), fc.double({ min: -0.3, max: 0.3, noNaN: true })), {
          minLength: 1,
          maxLength: 60,
        }),
        fc.integer({ min: 1, max: 5 }),
        (points, count) => {
          const pixels = points.flatMap(([lightness, a]) => [lightness, a, -a]);
          const found = mainColours(pixels, count);
          expect(found).toEqual(mainColours(pixels, count));
          expect(found.length).toBeLessThanOrEqual(count);
          expect(found.reduce((sum, { share }) => sum + share, 0)).toBeCloseTo(1, 9);
        },
      ),
    );
  });

  it('a photo without pixels is refused in words', () => {
    expect(() => mainColours([])).toThrow(PotterError);
    expect(() => mainColours([0.5, 0])).toThrow('The photo has no pixels.');
  });
});

describe('how near two colours are', () => {
  it('under 2 looks the same, under 5 is near', () => {
    expect([1.9, 2, 4.9, 5].map(colourNearness)).toEqual(['same', 'near', 'near', 'far']);
  });
  it('is the same both ways, and nothing to itself', () => {
    expect(colourDifference([0.5, 0.1, 0], [0.4, 0, 0.1])).toBeCloseTo(colourDifference([0.4, 0, 0.1], [0.5, 0.1, 0]), 12);
    expect(colourDifference([0.5, 0.1, 0], [0.5, 0.1, 0])).toBe(0);
  });
});

describe('a grey patch', () => {
  it('makes neutral what is neutral, as light as it was', () => {
    const patch = [0.3, 0.24, 0.15] as const;
    const gains = greyGains(patch);
    const after = patch.map((channel, at) => channel * gains[at]!);
    expect(after[0]).toBeCloseTo(after[1]!, 12);
    expect(after[1]).toBeCloseTo(after[2]!, 12);
    expect(after[0]).toBeCloseTo(0.2126 * 0.3 + 0.7152 * 0.24 + 0.0722 * 0.15, 12);
  });

  it.each<[string, [number, number, number], string]>([
    ['in the dark', [0.001, 0.001, 0.001], 'too dark'],
    ['burnt out', [1, 1, 1], 'burnt out'],
    ['of a red pot', [0.5, 0.1, 0.08], 'no grey'],
    ['nobody measured', [NaN, 0.2, 0.2], 'number'],
  ])('%s is refused', (_name, patch, words) => {
    expect(() => greyGains(patch)).toThrow(words);
  });
});
