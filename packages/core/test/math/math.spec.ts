import fc from 'fast-check';
import { bisect, bisectWhole, combineEstimates, normalDraw, normalHazard, normalShareBelow, seededUniform, simpson } from '../../src/index';

describe('halving', () => {
  it('finds the point, whatever the interval', () => {
    fc.assert(
      fc.property(fc.double({ min: 1, max: 1000, noNaN: true }), fc.double({ min: 0, max: 1, noNaN: true }), (width, share) => {
        const point = share * width;
        const { low, high, middle } = bisect({ low: 0, high: width, isPast: (x) => x > point });
        expect(low).toBeLessThanOrEqual(point);
        expect(high - low).toBeLessThanOrEqual(1e-12 * width);
        expect(Math.abs(middle - point)).toBeLessThanOrEqual(1e-12 * width);
      }),
    );
  });

  it('stops as soon as the bracket is narrow enough', () => {
    let asked = 0;
    bisect({ low: 0, high: 16, width: 1, isPast: (x) => ++asked > 0 && x > 3 });
    expect(asked).toBe(4);
  });

  it('of whole numbers gives the least one that holds', () => {
    for (const wanted of [1, 2, 50, 99, 100]) expect(bisectWhole({ low: 0, high: 100, isPast: (n) => n >= wanted })).toBe(wanted);
  });
});

describe('the normal distribution', () => {
  // Φ from tables with ten places (Abramowitz and Stegun, table 26.1).
  it.each([
    [0, 0.5],
    [1, 0.8413447461],
    [-1.6449, 0.0499953],
    [3, 0.998650102],
  ])('%d sd: %d lie below', (sds, share) => {
    expect(Math.abs(normalShareBelow(sds) - share)).toBeLessThan(3e-7);
  });

  it('its hazard goes on without a jump where both parts are too small to divide', () => {
    expect(normalHazard(-6.0001) / normalHazard(-5.9999)).toBeCloseTo(1, 2);
  });

  it('draws have its mean and spread', () => {
    const random = seededUniform(3);
    const draws = Array.from({ length: 4000 }, () => normalDraw(random));
    const mean = draws.reduce((sum, value) => sum + value, 0) / draws.length;
    const variance = draws.reduce((sum, value) => sum + (value - mean) ** 2, 0) / draws.length;
    // Four standard errors of 4,000 draws.
    expect(Math.abs(mean)).toBeLessThan(0.064);
    expect(Math.abs(variance - 1)).toBeLessThan(0.09);
  });

  it('estimates together are surer than any of them, and lie between them', () => {
    const { mean, sd } = combineEstimates([
      { mean: 1, sd: 0.3 },
      { mean: 2, sd: 0.1 },
    ]);
    expect(sd).toBeLessThan(0.1);
    expect(mean).toBeGreaterThan(1.5);
    expect(mean).toBeLessThan(2);
  });
});

it('Simpson’s rule is exact for a cubic and close for an exponential', () => {
  expect(simpson((x) => 4 * x ** 3 - x, 2)).toBeCloseTo(0.5, 12);
  expect(simpson(Math.exp, 20)).toBeCloseTo(Math.E - 1, 6);
});

it('a seed gives the same numbers again, from 0 to 1', () => {
  const [a, b] = [seededUniform(11), seededUniform(11)];
  for (let i = 0; i < 100; i++) {
    const value = a();
    expect(b()).toBe(value);
    expect(value).toBeGreaterThanOrEqual(0);
    expect(value).toBeLessThan(1);
  }
});
