import fc from 'fast-check';
import { bucketDrift, daysInRange, type BucketEvent } from '../../src/index';

let count = 0;
const at = (day: number): { id: string; at: string; by: string } => ({
  id: `d${++count}`,
  at: new Date(Date.UTC(2026, 0, 1) + day * 86_400_000).toISOString(),
  by: 'Maia',
});
const filled = (): BucketEvent => ({
  ...at(-1),
  type: 'filled',
  parts: [{ powderId: 'k', name: 'Kaolin', part: 'base', grams: 7000, density: 2.6 }],
  waterGrams: 7000,
  from: 'batch',
});
const measured = (day: number, sg: number, sgSd = 0.006): BucketEvent => ({ ...at(day), type: 'sgMeasured', sg, sgSd });
const drift = (...events: BucketEvent[]) => bucketDrift({ events: [filled(), ...events] });

describe('a bucket that stands', () => {
  it('needs three readings before anything is said of it', () => {
    expect(drift(measured(1, 1.45), measured(8, 1.46))).toEqual({ kind: 'tooFewReadings', spells: 1 });
  });

  it('thickens as its readings say, and how sure that is', () => {
    const answer = drift(measured(0, 1.44), measured(10, 1.46), measured(20, 1.48));
    expect(answer).toMatchObject({ kind: 'ok', spells: 2, tells: true });
    expect(answer.kind === 'ok' && answer.perDay).toBeCloseTo(0.002, 9);
    expect(answer.kind === 'ok' && answer.perDaySd).toBeCloseTo(Math.sqrt((2 * 0.006 ** 2) / 200), 9);
  });

  it('cannot be told from one that stands still by two rough readings', () => {
    expect(drift(measured(0, 1.45, 0.02), measured(3, 1.455, 0.02), measured(6, 1.452, 0.02))).toMatchObject({ kind: 'ok', tells: false });
  });

  it('drifts the same when water was put back in between: that is in the records', () => {
    const put: BucketEvent = { ...at(10.1), type: 'waterAdded', grams: 400 };
    const back = drift(measured(0, 1.44), measured(10, 1.46), put, measured(10.2, 1.4425), measured(20.2, 1.4625));
    expect(back.kind === 'ok' && back.perDay).toBeCloseTo(0.002, 3);
  });

  it('is not judged by two readings within the hour, nor by one that was taken back', () => {
    const slip = measured(12, 1.6);
    const answer = drift(
      measured(0, 1.44),
      measured(0.02, 1.45),
      measured(10, 1.46),
      slip,
      { ...at(12), type: 'undone', eventId: slip.id },
      measured(20, 1.47),
    );
    expect(answer).toMatchObject({ kind: 'ok', spells: 2 });
    // Day 0 stands at 1.445, both of its readings together: 0.0015 a day, then 0.001.
    expect(answer.kind === 'ok' && answer.perDay).toBeCloseTo(0.00123, 4);
  });

  it('finds any steady drift from readings without error', () => {
    fc.assert(
      fc.property(fc.double({ min: -0.003, max: 0.003, noNaN: true }), fc.integer({ min: 3, max: 9 }), (perDay, readings) => {
        const answer = drift(...Array.from({ length: readings }, (_, index) => measured(index * 5, 1.46 + perDay * index * 5)));
        expect(answer.kind === 'ok' && answer.perDay).toBeCloseTo(perDay, 9);
      }),
    );
  });
});

describe('the days it has left', () => {
  const steady = { kind: 'ok', perDay: 0.002, perDaySd: 0.0005, spells: 4, tells: true } as const;
  it('count from the reading, with its age taken off and a range', () => {
    const left = daysInRange({ drift: steady, sg: 1.45, ageDays: 2, lowSg: 1.43, highSg: 1.47 })!;
    expect(left.days).toBeCloseTo(8, 9);
    expect(left.leastDays).toBeCloseTo(0.02 / (0.002 + 1.2816 * 0.0005) - 2, 9);
    expect(left.mostDays).toBeGreaterThan(left.days);
  });

  it('count down to the lower end for one that thins', () => {
    expect(daysInRange({ drift: { ...steady, perDay: -0.002 }, sg: 1.45, ageDays: 0, lowSg: 1.43, highSg: 1.47 })!.days).toBeCloseTo(10, 9);
  });

  it('are not told of one that is out already, or of which the drift is not known', () => {
    expect(daysInRange({ drift: steady, sg: 1.5, ageDays: 0, lowSg: 1.43, highSg: 1.47 })).toBeUndefined();
    expect(daysInRange({ drift: { ...steady, perDaySd: 0.0015 }, sg: 1.45, ageDays: 0, lowSg: 1.43, highSg: 1.47 })).toBeUndefined();
  });
});
