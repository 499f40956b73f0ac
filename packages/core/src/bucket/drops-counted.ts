import type { BucketEvent } from './bucket-events';
import type { SwirlAfter } from './flocculant';

export interface DropsCounted {
  drops: number;
  /** Swirls timed since the bucket was last filled, each with the drops that were in by then. */
  swirls: SwirlAfter[];
}

/**
 * Drops tapped into a bucket, and how it answered. Counted anew when glaze or powder comes in; what was taken back never was.
 * Glaze used in between takes its share of the salts along; that is not counted off, so the dose errs towards its ceiling.
 */
export function dropsCounted({ events }: { events: readonly BucketEvent[] }): DropsCounted {
  const undone = new Set(events.flatMap((event) => (event.type === 'undone' ? [event.eventId] : [])));
  let drops = 0;
  let swirls: SwirlAfter[] = [];
  for (const event of events) {
    if (undone.has(event.id)) continue;
    if (event.type === 'filled') {
      drops = 0;
      swirls = [];
    } else if (event.type === 'dropsAdded') drops += event.drops;
    else if (event.type === 'swirlTimed') swirls.push({ drops, seconds: event.seconds });
  }
  return { drops, swirls };
}
