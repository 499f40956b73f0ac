import fc from 'fast-check';
import { attempt, coatDeviation, middleSeconds, oddPieces, stepDeviation, type DayStep } from '../../src/index';

describe('what other seconds made of a coat', () => {
  it('a dip as long as planned gives the planned coat, longer is thicker, and never more than in proportion', () => {
    const mm = fc.double({ min: 0.1, max: 1.5, noNaN: true });
    const seconds = fc.double({ min: 1, max: 60, noNaN: true });
    fc.assert(
      fc.property(mm, seconds, fc.double({ min: 1.01, max: 5, noNaN: true }), (plannedMm, plannedSeconds, times) => {
        expect(coatDeviation({ coatMm: plannedMm, seconds: plannedSeconds }, { seconds: plannedSeconds }).ratio).toBeCloseTo(1, 9);
        const { ratio } = coatDeviation({ coatMm: plannedMm, seconds: plannedSeconds }, { seconds: times * plannedSeconds });
        expect(ratio).toBeGreaterThan(1);
        expect(ratio).toBeLessThanOrEqual(Math.sqrt(times) + 1e-9);
      }),
    );
  });

  it('half a second beside four is nothing; twice as long is thicker; four times as long may run', () => {
    const after = (seconds: number) => coatDeviation({ coatMm: 0.6, seconds: 4 }, { seconds }).verdict;
    expect([3.5, 4.5, 6, 16, 2].map(after)).toEqual(['asPlanned', 'asPlanned', 'thicker', 'muchThicker', 'thinner']);
  });

  it('no seconds are refused', () => {
    expect(attempt(() => coatDeviation({ coatMm: 0.6, seconds: 4 }, { seconds: 0 })).kind).toBe('refused');
  });

  it('a thicker bucket gives a thicker coat in the same seconds, and the same bucket the same', () => {
    const at = (sg: number) => coatDeviation({ coatMm: 0.6, seconds: 4, sg: 1.45 }, { sg }).ratio;
    expect(at(1.45)).toBeCloseTo(1, 9);
    expect(at(1.5)).toBeGreaterThan(1.1);
    expect(at(1.4)).toBeLessThan(0.9);
  });

  it('brushed as planned from a thinner bucket it has less powder in it', () => {
    expect(coatDeviation({ coatMm: 0.4, sg: 1.5 }, { sg: 1.4 }).ratio).toBeCloseTo(0.8, 1);
    expect(attempt(() => coatDeviation({ coatMm: 0.4 }, {})).kind).toBe('refused');
  });

  it('what a piece gained on the scale counts above its seconds, and what an eye or a pin says above both', () => {
    const planned = { coatMm: 0.6, seconds: 4, sg: 1.45, glazeMl: 40 };
    expect(coatDeviation(planned, { seconds: 8, gainGrams: 58 })).toMatchObject({ ratio: expect.closeTo(1, 9), from: 'weight' });
    expect(coatDeviation(planned, { seconds: 8, gainGrams: 58, coatMm: 0.9 })).toMatchObject({ ratio: expect.closeTo(1.5, 9), from: 'told' });
  });
});

describe('pieces of a lot that went another way', () => {
  const step: DayStep = {
    id: 's',
    itemId: 'i',
    kind: 'layer',
    words: 'Dip',
    method: 'dip',
    laborSeconds: 25,
    waitMinutes: 8,
    coatMm: 0.6,
    seconds: 4,
    sg: 1.45,
    glazeMl: 44,
  };

  it('three of twelve dipped four times as long are told by their number, and the lot is as planned', () => {
    const pieces = Array.from({ length: 12 }, (_, at) => ({ seconds: at === 1 || at === 4 || at === 7 ? 16 : 4 }));
    const done = { seconds: middleSeconds(pieces), pieces };
    expect(stepDeviation(step, done)?.verdict).toBe('asPlanned');
    expect(oddPieces(step, done).map(({ piece, deviation }) => [piece, deviation.verdict])).toEqual([
      [2, 'muchThicker'],
      [5, 'muchThicker'],
      [8, 'muchThicker'],
    ]);
  });

  it('weighed before and after, a piece that took half says so; one lighter than before says nothing', () => {
    const done = {
      pieces: [
        { beforeGrams: 400, afterGrams: 458 },
        { beforeGrams: 400, afterGrams: 457 },
        { beforeGrams: 400, afterGrams: 429 },
        { beforeGrams: 400, afterGrams: 380 },
      ],
    };
    expect(stepDeviation(step, done)).toMatchObject({ verdict: 'asPlanned', from: 'weight' });
    expect(oddPieces(step, done).map(({ piece, deviation }) => [piece, deviation.verdict])).toEqual([[3, 'thinner']]);
  });

  it('brushed instead of dipped, its seconds and its SG say nothing: only an eye, a pin or a scale does', () => {
    expect(stepDeviation(step, { method: 'brush', seconds: 30, sg: 1.45 })).toBeUndefined();
    expect(stepDeviation(step, { method: 'brush', coatMm: 0.3 })?.verdict).toBe('thinner');
  });

  it('a bucket that stands thicker than when the plan was made is told though nobody timed', () => {
    expect(stepDeviation(step, { sg: 1.55 })?.verdict).not.toBe('asPlanned');
    expect(stepDeviation(step, {})).toBeUndefined();
  });
});
