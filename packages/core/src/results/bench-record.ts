import { replayBatch } from '../batch/replay-batch';
import type { BatchEvent } from '../batch/batch-events';
import { stirringNeed } from '../bucket/care/stirring';
import type { BucketEvent } from '../bucket/events/bucket-events';
import { replayBucket } from '../bucket/events/replay-bucket';
import { suspensionRisk, weighedParts } from '../bucket/events/weighed-parts';
import { attempt } from '../checks/potter-error';
import { DRY_THROUGH_HOURS } from '../coat/wall/wall-state';
import type { BenchSight, DayItem } from '../day/day-plan';
import type { DayStanding } from '../day/day-standing';
import type { StepKind } from '../layering/steps/steps';
import type { Powder } from '../powder/powder';
import { DAY_MS, HOUR_MS, MINUTE_MS } from '../units/time';
import { allowedDifference, closingCheck } from '../weighing/closing-check';
import type { BatchPlan } from '../weighing/batch-plan';

/** What was recorded of a step beside its coat. What is left out nobody recorded: it blames nothing. */
export interface BenchRecord {
  kind: StepKind;
  /** Of its coats in the plan. */
  layerIds?: string[] | undefined;
  isSkipped?: boolean | undefined;
  /** What was seen while hands were at it. */
  seen?: BenchSight[] | undefined;
  /** The wall had to dry through before it, and had less than half of that time. */
  isWallFull?: boolean | undefined;
  /** Of its bucket at that moment. */
  bucket?: BucketRecord | undefined;
}

/** What was recorded of a bucket when a coat was put on. */
export interface BucketRecord {
  isFlocculated?: boolean | undefined;
  isStirredInTime?: boolean | undefined;
  isContaminated?: boolean | undefined;
  /** The closing weight, or what stayed on the sieve, did not agree. */
  isBatchOdd?: boolean | undefined;
  recipeVersion?: number | undefined;
  /** Lots of its powders, "powder: lot", as far as they were noted. */
  powderLots?: string[] | undefined;
}

/** A wait that was kept for less than this share left the wall full. */
const FULL_SHARE = 0.5;
/** A scale whose divisions nobody noted, g. */
const USUAL_DIVISION_GRAMS = 1;
/** What stays on the sieve changes the recipe from this share of the powder on. */
const RESIDUE_SHARE = 0.005;

/**
 * Returns what a day recorded of a step of one of its lots.
 *
 * @param item - the lot
 * @param standing - how its day stands
 * @param stepId - of the lot
 * @example
 * benchRecord({ id: 'i', pieceId: 'p', name: 'Cup', count: 1, steps: [{ id: 's', itemId: 'i', kind: 'wax', words: '', laborSeconds: 60, waitMinutes: 15 }] }, dayStanding({ items: [], events: [] }), 's')
 * // { kind: 'wax' }
 */
export function benchRecord({ steps }: DayItem, { ended }: DayStanding, stepId: string): BenchRecord | undefined {
  const at = steps.findIndex(({ id }) => id === stepId);
  const step = steps[at];
  if (!step) return undefined;
  const end = ended.get(stepId);
  const seen = end?.done?.seen;
  const isWallFull = step.kind === 'layer' && end && !end.skipped ? wallWasFull(steps.slice(0, at), ended, Date.parse(end.at)) : undefined;
  return {
    kind: step.kind,
    ...(step.layerIds ? { layerIds: step.layerIds } : {}),
    ...(end ? { isSkipped: end.skipped } : {}),
    ...(seen && seen.length > 0 ? { seen } : {}),
    ...(isWallFull === undefined ? {} : { isWallFull }),
  };
}

/** Whether the coat before it had to dry through first, and did not; undefined where none was ticked before it. */
function wallWasFull(before: DayItem['steps'], ended: DayStanding['ended'], coatMs: number): boolean | undefined {
  const lastCoat = before.findLast(({ id, kind }) => kind === 'layer' && ended.get(id)?.skipped === false);
  if (!lastCoat) return before.some(({ kind }) => kind === 'layer') ? undefined : false;
  const hours = (coatMs - Date.parse(ended.get(lastCoat.id)!.at)) / HOUR_MS;
  return lastCoat.waitMinutes >= DRY_THROUGH_HOURS * 60 && hours < FULL_SHARE * DRY_THROUGH_HOURS;
}

