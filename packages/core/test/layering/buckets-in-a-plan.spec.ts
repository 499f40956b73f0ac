import {
  asThinned,
  glazeFacts,
  handWarnings,
  laborOf,
  pieceWarnings,
  preparationsOf,
  shapeOf,
  stepsOf,
  timeSteps,
  type BodyFacts,
  type BucketNow,
  type GlazeFacts,
  type PiecePlan,
  type Warning,
} from '../../src/index';
import { glazeOf } from '../glaze-facts';
import { coat, planOf } from '../plans';

const BODY: BodyFacts = { name: 'Barro Claro', bisqueCone: '05', earthenware: false };
const PAIL = { kind: 'cylinder', acrossMm: 280, highMm: 300 } as const;
const bucket = (change: Partial<BucketNow> = {}): BucketNow => ({
  code: 'T3',
  sg: 1.45,
  lowSg: 1.43,
  highSg: 1.47,
  volumeMl: 12_000,
  isOut: false,
  shape: PAIL,
  ...change,
});
const warn = (plan: PiecePlan, glaze: GlazeFacts): Warning[] => pieceWarnings({ plan, shape: shapeOf(plan), glazes: [glaze], body: BODY });
const rule = (id: string, plan: PiecePlan, glaze: GlazeFacts): Warning | undefined => warn(plan, glaze).find((one) => one.rule === id);

describe('a bucket out of its range, in a plan', () => {
  const contents = { parts: [], dryGrams: 5000, baseDryGrams: 5000, stainGrams: 0, stainPercent: 0, waterGrams: 5000, density: 2.6, volumeMl: 8000 };
  const facts = (sg: number, sgSd?: number): GlazeFacts =>
    glazeFacts({
      bucketId: 'b',
      name: 'Tinaja',
      colour: '#805030',
      surface: 'gloss',
      movement: 'stays',
      foodTested: true,
      contents: { ...contents, sg, changedSinceMeasured: false, slurryState: 'normal', ...(sgSd === undefined ? {} : { sgSd }) },
      bucket: { code: 'T3', lowSg: 1.43, highSg: 1.47 },
      powders: [],
    });

  it('seconds are told for the SG it will have, and the plan says so', () => {
    const glaze = facts(1.52, 0.005);
    expect(glaze.sg).toBeCloseTo(1.45, 9);
    const found = rule('C2', planOf({ outside: [coat('b')] }), glaze)!;
    expect(found.what).toBe('Tinaja stands at SG 1.52, over its range 1.43–1.47.');
    expect(found.why).toMatch(/told for 1\.45: bring bucket T3 there/);
    // V(d − t)/(t − 1) for 8 L.
    expect(found.remedies[0]).toBe('1.2 L of water into the bucket, in two goes');
    expect(found.bucketId).toBe('b');
  });

  it('too thin, clear water is poured off; in range, unsure or never measured it is dipped as it stands', () => {
    expect(rule('C2', planOf({ outside: [coat('b')] }), facts(1.38, 0.005))!.remedies[0]).toMatch(/^Pour off 1\.2 L of clear water/);
    for (const glaze of [facts(1.46, 0.005), facts(1.475, 0.03), facts(1.52)]) {
      expect(rule('C2', planOf({ outside: [coat('b')] }), glaze)).toBeUndefined();
      expect(glaze.sg).toBeGreaterThan(1.455);
    }
  });

  it('a bucket that the plan does not use is not its matter', () => {
    expect(rule('C2', planOf({}), facts(1.52, 0.005))).toBeUndefined();
  });
});

