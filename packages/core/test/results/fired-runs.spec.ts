import {
  firedRuns,
  learnFromFired,
  lnToReach,
  pairFlow,
  quickFront,
  quickRun,
  shapeOf,
  withFiredRuns,
  type GlazeFacts,
  type MeasuredPiece,
  type PairFlow,
  type PiecePlan,
} from '../../src/index';
import { glazeOf } from '../glaze-facts';
import { coat, planOf } from '../plans';

const GUESS = { flow: 60, lnSd: 0.9, basis: 'startingGuess' } as const;
const FACTS = [glazeOf('ash', { flow: GUESS }), glazeOf('iron', { flow: GUESS })];
const BUCKETS = ['ash', 'iron'].map((id) => ({ id, recipeId: id, recipeVersionId: `${id} 1`, contents: null }));
const ALONE = planOf({ outside: [coat('ash', 0.5)] }, { shapeId: 'liddedPot', waxFootMm: 60 });
const PAIR = planOf({ outside: [coat('ash', 0.4), coat('iron', 0.3)] }, { shapeId: 'liddedPot', waxFootMm: 60 });
const LONG_AGO = '2026-03-01T09:00:00.000Z';

const fired = (pieceId: string, ranMm: number | undefined, coatTimes: ReadonlyMap<string, number> = new Map()): MeasuredPiece => ({
  firedAt: LONG_AGO,
  coatTimes,
  body: { pieceId, coneReached: '6', faults: [], ...(ranMm === undefined ? {} : { ranMm }) },
});
const told = (plan: PiecePlan, results: readonly MeasuredPiece[], facts: readonly GlazeFacts[] = FACTS) => {
  const pieces = [{ id: 'p', body: { plan } }];
  return learnFromFired({ tiles: [], results, pieces, facts, buckets: BUCKETS });
};
const flowOf = (glazeId: string, { facts }: { facts: readonly GlazeFacts[] }) => facts.find(({ bucketId }) => bucketId === glazeId)!.flow;

/** How far a plan runs where its glazes flow, and their pair runs, so many times as much as is thought. */
function runOf(plan: PiecePlan, times: number): number {
  const quick = quickRun({ plan, shape: shapeOf(plan), glazes: FACTS, side: 'outside', firingRatio: 1 })!;
  return quickFront(quick, Math.log(times) / quick.lnSd) - quick.side.startMm;
}

