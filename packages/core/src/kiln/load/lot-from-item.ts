import { DRY_THROUGH_HOURS } from '../../coat/wall/wall-state';
import type { DayItem } from '../../day/day-plan';
import type { DayStanding } from '../../day/day-standing';
import { HOUR_MS } from '../../units/time';
import type { LoadLot } from './load-lot';

/** Where a lot of a day stands on its way to the kiln. */
export type ReadyForKiln =
  | { kind: 'notGlazed' }
  /** Its last coat went on at `sinceAt`; it is dry through at `dryAt`. */
  | { kind: 'drying'; sinceAt: string; dryAt: string }
  | { kind: 'dry'; sinceAt: string }
  /** Its coats were put aside: nobody knows. */
  | { kind: 'unknown' };

/**
 * Returns the lot of a load for a lot of a day; undefined where its size was not noted.
 *
 * @param item - of a day, as it stands now
 * @param id - of the new lot
 * @example
 * lotFromItem({ id: 'i', pieceId: 'p', name: 'Cup', count: 3, heightMm: 90, widthMm: 80, steps: [] }, { id: 'l', dayId: 'd' })?.footprint
 * // { kind: 'circle', radiusMm: 40 }
 */
export function lotFromItem(item: DayItem, { id, dayId }: { id: string; dayId: string }): LoadLot | undefined {
  const { heightMm, widthMm, count, name, code, pieceId, setting, reachChance, grams } = item;
  if (!heightMm || !widthMm || count === 0) return undefined;
  return {
    id,
    dayId,
    itemId: item.id,
    pieceId,
    name,
    ...(code ? { code } : {}),
    count,
    footprint: { kind: 'circle', radiusMm: widthMm / 2 },
    heightMm,
    ...(grams === undefined ? {} : { grams }),
    ...(setting ? { setting } : {}),
    ...(reachChance === undefined ? {} : { reachChance }),
  };
}

/**
 * Returns whether a lot of a day may go into the kiln at a moment: all its steps done, and twelve hours since its last coat, or as its
 * plan says (H6: damp pots burst).
 *
 * @param standing - how its day stands
 * @param itemId - of the lot
 * @param nowMs - the moment
 * @example
 * readyForKiln(dayStanding({ items: [], events: [] }), 'i', 0) // { kind: 'unknown' }
 */
export function readyForKiln({ lots, ended }: DayStanding, itemId: string, nowMs: number): ReadyForKiln {
  const lot = lots.find(({ item }) => item.id === itemId);
  if (!lot) return { kind: 'unknown' };
  if (lot.open < lot.item.steps.length) return { kind: 'notGlazed' };
  const coats = lot.item.steps.flatMap(({ id, kind }) => {
    const end = ended.get(id);
    return kind === 'layer' && end && !end.skipped ? [Date.parse(end.at)] : [];
  });
  if (coats.length === 0) return { kind: 'unknown' };
  const sinceMs = Math.max(...coats);
  const sinceAt = new Date(sinceMs).toISOString();
  const dryMs = sinceMs + (lot.item.dryHours ?? DRY_THROUGH_HOURS) * HOUR_MS;
  return dryMs <= nowMs ? { kind: 'dry', sinceAt } : { kind: 'drying', sinceAt, dryAt: new Date(dryMs).toISOString() };
}
