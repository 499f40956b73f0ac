import {
  dayItemFromPiece,
  handWarnings,
  SHORTEST_SECONDS,
  stepsOf,
  timeSteps,
  type BodyFacts,
  type PiecePlan,
  type TimedStep,
} from '../../src/index';
import { glazeOf } from '../glaze-facts';
import { coat, planOf } from '../plans';

const BODY: BodyFacts = { name: 'Barro Claro', bisqueCone: '05', earthenware: false };
const THICK = glazeOf('iron', { sg: 1.5 });
const timed = (plan: PiecePlan): TimedStep[] => timeSteps({ steps: stepsOf({ plan }), glazes: [THICK], body: BODY, wallMm: 6 });
const layerOf = (plan: PiecePlan): TimedStep => timed(plan).find((step) => step.layer)!;
const warningsOf = (plan: PiecePlan) => handWarnings({ plan, steps: timed(plan), glazes: [THICK] });

describe('no plan asks for less time than hands can do', () => {
  it('a dip that would be on in no time is a dip of one second, with the coat that gives', () => {
    const step = layerOf(planOf({ outside: [coat('iron', 0.25)] }));
    expect(step.tooShort!.wantedSeconds).toBeLessThan(1);
    expect(step.dip).toEqual({ kind: 'ok', seconds: 1 });
    expect(step.tooShort!.givesMm).toBeGreaterThan(0.25);
    expect(layerOf(planOf({ outside: [coat('iron', 0.9)] })).tooShort).toBeUndefined();
  });

  it('a pour inside needs three seconds, over the outside one', () => {
    const inside = layerOf(planOf({ inside: [coat('iron', 0.3, { method: 'pour' })] }));
    expect(inside.tooShort!.shortestSeconds).toBe(SHORTEST_SECONDS.pour);
    const over = layerOf(planOf({ outside: [coat('iron', 0.25, { method: 'pour' })] }));
    expect(over.tooShort!.shortestSeconds).toBe(SHORTEST_SECONDS.ladle);
  });

  it('the answer is what would make it possible: an SG with its water, the brush, or the coat of the shortest time', () => {
    const plan = planOf({ outside: [coat('iron', 0.25)] });
    const [warning] = warningsOf(plan);
    expect(warning!.what).toMatch(/^0\.25 mm of iron would be on after .*; hands need 1\.0 s\.$/i);
    expect(warning!.remedies[0]).toMatch(/^Thin .* to SG 1\.\d\d: \d+ mL of water a litre$/);
    const [asItComes, brushed] = warning!.fixes!;
    expect(warningsOf({ ...plan, ...asItComes!.change })).toEqual([]);
    expect(warningsOf({ ...plan, ...brushed!.change })).toEqual([]);
    const given = { ...plan, ...asItComes!.change }.zones.outside[0]!.coatMm;
    expect(given).toBeCloseTo(layerOf(plan).tooShort!.givesMm, 2);
  });

  it('thinned to that SG, the planned coat takes just the shortest time', () => {
    const plan = planOf({ outside: [coat('iron', 0.35)] });
    const { thinner } = layerOf(plan).tooShort!;
    const thin = glazeOf('iron', { sg: thinner!.sg });
    const step = timeSteps({ steps: stepsOf({ plan }), glazes: [thin], body: BODY, wallMm: 6 }).find((one) => one.layer)!;
    if (step.dip?.kind !== 'ok') throw new Error(step.dip?.kind);
    expect(step.dip.seconds).toBeCloseTo(1, 2);
    // A litre of 1.50 brought to that SG.
    expect((1000 * 1.5 + thinner!.waterMlPerLitre) / (1000 + thinner!.waterMlPerLitre)).toBeCloseTo(thinner!.sg, 6);
  });

  it('a dip of inside and outside together is mended in both', () => {
    const plan = planOf({ inside: [coat('iron', 0.25)], outside: [coat('iron', 0.25)] });
    const [warning, ...more] = warningsOf(plan);
    expect(more).toEqual([]);
    const { zones } = { ...plan, ...warning!.fixes![0]!.change };
    expect(zones.inside[0]!.coatMm).toBe(zones.outside[0]!.coatMm);
    expect(zones.inside[0]!.coatMm).toBeGreaterThan(0.25);
  });

  it('the day is told the seconds and the coat of hands, not of the drawing', () => {
    const plan = planOf({ outside: [coat('iron', 0.25)] });
    let id = 0;
    const { steps } = dayItemFromPiece({
      pieceId: 'p',
      name: 'Cup',
      count: 1,
      waxFootMm: 10,
      steps: timed(plan),
      glazes: [THICK],
      newId: () => String(++id),
    });
    const dip = steps.find((step) => step.bucketId)!;
    expect(dip.seconds).toBe(1);
    expect(dip.coatMm).toBeCloseTo(layerOf(plan).tooShort!.givesMm, 9);
  });
});
