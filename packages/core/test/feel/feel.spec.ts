import fc from 'fast-check';
import { feelAndSg, feelPairs, feelRemedy, feelVerdict, monotoneFit, predictFromFit, type BucketEvent } from '../../src/index';

const START = Date.UTC(2026, 2, 1, 9);
let minute = 0;
const head = (later = 1): { id: string; at: string; by: string } => {
  minute += later;
  return { id: `f${String(minute).padStart(8, '0')}`, at: new Date(START + minute * 60_000).toISOString(), by: 'Maia' };
};
const swirl = (seconds: number, later = 1): BucketEvent => ({ ...head(later), type: 'swirlTimed', seconds });
const sg = (value: number, later = 1): BucketEvent => ({ ...head(later), type: 'sgMeasured', sg: value, sgSd: 0.005 });

describe('monotone regression', () => {
  it('follows points that fall, and pools those that do not', () => {
    const fit = monotoneFit({
      direction: 'falling',
      points: [
        { x: 1, y: 10 },
        { x: 2, y: 7 },
        { x: 3, y: 8 },
        { x: 4, y: 2 },
      ],
    });
    expect(fit).toMatchObject({
      kind: 'ok',
      points: 4,
      knots: [
        { x: 1, y: 10 },
        { x: 2, y: 7.5 },
        { x: 3, y: 7.5 },
        { x: 4, y: 2 },
      ],
    });
  });

  it('says so when there are too few points', () => {
    expect(monotoneFit({ direction: 'rising', points: [{ x: 1, y: 1 }] })).toEqual({ kind: 'tooFew', points: 1, needed: 4 });
  });

  it('never turns back, whatever the points, and keeps their mean', () => {
    const point = fc.record({ x: fc.integer({ min: 0, max: 30 }), y: fc.double({ min: -50, max: 50, noNaN: true }) });
    fc.assert(
      fc.property(fc.array(point, { minLength: 4, maxLength: 40 }), (points) => {
        const fit = monotoneFit({ points, direction: 'rising' });
        if (fit.kind === 'tooFew') return;
        fit.knots.slice(1).forEach((knot, index) => expect(knot.y).toBeGreaterThanOrEqual(fit.knots[index]!.y - 1e-9));
        const fitted = points.reduce((sum, { x }) => sum + predictFromFit({ fit, x }).y, 0);
        expect(fitted).toBeCloseTo(
          points.reduce((sum, { y }) => sum + y, 0),
          6,
        );
      }),
    );
  });

  it('its spread is what a left-out point is missed by; beyond the points it says so', () => {
    const points = Array.from({ length: 30 }, (_, x) => ({ x, y: x + (x % 2 === 0 ? 0.5 : -0.5) }));
    const fit = monotoneFit({ points, direction: 'rising' });
    if (fit.kind !== 'ok') throw new Error(fit.kind);
    expect(fit.sd).toBeGreaterThan(0.3);
    expect(fit.sd).toBeLessThan(1.5);
    expect(predictFromFit({ fit, x: 99 })).toMatchObject({ outside: true });
    expect(predictFromFit({ fit, x: 10 }).outside).toBe(false);
  });
});

describe('feel and SG teach each other', () => {
  it('in pairs of one visit, whichever came first; water in between parts them', () => {
    minute = 0;
    const events: BucketEvent[] = [
      swirl(9),
      sg(1.45),
      { ...head(), type: 'waterAdded', grams: 100 },
      sg(1.44),
      swirl(11),
      { ...head(), type: 'waterAdded', grams: 100 },
      swirl(13),
    ];
    expect(feelPairs({ events, kind: 'swirl' }).map(({ value, sg: at }) => [value, at])).toEqual([
      [9, 1.45],
      [11, 1.44],
    ]);
  });

  it('hours apart they are no pair', () => {
    minute = 0;
    expect(feelPairs({ events: [swirl(9), sg(1.45, 300)], kind: 'swirl' })).toEqual([]);
  });

  it('a swirl then tells the SG, and the SG the swirl', () => {
    minute = 0;
    const visits = [
      [1.5, 4],
      [1.48, 6],
      [1.46, 9],
      [1.44, 12],
      [1.42, 16],
    ] as const;
    const events = visits.flatMap(([value, seconds]): BucketEvent[] => [sg(value, 24 * 60), swirl(seconds)]);
    const both = feelAndSg({ events, kind: 'swirl' });
    if (both.sgFromFeel.kind !== 'ok' || both.feelFromSg.kind !== 'ok') throw new Error('too few');
    expect(predictFromFit({ fit: both.sgFromFeel, x: 7.5 }).y).toBeCloseTo(1.47, 9);
    expect(predictFromFit({ fit: both.feelFromSg, x: 1.45 }).y).toBeCloseTo(10.5, 9);
  });
});

describe('a studio that works by feel', () => {
  const ranges = { swirl: { low: 6, high: 10 }, drips: { low: 2, high: 4 }, nail: 'softened' as const };
  it.each([
    [{ swirlSeconds: 8 }, 'inRange'],
    [{ swirlSeconds: 14 }, 'tooThin'],
    [{ swirlSeconds: 3 }, 'tooThick'],
    [{ drips: 6 }, 'tooThin'],
    [{ nail: 'hidden' as const }, 'tooThick'],
    [{ swirlSeconds: 14, nail: 'hidden' as const }, 'mixed'],
    [{ flowSeconds: 20 }, 'unknown'],
  ] as const)('%p is %s', (feel, verdict) => {
    expect(feelVerdict({ feel: { ...feel, at: '2026-03-01T09:00:00Z' }, ranges })).toBe(verdict);
  });

  it('knows nothing of a glaze without ranges', () => {
    expect(feelVerdict({ feel: undefined, ranges: undefined })).toBe('unknown');
  });
});

describe('a bucket judged by feel alone', () => {
  it('has an amount to try, in proportion to what is in it', () => {
    expect(feelRemedy({ verdict: 'tooThick', volumeMl: 10_000 })).toEqual({ kind: 'addWater', millilitres: 150 });
    expect(feelRemedy({ verdict: 'tooThin', volumeMl: 10_000 })).toEqual({ kind: 'pourOff', millilitres: 150 });
  });

  it.each(['inRange', 'mixed', 'unknown'] as const)('%s asks for nothing', (verdict) => {
    expect(feelRemedy({ verdict, volumeMl: 10_000 })).toBeUndefined();
  });
});
