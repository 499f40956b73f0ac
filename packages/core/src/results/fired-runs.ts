import { glazeIdOf, type GlazeInBucket } from '../bucket/events/glaze-id';
import type { FlowGuess } from '../chemistry/flow-guess';
import { attempt } from '../checks/potter-error';
import { shapeOf } from '../geometry/shapes';
import type { FootSeen } from '../learning/foot-evidence';
import type { BucketOfRecipe, FiredPiece } from '../learning/fired-feet';
import { RUN_LN_SD } from '../learning/run-learning';
import { combineEstimates } from '../math/normal';
import { flowInFiring } from '../melt/kiln-place';
import type { GlazeFacts } from '../plan/facts';
import { coatingKindOf } from '../plan/layer';
import { isTurnedOver, withLayers, type PiecePlan } from '../plan/piece-plan';
import { COAT_LN_SD } from '../run/draw-runs';
import { pairFlow, type PairFlow } from '../run/piece-run';
import { lnToReach, quickRun } from '../run/quick-run';

/** A fired piece whose run somebody measured. */
export interface MeasuredPiece extends FiredPiece {
  body: FiredPiece['body'] & { ranMm?: number | undefined };
  /** How many times as thick as planned its coats were, by bucket; those that nobody timed or measured are left out. */
  coatTimes: ReadonlyMap<string, number>;
}

/** How a fired piece ran beside what was foretold. */
export interface FiredRun {
  /** Lower one first, with its share of what melted there. */
  layers: readonly { glazeId: string; share: number }[];
  /** ln of how many times as much the whole flowed as was thought, and how sure that is. */
  lnMore: number;
  lnSd: number;
}

/** What measured pieces say: runs, and where one only says that the glaze flows less, or more, than so much. */
export interface FiredRuns {
  runs: FiredRun[];
  bounds: FootSeen[];
}

/** How many results are looked at: the newest are enough, and each costs a run. */
const MOST_RUNS = 40;
/** A shorter run was not seen with a ruler, mm: it only says that the glaze flows no more than that. */
const SHORTEST_RUN_MM = 1;
/** Sd of ln F of one measured piece: as of a tile, and its coat where nobody timed or measured it (the run goes with its square). */
const untimedLnSd = Math.hypot(RUN_LN_SD, 2 * COAT_LN_SD);

/**
 * Returns what the measured runs of fired pieces say of their glazes. At most the 40 newest are looked at. A piece says nothing where its bucket holds
 * another recipe by now, where rim or strips lie over its outside, where it was fired before or upside down, or where more than two glazes ran together.
 *
 * @param records - what the studio has
 * @param records.results - results with a run
 * @param records.pieces - pieces with their plans
 * @param records.facts - glazes, as they are known without these runs
 * @param records.overlaps - pairs, as they are known without these runs
 * @param records.buckets - the buckets the glazes are in
 * @example
 * firedRuns({ results: [], pieces: [], facts: [], overlaps: [], buckets: [] }) // { runs: [], bounds: [] }
 */
export function firedRuns(records: {
  results: readonly MeasuredPiece[];
  pieces: readonly { id: string; body: { plan: PiecePlan } }[];
  facts: readonly GlazeFacts[];
  overlaps: readonly PairFlow[];
  buckets: readonly BucketOfRecipe[];
}): FiredRuns {
  const { results, pieces, facts, overlaps, buckets } = records;
  const found: FiredRuns = { runs: [], bounds: [] };
  const measured = results.filter(({ body }) => body.ranMm !== undefined).sort((a, b) => b.firedAt.localeCompare(a.firedAt));
  for (const { body, coatTimes } of measured.slice(0, MOST_RUNS)) {
    const plan = pieces.find(({ id }) => id === body.pieceId)?.body.plan;
    const layers = plan && bandToTell(plan);
    if (!layers || !layers.every(({ bucketId }) => holdsWhatWasFired(bucketId, plan, buckets))) continue;
    const asDone = withLayers(plan, (layer) => ({ ...layer, coatMm: layer.coatMm * (coatTimes.get(layer.bucketId) ?? 1) }));
    const asked = attempt(() =>
      quickRun({
        plan: asDone,
        shape: shapeOf(plan),
        glazes: facts,
        overlaps,
        side: 'outside',
        firingRatio: flowInFiring({ cone: body.coneReached }),
      }),
    );
    const quick = asked.kind === 'ok' ? asked.value : undefined;
    if (!quick || quick.side.layers.length !== layers.length) continue;
    const { startMm, endMm } = quick.side;
    const ranTo = startMm + Math.max(SHORTEST_RUN_MM, body.ranMm!);
    const lnMore = lnToReach(quick, Math.min(ranTo, endMm));
    if (lnMore === undefined) continue;
    const whole = quick.side.layers.reduce((sum, layer) => sum + layer.meltedMm, 0);
    const told = quick.side.layers.map(({ layer, meltedMm }) => ({
      glazeId: glazeOf(layer.bucketId, buckets),
      share: meltedMm / whole,
      flow: facts.find(({ bucketId }) => bucketId === layer.bucketId)!.flow.flow,
    }));
    const isBound = body.ranMm! < SHORTEST_RUN_MM || ranTo >= endMm;
    if (isBound && told.length === 1)
      found.bounds.push({ glazeId: told[0]!.glazeId, lnReach: Math.log(told[0]!.flow) + lnMore, isClean: ranTo < endMm });
    if (isBound) continue;
    const isTimed = layers.every(({ bucketId }) => coatTimes.has(bucketId));
    found.runs.push({
      layers: told.map(({ glazeId, share }) => ({ glazeId, share })),
      lnMore,
      lnSd: isTimed ? RUN_LN_SD : untimedLnSd,
    });
  }
  return found;
}

