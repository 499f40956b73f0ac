import type { BucketEvent, DropKind } from './bucket-events';
import { standingEvents } from './event-order';
import type { ReadingAfter } from './response';

export interface DropsCounted {
  /** Tapped in since the bucket was last filled. */
  drops: number;
  /** Swirls and flow cups timed since then, each with the drops that were in by then. */
  swirls: ReadingAfter[];
  flows: ReadingAfter[];
}

/** Drops tapped into a bucket, and how it answered. Counted anew when glaze comes in; what was taken back never was. */
export function dropsCounted({ events, of = 'epsom' }: { events: readonly BucketEvent[]; of?: DropKind }): DropsCounted {
  let counted: DropsCounted = { drops: 0, swirls: [], flows: [] };
  for (const event of standingEvents(events)) {
    if (event.type === 'filled') counted = { drops: 0, swirls: [], flows: [] };
    else if (event.type === 'dropsAdded' && (event.of ?? 'epsom') === of) counted.drops += event.drops;
    else if (event.type === 'swirlTimed') counted.swirls.push({ drops: counted.drops, seconds: event.seconds });
    else if (event.type === 'flowTimed') counted.flows.push({ drops: counted.drops, seconds: event.seconds });
  }
  return counted;
}
