import type { BucketEvent, DropKind } from '../events/bucket-events';
import { standingEvents } from '../../events/event-order';
import type { ReadingAfter } from './response';

export interface DropsCounted {
  /** Tapped in since the bucket was last filled. */
  drops: number;
  /** Swirls and flow cups timed in this session, each with the drops that were in by then. */
  swirls: ReadingAfter[];
  flows: ReadingAfter[];
}

/** A reading belongs to the drops when it is taken this soon before the first or after the last one, ms. */
const SAME_WORK_MS = 6 * 3_600_000;

/**
 * Returns the drops tapped into a bucket and how it answered. Counting starts anew when glaze comes in. Readings of other days tell of water
 * and time as much as of drops and are left out: before the first drop, only the newest reading of that visit counts.
 *
 * @param question - `events` of the bucket, in any order; `of`, epsom when left out
 * @example
 * dropsCounted({ events: [] }).drops // 0
 */
export function dropsCounted({ events, of = 'epsom' }: { events: readonly BucketEvent[]; of?: DropKind }): DropsCounted {
  let drops = 0;
  let lastDropMs = -Infinity;
  let readings: { kind: 'swirls' | 'flows'; atMs: number; drops: number; seconds: number }[] = [];
  for (const event of standingEvents(events)) {
    const atMs = Date.parse(event.at);
    if (event.type === 'filled') {
      drops = 0;
      readings = [];
    } else if (event.type === 'dropsAdded' && (event.of ?? 'epsom') === of) {
      if (drops === 0) readings = newestOfEach(readings.filter((reading) => atMs - reading.atMs <= SAME_WORK_MS));
      drops += event.drops;
      lastDropMs = atMs;
    } else if (event.type === 'swirlTimed' || event.type === 'flowTimed') {
      if (drops > 0 && atMs - lastDropMs > SAME_WORK_MS) continue;
      readings.push({ kind: event.type === 'swirlTimed' ? 'swirls' : 'flows', atMs, drops, seconds: event.seconds });
    }
  }
  const pointsOf = (kind: 'swirls' | 'flows'): ReadingAfter[] =>
    readings.filter((reading) => reading.kind === kind).map((reading) => ({ drops: reading.drops, seconds: reading.seconds }));
  // Without a drop there is nothing to respond to yet: the newest reading is where it starts.
  if (drops === 0) readings = newestOfEach(readings);
  return { drops, swirls: pointsOf('swirls'), flows: pointsOf('flows') };
}

function newestOfEach<Reading extends { kind: string }>(readings: readonly Reading[]): Reading[] {
  return readings.filter((reading, index) => !readings.slice(index + 1).some((later) => later.kind === reading.kind));
}