/**
 * Returns what was recorded of a bucket while a coat was put on: how its liquid stood, whether it was stirred in time, what had got into it. Whether it
 * was stirred is only known where somebody noted a stir within the day before.
 *
 * @param question - `events` of the bucket, in any order; `powders` of the studio; `beganMs` and `endedMs` of the coat
 * @example
 * bucketAtCoat({ events: [], powders: [], beganMs: 0, endedMs: 60_000 }) // {}
 */
export function bucketAtCoat({
  events,
  powders,
  beganMs,
  endedMs,
}: {
  events: readonly BucketEvent[];
  powders: readonly Powder[];
  beganMs: number;
  endedMs: number;
}): BucketRecord {
  const undone = new Set(events.flatMap((event) => (event.type === 'undone' ? [event.eventId] : [])));
  const until = events.filter(({ id, type, at }) => type !== 'undone' && !undone.has(id) && Date.parse(at) <= endedMs);
  const made = attempt(() => replayBucket({ events: until }));
  if (made.kind !== 'ok' || made.value.kind !== 'ok') return {};
  const { contents } = made.value;
  // Nobody felt it, and no salts went in: how it stood is a guess.
  const isFelt = contents.feel !== undefined || (contents.additives?.epsomGrams ?? 0) > 0;
  const stirredMs = Math.max(...until.flatMap(({ type, at }) => (type === 'stirred' && Date.parse(at) <= beganMs ? [Date.parse(at)] : [])));
  const risk = suspensionRisk({ parts: weighedParts({ parts: contents.parts, powders }) });
  const isFlocculated = contents.slurryState === 'flocculated';
  const need = risk && stirringNeed({ suspension: risk.suspension, flocculated: isFlocculated, epsomGrams: contents.additives?.epsomGrams });
  return {
    ...(isFelt ? { isFlocculated } : {}),
    ...(need && beganMs - stirredMs <= DAY_MS ? { isStirredInTime: beganMs - stirredMs <= need.minutes * MINUTE_MS } : {}),
    isContaminated: (contents.contaminated ?? []).length > 0,
  };
}

/**
 * Returns what was recorded when the batch of a bucket was weighed: whether its closing weight and its sieve agree, and the lots of its powders.
 *
 * @param batch - its `plan` and `events`
 * @example
 * batchRecord({ plan: { lines: [], waterGrams: 0 }, events: [] }) // {}
 */
export function batchRecord(batch: {
  plan: Pick<BatchPlan, 'lines' | 'waterGrams'>;
  events: readonly BatchEvent[];
}): Pick<BucketRecord, 'isBatchOdd' | 'powderLots'> {
  const state = replayBatch(batch);
  const valueOf = (check: 'closingWeight' | 'sieveResidue'): number | undefined => state.checks.findLast((one) => one.check === check)?.value;
  const lines = [
    ...state.lines.flatMap(({ name, inGrams }) => (inGrams > 0 ? [{ name, grams: inGrams }] : [])),
    { name: 'the water', grams: state.waterInGrams ?? 0 },
  ];
  const [shownGrams, residueGrams] = [valueOf('closingWeight'), valueOf('sieveResidue')];
  const allowedGrams = allowedDifference({ lines, divisionGrams: USUAL_DIVISION_GRAMS });
  const closing = shownGrams === undefined ? undefined : attempt(() => closingCheck({ lines, shownGrams, allowedGrams }));
  const odd = [
    ...(closing?.kind === 'ok' ? [closing.value.kind !== 'agrees' && closing.value.kind !== 'lost'] : []),
    ...(residueGrams === undefined || state.dryInGrams <= 0 ? [] : [residueGrams / state.dryInGrams > RESIDUE_SHARE]),
  ];
  const powderLots = state.lines.flatMap(({ name, lot, inGrams }) => (lot && inGrams > 0 ? [`${name}: ${lot}`] : [])).sort();
  return { ...(odd.length > 0 ? { isBatchOdd: odd.includes(true) } : {}), ...(powderLots.length > 0 ? { powderLots } : {}) };
}