describe('the measured run of a fired piece', () => {
  it('moves the flow of its glaze towards what it did, and narrows it', () => {
    const learnt = flowOf('ash', told(ALONE, [fired('p', runOf(ALONE, 2))]));
    expect(learnt.flow).toBeGreaterThan(80);
    expect(learnt.flow).toBeLessThan(120);
    expect(learnt.lnSd).toBeLessThan(0.6);
    expect(learnt).toMatchObject({ pieces: 1, basis: 'startingGuess' });
  });

  it('many of them find the true flow within a tenth', () => {
    const results = Array.from({ length: 20 }, () => fired('p', runOf(ALONE, 2)));
    expect(flowOf('ash', told(ALONE, results)).flow / 120).toBeCloseTo(1, 1);
  });

  it('is read at the coat that was done: a coat half as thick again ran for that, not for the glaze', () => {
    const ranMm = runOf(planOf({ outside: [coat('ash', 0.75)] }, { shapeId: 'liddedPot', waxFootMm: 60 }), 1);
    const asPlanned = flowOf('ash', told(ALONE, [fired('p', ranMm)]));
    const asDone = flowOf('ash', told(ALONE, [fired('p', ranMm, new Map([['ash', 1.5]]))]));
    expect(asPlanned.flow).toBeGreaterThan(90);
    expect(asDone.flow / 60).toBeCloseTo(1, 1);
    // A coat that somebody timed makes surer.
    expect(asDone.lnSd).toBeLessThan(asPlanned.lnSd);
  });

  it('that was none with a ruler says only that the glaze flows no more', () => {
    const learnt = flowOf('ash', told(ALONE, [fired('p', 0)]));
    expect(learnt.flow).toBeLessThan(60);
    expect(learnt.pieces).toBeUndefined();
    expect(learnt.feet).toBe(1);
  });

  it('that came down to the shelf says only that the glaze flows as much, or more', () => {
    const low = { ...ALONE, waxFootMm: 20 };
    const learnt = flowOf('ash', told(low, [fired('p', 60)]));
    expect(learnt.flow).toBeGreaterThan(60);
    expect(learnt.feet).toBe(1);
  });

  it('counts once, though its foot is told too', () => {
    const ran = fired('p', runOf(ALONE, 2));
    const both = told(ALONE, [{ ...ran, body: { ...ran.body, foot: 'clean' } }]);
    expect(flowOf('ash', both)).toEqual(flowOf('ash', told(ALONE, [ran])));
  });

  it('teaches no other glaze', () => {
    expect(flowOf('iron', told(ALONE, [fired('p', 30)]))).toEqual(GUESS);
  });

  it('of two glazes over one another teaches their pair, and neither of them', () => {
    const known = FACTS.map((glaze) => ({ ...glaze, flow: { ...GUESS, lnSd: 0.2 } }));
    const ranMm = runOf(PAIR, 1.6);
    const learnt = told(PAIR, [fired('p', ranMm), fired('p', ranMm), fired('p', ranMm)], known);
    const pair = pairFlow(learnt.overlaps, 'iron', 'ash');
    expect(pair.omega).toBeGreaterThan(1.6);
    expect(pair.omega).toBeLessThan(2.2);
    expect(pair).toMatchObject({ pieces: 3 });
    expect(flowOf('ash', learnt).flow).toBe(60);
  });

  it('a pair is told only what the runs of its own glazes leave unexplained', () => {
    const plans = [
      { id: 'alone', body: { plan: ALONE } },
      { id: 'pair', body: { plan: PAIR } },
    ];
    const known = [glazeOf('ash', { flow: GUESS }), glazeOf('iron', { flow: { ...GUESS, lnSd: 0.01 } })];
    const twice = [glazeOf('ash', { flow: { ...GUESS, flow: 120 } }), glazeOf('iron', { flow: GUESS })];
    const quick = quickRun({ plan: PAIR, shape: shapeOf(PAIR), glazes: twice, side: 'outside', firingRatio: 1 })!;
    const results = [...Array.from({ length: 30 }, () => fired('alone', runOf(ALONE, 2))), fired('pair', quickFront(quick, 0) - quick.side.startMm)];
    const { overlaps } = learnFromFired({ tiles: [], results, pieces: plans, facts: known, buckets: BUCKETS });
    expect(pairFlow(overlaps, 'ash', 'iron').omega / 1.3).toBeCloseTo(1, 0);
  });

  it.each<[string, PiecePlan]>([
    ['a rim over it', planOf({ outside: [coat('ash')], rim: [coat('iron')] }, { waxFootMm: 20 })],
    ['a strip over it', planOf({ outside: [coat('ash')] }, { waxFootMm: 20, strips: [{ id: 's', fromMm: 30, toMm: 50, layers: [coat('iron')] }] })],
    ['a refire', planOf({ outside: [coat('ash')] }, { waxFootMm: 20, refire: true })],
    ['fired upside down', planOf({ outside: [coat('ash')] }, { waxFootMm: 20, setting: 'upsideDown' })],
    ['a glaze nobody knows', planOf({ outside: [coat('gone')] }, { waxFootMm: 20 })],
    ['another version of its recipe', { ...ALONE, versions: [{ bucketId: 'ash', recipeVersionId: 'ash 0', number: 1 }] }],
    ['nothing outside', planOf({ inside: [coat('ash')] }, { waxFootMm: 20 })],
  ])('%s tells nothing', (_name, plan) => {
    expect(flowOf('ash', told(plan, [fired('p', 12)]))).toEqual(GUESS);
  });

  it('a piece whose plan is gone, and a cone that no kiln has, tell nothing', () => {
    expect(told(ALONE, [fired('other', 12)]).facts[0]!.flow).toEqual(GUESS);
    const strange = fired('p', 12);
    expect(told(ALONE, [{ ...strange, body: { ...strange.body, coneReached: '99' } }]).facts[0]!.flow).toEqual(GUESS);
  });

  it('only the forty newest are looked at', () => {
    const old = Array.from({ length: 60 }, () => fired('p', 20));
    const found = firedRuns({ results: old, pieces: [{ id: 'p', body: { plan: ALONE } }], facts: FACTS, overlaps: [], buckets: BUCKETS });
    expect(found.runs).toHaveLength(40);
  });

  it('pairs that no piece told stay as they were', () => {
    const pairs: PairFlow[] = [{ a: 'ash', b: 'iron', omega: 2, lnSd: 0.2 }];
    expect(withFiredRuns({ facts: FACTS, overlaps: pairs, buckets: BUCKETS }, []).overlaps).toEqual(pairs);
  });

  it('the run read is the one that was foretold: there and back', () => {
    const quick = quickRun({ plan: ALONE, shape: shapeOf(ALONE), glazes: FACTS, side: 'outside', firingRatio: 1 })!;
    for (const times of [0.7, 1, 1.5, 2]) expect(lnToReach(quick, quick.side.startMm + runOf(ALONE, times))).toBeCloseTo(Math.log(times), 1);
  });
});