/**
 * Returns glazes and pairs with what measured runs of fired pieces say: of one glaze alone its flow, of two over one another their pair.
 *
 * @param known - glazes and pairs as `firedRuns` had them, and the buckets they are in
 * @param runs - from `firedRuns`
 * @example
 * withFiredRuns({ facts: [], overlaps: [], buckets: [] }, []) // { facts: [], overlaps: [] }
 */
export function withFiredRuns(
  { facts, overlaps, buckets }: { facts: readonly GlazeFacts[]; overlaps: readonly PairFlow[]; buckets: readonly GlazeInBucket[] },
  runs: readonly FiredRun[],
): { facts: GlazeFacts[]; overlaps: PairFlow[] } {
  const idOf = (bucketId: string): string => glazeOf(bucketId, buckets);
  const learnt = facts.map((glaze) => ({ ...glaze, flow: flowWith(glaze.flow, idOf(glaze.bucketId), runs) }));
  const bucketsOf = (glazeId: string): GlazeFacts[] => learnt.filter(({ bucketId }) => idOf(bucketId) === glazeId);
  /** How much ln F of a glaze moved by the runs of that glaze alone: a pair is told only what is left. */
  const moved = (glazeId: string): number => {
    const [before, after] = [facts.find(({ bucketId }) => idOf(bucketId) === glazeId), bucketsOf(glazeId)[0]];
    return before && after ? Math.log(after.flow.flow / before.flow.flow) : 0;
  };
  const byPair = new Map<string, FiredRun[]>();
  for (const run of runs) {
    const [a, b] = run.layers.map(({ glazeId }) => glazeId).sort();
    if (a === undefined || b === undefined || a === b) continue;
    const key = `${a} ${b}`;
    byPair.set(key, [...(byPair.get(key) ?? []), run]);
  }
  const pairs = [...byPair.values()].flatMap((ofPair): PairFlow[] => {
    const [a, b] = ofPair[0]!.layers.map(({ glazeId }) => bucketsOf(glazeId)) as [GlazeFacts[], GlazeFacts[]];
    const [first, second] = [a[0], b[0]];
    if (!first || !second) return [];
    const before = pairFlow(overlaps, first.bucketId, second.bucketId);
    const { mean, sd } = combineEstimates([
      { mean: Math.log(before.omega), sd: before.lnSd },
      ...ofPair.map(({ layers, lnMore, lnSd }) => {
        const [x, y] = layers.map(({ share }) => share) as [number, number];
        const weight = 4 * x * y;
        const ofGlazes = layers.reduce((sum, { glazeId, share }) => sum + share * moved(glazeId), 0);
        return {
          mean: Math.log(before.omega) + (lnMore - ofGlazes) / weight,
          sd: Math.hypot(lnSd, ...layers.map(({ glazeId, share }) => share * (bucketsOf(glazeId)[0]?.flow.lnSd ?? 0))) / weight,
        };
      }),
    ]);
    return a.flatMap((one) => b.map((other) => ({ a: one.bucketId, b: other.bucketId, omega: Math.exp(mean), lnSd: sd, pieces: ofPair.length })));
  });
  const isSame = (one: PairFlow, other: PairFlow): boolean => [other.a, other.b].includes(one.a) && [other.a, other.b].includes(one.b);
  return { facts: learnt, overlaps: [...overlaps.filter((pair) => !pairs.some((other) => isSame(pair, other))), ...pairs] };
}

function flowWith(prior: FlowGuess, glazeId: string, runs: readonly FiredRun[]): FlowGuess {
  const own = runs.filter(({ layers }) => layers.every((layer) => layer.glazeId === glazeId));
  if (own.length === 0) return prior;
  const before = Math.log(prior.flow);
  const { mean, sd } = combineEstimates([{ mean: before, sd: prior.lnSd }, ...own.map(({ lnMore, lnSd }) => ({ mean: before + lnMore, sd: lnSd }))]);
  return { ...prior, flow: Math.exp(mean), lnSd: sd, pieces: own.length };
}

/** The coats outside whose lower edge was measured; undefined where it cannot tell of them alone. */
function bandToTell(plan: PiecePlan): PiecePlan['zones']['outside'] | undefined {
  const layers = plan.zones.outside.filter((layer) => coatingKindOf(layer) === 'glaze');
  const isCovered = plan.zones.rim.length > 0 || (plan.strips ?? []).some((strip) => strip.layers.length > 0);
  const tells = layers.length > 0 && layers.length <= 2 && !isCovered && !plan.refire && !isTurnedOver(plan);
  return tells ? layers : undefined;
}

/** Not where it holds another recipe by now: its glaze is not the one that was fired. */
function holdsWhatWasFired(bucketId: string, { versions }: PiecePlan, buckets: readonly BucketOfRecipe[]): boolean {
  const bucket = buckets.find(({ id }) => id === bucketId);
  const planned = versions?.find((one) => one.bucketId === bucketId);
  return bucket !== undefined && (!planned || planned.recipeVersionId === bucket.recipeVersionId);
}

function glazeOf(bucketId: string, buckets: readonly GlazeInBucket[]): string {
  const bucket = buckets.find(({ id }) => id === bucketId);
  return bucket ? glazeIdOf(bucket) : bucketId;
}
