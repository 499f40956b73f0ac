import fc from 'fast-check';
import { againstEarlier, combineReadings, LEAST_SG_SD, replayBucket, type BucketEvent } from '../../src/index';

const at = (minute: number): string => new Date(Date.UTC(2026, 2, 1, 9) + minute * 60_000).toISOString();
const head = (minute: number): { id: string; at: string; by: string } => ({ id: `e${minute}`, at: at(minute), by: 'Oriol' });
const filled: BucketEvent = {
  ...head(0),
  type: 'filled',
  parts: [{ powderId: 'k', name: 'Kaolin', part: 'base', grams: 5000, density: 2.6 }],
  waterGrams: 6000,
  from: 'batch',
};
const read = (minute: number, sg: number, sgSd = 0.01): BucketEvent => ({ ...head(minute), type: 'sgMeasured', sg, sgSd });
const sgOf = (...events: BucketEvent[]) => {
  const replay = replayBucket({ events: [filled, ...events] });
  if (replay.kind === 'empty') throw new Error('empty');
  return replay.contents;
};

describe('repeated readings', () => {
  it('of one stirred bucket are combined, and surer than each', () => {
    const both = combineReadings({
      readings: [
        { sg: 1.45, sgSd: 0.01 },
        { sg: 1.46, sgSd: 0.01 },
      ],
    });
    expect(both).toMatchObject({ count: 2, agree: true });
    expect(both.sg).toBeCloseTo(1.455, 9);
    expect(both.sgSd).toBeCloseTo(0.01 / Math.SQRT2, 9);
  });

  it('count by how sure they are: a fine cylinder outweighs a hydrometer', () => {
    const both = combineReadings({
      readings: [
        { sg: 1.45, sgSd: 0.002 },
        { sg: 1.48, sgSd: 0.02 },
      ],
    });
    expect(both.sg).toBeLessThan(1.4505);
  });

  it('that scatter more than they should are believed less', () => {
    const both = combineReadings({
      readings: [
        { sg: 1.42, sgSd: 0.005 },
        { sg: 1.48, sgSd: 0.005 },
      ],
    });
    expect(both.agree).toBe(false);
    expect(both.sgSd).toBeCloseTo(0.03, 3);
  });

  it('lie between the lowest and the highest, and never pretend to more than the stirring allows', () => {
    fc.assert(
      fc.property(
        fc.array(fc.record({ sg: fc.double({ min: 1.1, max: 1.9, noNaN: true }), sgSd: fc.double({ min: 0.001, max: 0.05, noNaN: true }) }), {
          minLength: 1,
          maxLength: 20,
        }),
        (readings) => {
          const { sg, sgSd } = combineReadings({ readings });
          const all = readings.map((reading) => reading.sg);
          expect(sg).toBeGreaterThanOrEqual(Math.min(...all) - 1e-9);
          expect(sg).toBeLessThanOrEqual(Math.max(...all) + 1e-9);
          expect(sgSd).toBeGreaterThanOrEqual(LEAST_SG_SD);
        },
      ),
    );
  });

  it('none is refused with a sentence', () => {
    expect(() => combineReadings({ readings: [] })).toThrow('no reading to combine');
  });

  it('in a bucket: two minutes apart they are one, after water they are not', () => {
    expect(sgOf(read(5, 1.45), read(8, 1.46))).toMatchObject({ readings: 2 });
    expect(sgOf(read(5, 1.45), read(8, 1.46)).sg).toBeCloseTo(1.455, 9);
    const watered = sgOf(read(5, 1.45), { ...head(6), type: 'waterAdded', grams: 200 }, read(8, 1.43));
    expect(watered.readings).toBeUndefined();
    expect(watered.sg).toBeCloseTo(1.43, 9);
  });

  it('a week apart they are two visits: what both say by their errors, the earlier one less sure for each day', () => {
    const week = 7 * 24 * 60;
    const both = sgOf(read(5, 1.45), read(5 + week, 1.47));
    expect(both.sg).toBeCloseTo(1.45 + (0.02 * (0.01 ** 2 + 0.014 ** 2)) / (2 * 0.01 ** 2 + 0.014 ** 2), 9);
    expect(both.lastReading?.sg).toBeCloseTo(1.47, 9);
    // Two months later a bucket is what the new reading says.
    expect(sgOf(read(5, 1.45), read(5 + week, 1.53)).sg).toBeCloseTo(1.53, 9);
  });

  it('within the error of both, nothing moves: litres in the records do not wander with the noise of a scale', () => {
    const once = sgOf(read(5, 1.45));
    const later = 5 + 8 * 60;
    const twice = sgOf(read(5, 1.45), read(later, 1.4635));
    expect(twice.sg).toBeCloseTo(1.45, 9);
    expect(twice.volumeMl).toBeCloseTo(once.volumeMl, 9);
    expect(twice.sgSd!).toBeLessThan(once.sgSd!);
    // The other of the same visit counts with it.
    expect(sgOf(read(5, 1.45), read(later, 1.4635), read(later + 3, 1.4635)).sg).toBeGreaterThan(1.45);
  });

  it('after water went in, the reading counts alone: the sum was a guess of how much the bucket held', () => {
    expect(sgOf(read(5, 1.45), { ...head(6), type: 'waterAdded', grams: 20 }, read(8, 1.455)).sg).toBeCloseTo(1.455, 9);
  });
});

describe('an outlier', () => {
  it.each([
    [1.455, 'agrees'],
    [1.53, 'differs'],
  ] as const)('of SG %p beside 1.45 ± 0.01: %s', (sg, kind) => {
    expect(againstEarlier({ reading: { sg, sgSd: 0.01 }, earlier: { sg: 1.45, sgSd: 0.01 } }).kind).toBe(kind);
  });
});
