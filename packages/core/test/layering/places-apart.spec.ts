import { stepsOf, timeSteps, type BodyFacts, type PiecePlan, type TimedStep } from '../../src/index';
import { glazeOf } from '../glaze-facts';
import { coat, planOf } from '../plans';

const BODY: BodyFacts = { name: 'Barro Claro', bisqueCone: '05', earthenware: false };
const GLAZES = [glazeOf('iron'), glazeOf('ash')];
const rimPlan = (change: Partial<PiecePlan> = {}): PiecePlan =>
  planOf({ outside: [coat('iron', 0.5)], rim: [coat('ash', 0.5)] }, { rimBandMm: 30, ...change });
/** In this order, by the zone or strip each layer lies on. */
const timed = (plan: PiecePlan, ...zones: string[]): TimedStep[] => {
  const steps = stepsOf({ plan });
  const layer = (zone: string) => steps.filter((step) => (step.layer || step.kind === 'waxOver') && step.zones.includes(zone));
  return timeSteps({ steps: zones.flatMap(layer), glazes: GLAZES, body: BODY, wallMm: 6 });
};
const secondsOn = (steps: readonly TimedStep[], zone: string): number => {
  const step = steps.find((one) => one.layer && one.zones.includes(zone))!;
  if (step.dip?.kind !== 'ok') throw new Error(step.dip?.kind);
  return step.dip.seconds;
};

describe('a place that is glazed first and waxed over', () => {
  it('lies on bare clay, and so does the outside beside it: neither takes the time of a coat over a coat', () => {
    const apart = timed(rimPlan({ rimFirst: true }), 'rim', 'outside');
    const over = timed(rimPlan(), 'outside', 'rim');
    const alone = timed(planOf({ outside: [coat('iron', 0.5)] }), 'outside');
    expect(secondsOn(apart, 'rim')).toBeLessThan(secondsOn(over, 'rim'));
    // The rim has drunk a little of the wall's water, nothing else.
    expect(secondsOn(apart, 'outside')).toBeCloseTo(secondsOn(alone, 'outside'), 1);
  });

  it('is no thick pair with the outside, and waits for no night', () => {
    const thick = { outside: [coat('iron', 0.6)], rim: [coat('ash', 0.6)], inside: [], foot: [] };
    expect(timed(rimPlan({ zones: thick, rimFirst: true }), 'rim', 'outside').some((step) => step.waitFor === 'dryThrough')).toBe(false);
    expect(timed(rimPlan({ zones: thick }), 'outside', 'rim').some((step) => step.waitFor === 'dryThrough')).toBe(true);
  });

  it('taken in the wrong order it does lie on the outside, and is timed so', () => {
    const wrong = timed(rimPlan({ rimFirst: true }), 'outside', 'rim');
    expect(secondsOn(wrong, 'rim')).toBeCloseTo(secondsOn(timed(rimPlan(), 'outside', 'rim'), 'rim'), 6);
  });

  it('two coats on it are a pair of their own', () => {
    const plan = rimPlan({
      zones: { inside: [], outside: [coat('iron', 0.3)], rim: [coat('ash', 0.5), coat('iron', 0.5)], foot: [] },
      rimFirst: true,
    });
    const rim = timed(plan, 'rim', 'outside').filter((step) => step.layer && step.zones.includes('rim'));
    expect(rim).toHaveLength(2);
    expect(rim[0]!.waitFor).toBe('dryThrough');
  });
});
