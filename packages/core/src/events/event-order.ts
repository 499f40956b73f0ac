/**
 * Returns events in the order of the bench: by the time at which somebody did them, then by id, whatever the order in which tablets sent them
 * in.
 *
 * @param events - with times in UTC, ISO 8601
 * @example
 * inBenchOrder([{ id: 'b', at: '2026-03-02T09:00:00Z' }, { id: 'a', at: '2026-03-01T09:00:00Z' }]).map(({ id }) => id) // ['a', 'b']
 */
export function inBenchOrder<Event extends { at: string; id: string }>(events: readonly Event[]): readonly Event[] {
  for (let i = 1; i < events.length; i++) {
    if (compare(events[i - 1]!, events[i]!) > 0) return [...events].sort(compare);
  }
  return events;
}

/** An event, as far as ordering and undoing need it. */
export interface OrderedEvent {
  id: string;
  at: string;
  type: string;
}

/**
 * Returns the ids of events that were undone. Undoing is an event itself, and can be undone too.
 *
 * @param events - in any order
 * @example
 * [...takenBack([{ id: 'b', at: '2026-03-02T09:00:00Z', type: 'undone', eventId: 'a' }])] // ['a']
 */
export function takenBack(events: readonly OrderedEvent[]): ReadonlySet<string> {
  const ids = new Set<string>();
  // A long history holds hardly any of them: only they are sorted.
  const undone = inBenchOrder(events.filter(isUndone));
  for (let i = undone.length - 1; i >= 0; i--) {
    const event = undone[i]!;
    if (!ids.has(event.id)) ids.add(event.eventId);
  }
  return ids;
}

/**
 * Returns the events that count, in the order of the bench: none that was undone, and no undoing.
 *
 * @param events - in any order
 * @example
 * standingEvents([{ id: 'a', at: '2026-03-01T09:00:00Z', type: 'stirred' }, { id: 'b', at: '2026-03-02T09:00:00Z', type: 'undone', eventId: 'a' }])
 * // []
 */
export function standingEvents<Event extends OrderedEvent>(events: readonly Event[]): Event[] {
  const gone = takenBack(events);
  return inBenchOrder(events).filter((event) => event.type !== 'undone' && !gone.has(event.id));
}

/** "…T09:30:00Z" and "…T09:30:00.000Z" are the same moment; compared as text they would be in the wrong order. */
function compare(a: { at: string; id: string }, b: { at: string; id: string }): number {
  if (a.at.length !== b.at.length) {
    const apart = Date.parse(a.at) - Date.parse(b.at);
    if (apart !== 0) return apart;
  } else if (a.at !== b.at) return a.at < b.at ? -1 : 1;
  return a.id < b.id ? -1 : a.id > b.id ? 1 : 0;
}

const isUndone = (event: OrderedEvent): event is OrderedEvent & { eventId: string } => event.type === 'undone';
