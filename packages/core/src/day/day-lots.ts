import type { DayEvent, DayItem } from './day-plan';

/**
 * Returns the lots of a day as they are after all that happened to them: fewer where pieces were dropped, two where some went another way. What
 * cannot be, such as more dropped than there are, is held to what can.
 *
 * @param items - as they were put on the day
 * @param events - that count, in the order of the bench
 * @example
 * lotsAfter([{ id: 'a', pieceId: 'p', name: 'Cup', count: 12, steps: [] }], [{ id: 'e', at: '2026-03-01T09:00:00Z', by: 'Maia', type: 'piecesOff', itemId: 'a', count: 1, why: 'dropped' }])[0].count
 * // 11
 */
export function lotsAfter(items: readonly DayItem[], events: readonly DayEvent[]): DayItem[] {
  const lots = items.map((item) => ({ ...item }));
  for (const event of events) {
    if (event.type !== 'piecesOff' && event.type !== 'lotSplit') continue;
    const at = lots.findIndex(({ id }) => id === event.itemId);
    const lot = lots[at];
    if (!lot) continue;
    if (event.type === 'piecesOff') lot.count = Math.max(0, lot.count - event.count);
    else if (
      event.count > 0 &&
      event.count < lot.count &&
      event.stepIds.length === lot.steps.length &&
      !lots.some(({ id }) => id === event.newItemId)
    ) {
      lot.count -= event.count;
      lots.splice(at + 1, 0, splitOff(lot, event));
    }
  }
  return lots;
}

/** The new lot's steps, in the order of the old one's, by which its ticks before the split are known. */
function splitOff(lot: DayItem, { newItemId, count, stepIds }: Extract<DayEvent, { type: 'lotSplit' }>): DayItem {
  const steps = lot.steps.map((step, at) => ({ ...step, id: stepIds[at]!, itemId: newItemId }));
  return { ...lot, id: newItemId, count, steps, ...(lot.code ? { code: nextPart(lot.code) } : {}) };
}

/** "B" is split into "B" and "B2", "B2" gives off "B3". */
function nextPart(code: string): string {
  const [, letters = code, number] = /^(.*?)(\d*)$/.exec(code) ?? [];
  return `${letters}${number ? Number(number) + 1 : 2}`;
}
