import { DRY_THROUGH_HOURS } from '../coat/wall/wall-state';
import type { BenchSight } from '../day/day-plan';
import type { Layer } from '../plan/layer';
import type { PiecePlan } from '../plan/piece-plan';
import { HOUR_MS } from '../units/time';
import type { BenchRecord, BucketRecord } from './bench-record';
import type { FaultRecord } from './fault-record';

/** A step of a fired piece, as its result keeps it. */
export interface FiredStep {
  bucketId: string | null;
  /** UTC, ISO 8601; null where nobody ticked it. */
  doneAt: string | null;
  record?: BenchRecord | undefined;
}

/** What is asked of the bench at the place of a fault. */
export interface BenchQuestion {
  steps: readonly FiredStep[];
  /** The coats there, bottom up. */
  layers: readonly Layer[];
  /** When its kiln was lit, UTC, ISO 8601. */
  litAt?: string | undefined;
  /** How long it is to dry before that, h. */
  dryHours?: PiecePlan['dryHours'];
  /** Of the last piece with the same glaze on top that came out well. */
  lastGood?: BucketRecord | undefined;
}

/**
 * Returns what the bench recorded of a piece at the place of a fault: what was left out, seen, skipped, and how its bucket stood. What nobody recorded
 * is left out.
 *
 * @param question - its steps, and the coats at the place
 * @example
 * benchEvidence({ steps: [{ bucketId: null, doneAt: null, record: { kind: 'check', isSkipped: true } }], layers: [] }) // { wipeLeftOut: true }
 */
export function benchEvidence({ steps, layers, litAt, dryHours = DRY_THROUGH_HOURS, lastGood }: BenchQuestion): FaultRecord {
  const wipe = steps.find(({ record }) => record?.kind === 'check')?.record?.isSkipped;
  const here = layers.map((layer) => stepOf(steps, layer));
  const top = here.at(-1);
  const bucket = top?.record?.bucket;
  const saw = (sight: BenchSight): true | undefined => (here.some((step) => step?.record?.seen?.includes(sight)) ? true : undefined);
  const record: FaultRecord = {
    wipeLeftOut: wipe,
    hairlinesLeftOpen: saw('hairlines'),
    powderyBelow: saw('powderyBelow'),
    waxStrayed: steps.some(({ record: of }) => of?.seen?.includes('waxStrayed')) ? true : undefined,
    blendedWithinHour: saw('blended'),
    coatsMore: coatsMore(here),
    wallWasFull: top?.record?.isWallFull,
    stirredInTime: bucket?.isStirredInTime,
    flocculated: bucket?.isFlocculated,
    contaminated: bucket?.isContaminated,
    checkDiffered: bucket?.isBatchOdd,
    recipeChanged: bothKnown(bucket?.recipeVersion, lastGood?.recipeVersion, (a, b) => a !== b),
    otherPowderLot: bothKnown(bucket?.powderLots, lastGood?.powderLots, areOtherLots),
    driedShare: driedShare(steps, litAt, dryHours),
  };
  return Object.fromEntries(Object.entries(record).filter(([, value]) => value !== undefined)) as FaultRecord;
}

/** The step that put a coat on: by its layer, else by its bucket. */
const stepOf = (steps: readonly FiredStep[], { id, bucketId }: Layer): FiredStep | undefined =>
  steps.find(({ record }) => record?.layerIds?.includes(id)) ?? steps.find((step) => step.bucketId === bucketId && !step.record?.layerIds);

/** Coats that were put on, less those of the plan; undefined unless each was ticked or skipped. */
function coatsMore(here: readonly (FiredStep | undefined)[]): number | undefined {
  const records = here.map((step) => step?.record);
  if (records.length === 0 || records.some((record) => record?.isSkipped === undefined)) return undefined;
  return records.reduce((sum, record) => sum + (record!.isSkipped ? -1 : record!.seen?.includes('oneMoreCoat') ? 1 : 0), 0);
}

/** Of its drying time, what it had from its last coat until its kiln was lit. */
function driedShare(steps: readonly FiredStep[], litAt: string | undefined, dryHours: number): number | undefined {
  const doneMs = steps.flatMap(({ bucketId, doneAt }) => (bucketId && doneAt ? [Date.parse(doneAt)] : []));
  if (litAt === undefined || doneMs.length === 0 || dryHours <= 0) return undefined;
  const hours = (Date.parse(litAt) - Math.max(...doneMs)) / HOUR_MS;
  // A tick that came after the fire says nothing of when the coat went on.
  return hours < 0 ? undefined : hours / dryHours;
}

const bothKnown = <Value>(a: Value | undefined, b: Value | undefined, differ: (a: Value, b: Value) => boolean): boolean | undefined =>
  a === undefined || b === undefined ? undefined : differ(a, b);

/** The lot of a powder that both noted is another one. */
function areOtherLots(now: readonly string[], before: readonly string[]): boolean {
  const lotOf = new Map(before.map((one) => [nameOf(one), one]));
  return now.some((one) => (lotOf.get(nameOf(one)) ?? one) !== one);
}

const nameOf = (powderLot: string): string => powderLot.slice(0, powderLot.indexOf(': '));
