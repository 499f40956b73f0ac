import type { Day, Result } from '@cazuela/contract';
import { dayStanding } from '@cazuela/core';
import { formatDate } from '../../data/units/times';

/** A lot of pots that a result can be of. */
export interface LotChoice {
  lotId: string;
  pieceId: string;
  words: string;
  /** Where it stood, by the load of this firing. */
  shelfId?: string | undefined;
  /** All of its steps were done. */
  isGlazed: boolean;
  /** A result of it was noted already. */
  isRead: boolean;
}

/** The lots of the last days, newest first. A lot of which nothing was done is none to read. */
export function lotChoices(days: readonly Day[], results: readonly Result[]): LotChoice[] {
  const read = new Set(results.map(({ body }) => body.lotId));
  return [...days]
    .sort((a, b) => (a.date < b.date ? 1 : -1))
    .flatMap(({ date, items, events }) =>
      dayStanding({ items, events })
        .lots.filter(({ open, item }) => open > 0 && item.count > 0)
        .map(({ item, open }) => ({
          lotId: item.id,
          pieceId: item.pieceId,
          words: `${formatDate(`${date}T12:00:00`)}${item.code ? `, lot ${item.code}` : ''}: ${item.count} × ${item.name}${open < item.steps.length ? ', not all done' : ''}`,
          isGlazed: open === item.steps.length,
          isRead: read.has(item.id),
        })),
    );
}
