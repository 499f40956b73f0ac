import fc from 'fast-check';
import { bandRunMm, FOOT_LN_SD, footToTell, learnFromFeet, meltedMm, shapeOf, type FlowGuess, type FootSeen, type PiecePlan } from '../../src/index';
import { glazeOf } from '../glaze-facts';
import { coat, planOf } from '../plans';

const GUESS: FlowGuess = { flow: 60, lnSd: 0.9, basis: 'startingGuess' };
const foot = (flow: number, isClean: boolean, glazeId = 'ash'): FootSeen => ({ glazeId, lnReach: Math.log(flow), isClean });
const GLAZES = [glazeOf('ash', { flow: GUESS }), glazeOf('iron')];
const tell = (plan: PiecePlan, firingRatio = 1) => footToTell({ plan, shape: shapeOf(plan), glazes: GLAZES, firingRatio });

describe('a fired foot as evidence of flow', () => {
  it('that stayed clean below a low edge says the glaze hardly flows, and narrows what is known', () => {
    const learnt = learnFromFeet(GUESS, 'ash', [foot(40, true)]);
    expect(learnt.flow).toBeLessThan(GUESS.flow);
    expect(learnt.lnSd).toBeLessThan(GUESS.lnSd);
    expect(learnt).toMatchObject({ basis: 'startingGuess', feet: 1 });
  });

  it('that stayed clean far below a high edge says nearly nothing', () => {
    const learnt = learnFromFeet(GUESS, 'ash', [foot(60 * Math.exp(4), true)]);
    expect(Math.log(learnt.flow / GUESS.flow)).toBeCloseTo(0, 2);
    expect(learnt.lnSd).toBeCloseTo(GUESS.lnSd, 2);
  });

  it('that stuck says it flows more than was thought', () => {
    expect(learnFromFeet(GUESS, 'ash', [foot(200, false)]).flow).toBeGreaterThan(100);
  });

  it('clean and stuck at one edge leave the flow near that edge', () => {
    const learnt = learnFromFeet(GUESS, 'ash', [foot(60, true), foot(60, false)]);
    expect(Math.log(learnt.flow / 60)).toBeCloseTo(0, 0.5);
  });

  it('other glazes learn nothing from it', () => {
    expect(learnFromFeet(GUESS, 'iron', [foot(40, true)])).toBe(GUESS);
  });

  it('one foot is the cut normal’s own mean and sd, drawn by brute force', () => {
    // Bayes on a fine grid: the prior times the chance of what was seen, with the edge itself uncertain.
    const grid = Array.from({ length: 4001 }, (_, at) => Math.log(60) - 6 + (12 * at) / 4000);
    const normal = (x: number): number => Math.exp((-x * x) / 2);
    const below = (z: number): number => {
      let sum = 0;
      for (let at = 0; at < 2000; at++) sum += normal(-9 + ((z + 9) * (at + 0.5)) / 2000) * ((z + 9) / 2000);
      return sum / Math.sqrt(2 * Math.PI);
    };
    for (const [flow, isClean] of [
      [40, true],
      [200, false],
    ] as const) {
      const weights = grid.map((ln) => normal((ln - Math.log(60)) / 0.9) * below(((isClean ? 1 : -1) * (Math.log(flow) - ln)) / FOOT_LN_SD));
      const whole = weights.reduce((sum, one) => sum + one, 0);
      const mean = grid.reduce((sum, ln, at) => sum + ln * weights[at]!, 0) / whole;
      const sd = Math.sqrt(grid.reduce((sum, ln, at) => sum + (ln - mean) ** 2 * weights[at]!, 0) / whole);
      const learnt = learnFromFeet(GUESS, 'ash', [foot(flow, isClean)]);
      expect(Math.log(learnt.flow)).toBeCloseTo(mean, 3);
      expect(learnt.lnSd).toBeCloseTo(sd, 3);
    }
  });

  it('never makes less sure, never breaks, and a clean foot never says more flow than before', () => {
    const within = (min: number, max: number) => fc.double({ min, max, noNaN: true });
    fc.assert(
      fc.property(
        within(1, 3000),
        within(0.05, 1.5),
        fc.array(fc.record({ flow: within(0.1, 20000), isClean: fc.boolean() }), { maxLength: 12 }),
        (flow, lnSd, seen) => {
          let known: FlowGuess = { flow, lnSd, basis: 'startingGuess' };
          for (const one of seen) {
            const next = learnFromFeet(known, 'ash', [foot(one.flow, one.isClean)]);
            expect(Number.isFinite(next.flow) && next.flow > 0 && next.lnSd > 0).toBe(true);
            expect(next.lnSd).toBeLessThanOrEqual(known.lnSd + 1e-12);
            if (one.isClean) expect(next.flow).toBeLessThanOrEqual(known.flow * (1 + 1e-12));
            else expect(next.flow).toBeGreaterThanOrEqual(known.flow * (1 - 1e-12));
            known = next;
          }
        },
      ),
    );
  });
});

describe('which piece’s foot tells', () => {
  const plain = planOf({ outside: [coat('ash', 0.5)] }, { shapeId: 'liddedPot', waxFootMm: 20 });

  it('one glaze above a bare foot: the flow at which its edge comes to the shelf', () => {
    const told = tell(plain)!;
    expect(told.bucketId).toBe('ash');
    // Near the exact band of an upright wall as high as the piece.
    const melt = meltedMm({ ...GLAZES[0]!, coatMm: 0.5 }) - 0.05;
    const run = bandRunMm({ meltedMm: melt, bandMm: 180, flow: Math.exp(told.lnReach) });
    expect(run).toBeGreaterThan(10);
    expect(run).toBeLessThan(40);
  });

  it('a hotter firing tells of less flow, by as much as it flowed more', () => {
    expect(tell(plain)!.lnReach - tell(plain, 2)!.lnReach).toBeCloseTo(Math.log(2), 1);
  });

  it.each<[string, PiecePlan]>([
    ['two glazes', planOf({ outside: [coat('ash'), coat('iron')] }, { waxFootMm: 20 })],
    ['a rim over it', planOf({ outside: [coat('ash')], rim: [coat('iron')] }, { waxFootMm: 20 })],
    ['a strip over it', planOf({ outside: [coat('ash')] }, { waxFootMm: 20, strips: [{ id: 's', fromMm: 30, toMm: 50, layers: [coat('iron')] }] })],
    ['no bare foot', planOf({ outside: [coat('ash')] }, { waxFootMm: 0 })],
    ['a refire', planOf({ outside: [coat('ash')] }, { waxFootMm: 20, refire: true })],
    ['fired upside down', planOf({ outside: [coat('ash')] }, { waxFootMm: 20, setting: 'upsideDown' })],
    ['only slip', planOf({ outside: [coat('ash', 0.4, { coatingKind: 'slip' })] }, { waxFootMm: 20 })],
    ['a glaze nobody knows', planOf({ outside: [coat('gone')] }, { waxFootMm: 20 })],
  ])('%s tells nothing', (_name, plan) => {
    expect(tell(plan)).toBeUndefined();
  });
});
