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

/** Every event of a bucket with the SG, volume and dry powder it left, oldest first. Undone ones are marked and leave no trace. */
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

export const bucketHistory = ({ events }: { events: readonly BucketEvent[] }): BucketMoment[] => bucketStory({ events }).moments;
