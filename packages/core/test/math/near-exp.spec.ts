import fc from 'fast-check';
import { nearExp } from '../../src/math/near-exp';

describe('the exponential of the run', () => {
  it('is the exact one to 2e-13 of itself, within its table and beyond it', () => {
    fc.assert(
      fc.property(fc.double({ min: -700, max: 700, noNaN: true }), (x) => {
        expect(Math.abs(nearExp(x) / Math.exp(x) - 1)).toBeLessThan(2e-13);
      }),
    );
    for (let x = -23; x <= 23; x += 0.0137) expect(Math.abs(nearExp(x) / Math.exp(x) - 1)).toBeLessThan(2e-13);
  });

  it('what is no number stays none, and nothing becomes one', () => {
    expect(nearExp(Number.NaN)).toBeNaN();
    expect(nearExp(0)).toBe(1);
    expect(nearExp(Infinity)).toBe(Infinity);
    expect(nearExp(-Infinity)).toBe(0);
  });
});
