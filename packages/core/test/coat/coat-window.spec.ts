import fc from 'fast-check';
import { normalShareBelow, windowChances, windowVerdict } from '../../src/index';

const window = { thinMm: 0.45, thickMm: 0.7 };

describe('the window of a glaze on a body', () => {
  it.each([
    [0.3, 'thin'],
    [0.45, 'right'],
    [0.6, 'right'],
    [0.9, 'thick'],
  ] as const)('%p mm is %s', (coatMm, verdict) => {
    expect(windowVerdict({ coatMm, window })).toBe(verdict);
  });

  it('a wide band about the middle misses on both sides', () => {
    const chances = windowChances({ coatMm: Math.sqrt(0.45 * 0.7), lnSd: 0.35, window });
    expect(chances.thin).toBeCloseTo(chances.thick, 6);
    expect(chances.right).toBeCloseTo(0.472, 2);
  });

  it('shares add up to one, and more dips in the window come of a narrower band about its middle', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.1, max: 2, noNaN: true }), fc.double({ min: 0.01, max: 1, noNaN: true }), (coatMm, lnSd) => {
        const { thin, right, thick } = windowChances({ coatMm, lnSd, window });
        expect(thin + right + thick).toBeCloseTo(1, 6);
        expect(Math.min(thin, right, thick)).toBeGreaterThanOrEqual(0);
      }),
    );
  });

  it('knows the normal', () => {
    expect(normalShareBelow(1.2816)).toBeCloseTo(0.9, 4);
    expect(normalShareBelow(-1.2816)).toBeCloseTo(0.1, 4);
    expect(normalShareBelow(0)).toBeCloseTo(0.5, 6);
  });

  it('upside down it is refused', () => {
    expect(() => windowVerdict({ coatMm: 0.5, window: { thinMm: 0.7, thickMm: 0.4 } })).toThrow('must lie above too thin');
  });
});
