import fc from 'fast-check';
import { attempt, coatDeviation } from '../../src/index';

describe('what other seconds made of a coat', () => {
  it('a dip as long as planned gives the planned coat, longer is thicker, and never more than in proportion', () => {
    const mm = fc.double({ min: 0.1, max: 1.5, noNaN: true });
    const seconds = fc.double({ min: 1, max: 60, noNaN: true });
    fc.assert(
      fc.property(mm, seconds, fc.double({ min: 1.01, max: 5, noNaN: true }), (plannedMm, plannedSeconds, times) => {
        expect(coatDeviation({ plannedMm, plannedSeconds, seconds: plannedSeconds }).ratio).toBeCloseTo(1, 9);
        const { ratio } = coatDeviation({ plannedMm, plannedSeconds, seconds: times * plannedSeconds });
        expect(ratio).toBeGreaterThan(1);
        expect(ratio).toBeLessThanOrEqual(Math.sqrt(times) + 1e-9);
      }),
    );
  });

  it('half a second beside four is nothing; twice as long is thicker; four times as long may run', () => {
    const after = (seconds: number) => coatDeviation({ plannedMm: 0.6, plannedSeconds: 4, seconds }).verdict;
    expect([3.5, 4.5, 6, 16, 2].map(after)).toEqual(['asPlanned', 'asPlanned', 'thicker', 'muchThicker', 'thinner']);
  });

  it('no seconds are refused', () => {
    expect(attempt(() => coatDeviation({ plannedMm: 0.6, plannedSeconds: 4, seconds: 0 })).kind).toBe('refused');
  });
});
