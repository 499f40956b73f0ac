import {
  bucketDrift,
  replayBatch,
  replayBucket,
  standingEvents,
  type BatchEvent,
  type BatchPlan,
  type BucketContents,
  type BucketEvent,
} from '@cazuela/core';
import { bucketContentsSchema, LIMITS } from '@cazuela/contract';
import type { BatchRow } from '../../db/rows';
import { ProblemError } from '../../http/problem-error';
import type { PowderUse } from '../powders/stock';

/** Returns what is stored with a bucket, and what it took from the shelf. Throws `checkInput` when nobody could read the contents back. */
export function bucketSnapshot(events: readonly BucketEvent[]): { contents: BucketContents | null; uses: PowderUse[] } {
  const replay = replayBucket({ events: [...events] });
  return { contents: replay.kind === 'ok' ? readable({ ...replay.contents, ...driftOf(events) }) : null, uses: powderAddedTo(events) };
}

/** The same after events were taken back; undefined while the bucket cannot be computed or read. Taking back is never refused for that. */
export function snapshotAfterUndo(events: readonly BucketEvent[]): ReturnType<typeof bucketSnapshot> | undefined {
  try {
    return bucketSnapshot(events);
  } catch {
    return undefined;
  }
}

/** Returns what is stored with a batch, and what it took from the shelf. Throws `checkInput` when a line would weigh more than a tonne. */
export function batchSnapshot(
  plan: BatchPlan,
  events: readonly BatchEvent[],
): Pick<BatchRow, 'linesDone' | 'lastAt' | 'lastBy' | 'setAside'> & { uses: PowderUse[] } {
  const state = replayBatch({ plan, events: [...events] });
  if (state.lines.some(({ targetGrams, inGrams }) => !(targetGrams <= LIMITS.grams && inGrams <= LIMITS.grams)))
    throw new ProblemError('checkInput', 'A line of this batch would weigh more than a tonne: check the unit.');
  const last = events.at(-1);
  return {
    linesDone: state.lines.filter((line) => line.state !== 'waiting').length,
    lastAt: last ? new Date(last.at) : null,
    lastBy: last?.by ?? null,
    setAside: state.setAside,
    uses: state.practice ? [] : state.lines.map(({ powderId, inGrams }) => ({ powderId, grams: inGrams })),
  };
}

/** Contents that every tablet can read back: an event that spoils them is refused before it spoils the bucket for everybody. */
function readable(contents: BucketContents): BucketContents {
  const read = bucketContentsSchema.safeParse(contents);
  if (read.success) return contents;
  throw new ProblemError('checkInput', `With this the bucket could not be right: ${read.error.issues[0]!.message}`);
}

/** Stored with the state, so that the list shows how many days a bucket has left without its history. */
function driftOf(events: readonly BucketEvent[]): Pick<BucketContents, 'drift'> {
  const drift = bucketDrift({ events: [...events] });
  return drift.kind === 'ok' && drift.tells
    ? { drift: { perDay: drift.perDay, perDaySd: drift.perDaySd, spells: drift.spells, byLid: drift.byLid } }
    : {};
}

/** What went into a bucket from the shelf after it was filled; the filling was taken by its batch. */
function powderAddedTo(events: readonly BucketEvent[]): PowderUse[] {
  return standingEvents([...events]).flatMap((event) =>
    event.type === 'powderAdded' ? event.parts.map(({ powderId, grams }) => ({ powderId, grams })) : [],
  );
}
