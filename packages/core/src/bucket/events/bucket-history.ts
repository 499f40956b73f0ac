import { emptyBucket, runningMl, runningSg, toSnapshot, sumGrams, type BucketReplay } from './bucket-contents';
import type { BucketEvent } from './bucket-events';
import { inBenchOrder, takenBack } from '../../events/event-order';
import { applyBucketEvent } from './replay-bucket';

export interface BucketMoment {
  event: BucketEvent;
  /** What the event left in the bucket; absent when it was empty. */
  sg?: number;
  volumeMl?: number;
  dryGrams?: number;
  undone: boolean;
}

/** A bucket's history and what it holds at the end of it, from one replay. */
export interface BucketStory {
  moments: BucketMoment[];
  now: BucketReplay;
}

/**
 * Returns every event of a bucket with the SG, volume and dry powder it left, oldest first, and what stands now. Undone events are marked and
 * leave no trace.
 *
 * @param question - `events` of the bucket, in any order
 * @example
 * bucketStory({ events: [{ id: 'a', at: '2026-03-01T09:00:00.000Z', by: 'Maia', type: 'filled', waterGrams: 700, parts: [{ powderId: 's', name: 'Silica', part: 'base', grams: 700, density: 2.6 }] }] }).moments.length
 * // 1
 */
export function bucketStory({ events }: { events: readonly BucketEvent[] }): BucketStory {
  const gone = takenBack(events);
  const running = emptyBucket();
  const moments: BucketMoment[] = [];
  for (const event of inBenchOrder(events)) {
    if (event.type === 'undone') continue;
    if (gone.has(event.id)) {
      moments.push({ event, undone: true });
      continue;
    }
    applyBucketEvent(running, event);
    const sg = runningSg(running);
    moments.push(
      sg === undefined ? { event, undone: false } : { event, undone: false, sg, volumeMl: runningMl(running), dryGrams: sumGrams(running.parts) },
    );
  }
  return { moments, now: toSnapshot(running) };
}

/**
 * Returns the moments of `bucketStory` alone.
 *
 * @param question - `events` of the bucket, in any order
 * @example
 * bucketHistory({ events: [] }) // []
 */
export const bucketHistory = ({ events }: { events: readonly BucketEvent[] }): BucketMoment[] => bucketStory({ events }).moments;