describe('a piece and the bucket it is dipped in', () => {
  it('wider than the bucket it is poured, and how much that takes is said', () => {
    const platter = planOf({ outside: [coat('iron')] }, { shapeId: 'platter' });
    const found = rule('T2', platter, glazeOf('iron', { bucket: bucket() }))!;
    expect(found.severity).toBe('stop');
    expect(found.what).toMatch(/^It cannot be dipped in iron: it is \d+ mm wide, and bucket T3 only 280 mm/);
    expect(found.remedies[0]).toMatch(/about [\d.]+ m?L in the jug/);
    expect(rule('T2', { ...platter, ...found.fixes![0]!.change }, glazeOf('iron', { bucket: bucket() }))).toBeUndefined();
  });

  it('in too little glaze it says how much more would do; in a full bucket, that it runs over', () => {
    const pot = planOf({ outside: [coat('iron')] }, { shapeId: 'vase' });
    expect(rule('T2', pot, glazeOf('iron', { bucket: bucket({ volumeMl: 4000 }) }))!.what).toMatch(
      /takes it \d+ mm deep, and \d+ mm are wanted: [\d.]+ m?L more/,
    );
    const brim = bucket({ volumeMl: 18_400 });
    expect(rule('T2', pot, glazeOf('iron', { bucket: brim }))!.what).toMatch(/runs over when it is \d+ mm deep/);
  });

  it('a cup fits; a rim band needs only its own height; a bucket without sizes is not judged', () => {
    const cup = planOf({ outside: [coat('iron')] });
    expect(rule('T2', cup, glazeOf('iron', { bucket: bucket() }))).toBeUndefined();
    const band = planOf({ rim: [coat('iron')] }, { shapeId: 'vase', rimBandMm: 30 });
    expect(rule('T2', band, glazeOf('iron', { bucket: bucket({ volumeMl: 6000 }) }))).toBeUndefined();
    expect(
      rule('T2', planOf({ outside: [coat('iron')] }, { shapeId: 'platter' }), glazeOf('iron', { bucket: bucket({ shape: undefined }) })),
    ).toBeUndefined();
  });

  it('a dunk inside and out lifts the level by its clay alone: it fits where the same pot full of air would spill', () => {
    const almostFull = glazeOf('iron', { bucket: bucket({ volumeMl: 17_000 }) });
    const outside = planOf({ outside: [coat('iron')] }, { shapeId: 'vase' });
    const both = planOf({ inside: [coat('iron')], outside: [coat('iron', 0.51)] }, { shapeId: 'vase' });
    expect(rule('T2', outside, almostFull)?.what).toMatch(/runs over/);
    expect(rule('T2', both, almostFull)?.what ?? '').not.toMatch(/runs over/);
  });
});

describe('what is made ready before the first step', () => {
  const glaze = glazeOf('iron', { sg: 1.5, bucket: bucket({ sg: 1.5, volumeMl: 8000 }) });
  const plan = planOf({ outside: [coat('iron', 0.25)] });

  it('a part that is thinned for this plan makes its thin coat possible, and leaves the bucket as it is', () => {
    const asPlanned = (of: PiecePlan) => timeSteps({ steps: stepsOf({ plan: of }), glazes: asThinned(of, [glaze]), body: BODY, wallMm: 6 });
    const [warning] = handWarnings({ plan, steps: asPlanned(plan), glazes: [glaze] });
    expect(warning!.remedies[0]).toMatch(/mL of water a litre, [\d.]+ L for the whole bucket$/);
    const thin = warning!.fixes!.find(({ words }) => words.startsWith('Thin part of it'))!;
    const thinned = { ...plan, ...thin.change };
    expect(handWarnings({ plan: thinned, steps: asPlanned(thinned), glazes: asThinned(thinned, [glaze]) })).toEqual([]);
    expect(preparationsOf(thinned, [glaze])[0]!.words).toMatch(
      /^Thin part of iron to SG 1\.\d\d in a second bucket: \d+ mL of water to a litre of 1\.50/,
    );
    // What is wanted thicker than the bucket stands is nothing that water does.
    expect(asThinned({ thinned: [{ bucketId: 'iron', sg: 1.6 }] }, [glaze])[0]!.sg).toBe(1.5);
  });

  it('gum has its dose: 30 mL of solution a litre, told for the bucket', () => {
    const gummed = { ...plan, gumIn: ['iron'] };
    expect(preparationsOf(gummed, [glaze])[0]!.words).toBe(
      'Stir gum into iron: 30 mL of a 1.5 % solution a litre, 240 mL for its 8.0 L, and no more water than gum',
    );
    expect(preparationsOf({ ...gummed, gumIn: ['another'] }, [glaze])).toEqual([]);
  });

  it('it counts once, whatever the number of pieces', () => {
    const labor = (count: number, all: ReturnType<typeof preparationsOf>): number =>
      laborOf({ steps: stepsOf({ plan }), count, lightness: new Map(), preparations: all }).allMinutes;
    const gum = preparationsOf({ ...plan, gumIn: ['iron'] }, [glaze]);
    for (const count of [1, 30]) expect(labor(count, gum) - labor(count, [])).toBeCloseTo(5, 9);
  });
});
