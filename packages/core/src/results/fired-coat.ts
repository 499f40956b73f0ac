import { attempt } from '../checks/potter-error';
import { coatDeviation } from '../day/deviation';
import { coatingKindOf, type Layer } from '../plan/layer';
import type { PiecePlan } from '../plan/piece-plan';
import type { BenchRecord } from './bench-record';

/** Where on a piece a fault is. */
export type FaultPlace = 'inside' | 'outside' | 'rim' | 'foot';

/** A coat as it was planned and done. */
export interface FiredCoat {
  bucketId: string;
  plannedMm?: number | undefined;
  plannedSeconds?: number | undefined;
  /** Timed or typed; left out where nobody did. */
  seconds?: number | undefined;
  sg?: number | undefined;
  /** Of the plan; left out where nobody noted them. */
  layerIds?: readonly string[] | undefined;
}

/** A coat as a result keeps it: null is what nobody knows. */
export interface KeptCoat {
  bucketId: string | null;
  sg: number | null;
  coatMm: number | null;
  seconds: number | null;
  /** Nobody timed it: these are the seconds of the plan. */
  secondsPlanned?: boolean | undefined;
  plannedSeconds?: number | undefined;
  doneAt: string | null;
  record?: Pick<BenchRecord, 'layerIds'> | undefined;
}

/**
 * Returns the coats of a result, each as it was planned and done. What nobody did, or nobody told, is no coat that was done.
 *
 * @param kept - the coats of the result
 * @example
 * firedCoats([{ bucketId: 'ash', sg: null, coatMm: 0.6, seconds: 2, secondsPlanned: true, doneAt: null }])
 * // [{ bucketId: 'ash', plannedMm: 0.6, plannedSeconds: 2 }]
 */
export function firedCoats(kept: readonly KeptCoat[]): FiredCoat[] {
  return kept.flatMap(({ bucketId, coatMm, seconds, secondsPlanned, plannedSeconds, sg, doneAt, record }): FiredCoat[] => {
    if (!bucketId) return [];
    const planned = plannedSeconds ?? (secondsPlanned ? (seconds ?? undefined) : undefined);
    return [
      {
        bucketId,
        ...(coatMm === null ? {} : { plannedMm: coatMm }),
        ...(planned === undefined ? {} : { plannedSeconds: planned }),
        ...(doneAt !== null && seconds !== null && !secondsPlanned ? { seconds } : {}),
        ...(doneAt === null || sg === null ? {} : { sg }),
        ...(record?.layerIds ? { layerIds: record.layerIds } : {}),
      },
    ];
  });
}

/**
 * Returns the glazes at a place, bottom up; the rim has those of the outside where it has none of its own.
 *
 * @param plan - its `zones`
 * @param where - the place
 * @example
 * layersAt({ zones: { inside: [], outside: [], rim: [], foot: [] } }, 'rim') // []
 */
export function layersAt({ zones }: Pick<PiecePlan, 'zones'>, where: FaultPlace): Layer[] {
  const glazes = (layers: readonly Layer[]): Layer[] => layers.filter((layer) => coatingKindOf(layer) === 'glaze');
  const own = glazes(zones[where]);
  return own.length > 0 || where === 'inside' ? own : glazes(zones.outside);
}

/**
 * Returns how a layer of a plan was put on: by its layer, else by its bucket.
 *
 * @param coats - of the piece
 * @param layer - of its plan
 * @example
 * coatOfLayer([{ bucketId: 'ash', plannedMm: 0.6 }], { id: 'a', bucketId: 'ash' })?.plannedMm // 0.6
 */
export const coatOfLayer = (coats: readonly FiredCoat[], { id, bucketId }: Pick<Layer, 'id' | 'bucketId'>): FiredCoat | undefined =>
  coats.find(({ layerIds }) => layerIds?.includes(id)) ?? coats.find((coat) => coat.bucketId === bucketId && !coat.layerIds);

/**
 * Returns the coat that its seconds and SG say, mm; undefined where nobody timed or measured it.
 *
 * @param coat - as it was planned and done
 * @param range - in which its SG should be; its middle is taken as planned
 * @example
 * coatDoneMm({ bucketId: 'ash', plannedMm: 0.6, plannedSeconds: 2, seconds: 2 }) // 0.6
 */
export function coatDoneMm({ plannedMm, plannedSeconds, seconds, sg }: FiredCoat, range?: { lowSg: number; highSg: number }): number | undefined {
  if (plannedMm === undefined || (seconds === undefined && sg === undefined)) return undefined;
  const plannedSg = range && (range.lowSg + range.highSg) / 2;
  const made = attempt(() => coatDeviation({ coatMm: plannedMm, seconds: plannedSeconds, sg: plannedSg }, { seconds, sg }));
  return made.kind === 'ok' ? made.value.coatMm : undefined;
}
