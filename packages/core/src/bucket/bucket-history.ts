import { emptyBucket, standOf } from './bucket-contents';
import type { BucketEvent } from './bucket-events';
import { inBenchOrder, takenBack } from './event-order';
import { applyBucketEvent } from './replay-bucket';

export interface BucketMoment {
  event: BucketEvent;
  /** What the event left in the bucket; absent when it was empty. */
  sg?: number;
  volumeMl?: number;
  dryGrams?: number;
  undone: boolean;
}

/** Every event of a bucket with the SG, volume and dry powder it left, oldest first. Undone ones are marked and leave no trace. */
export function bucketHistory({ events }: { events: readonly BucketEvent[] }): BucketMoment[] {
  const gone = takenBack(events);
  const running = emptyBucket();
  return inBenchOrder(events)
    .filter((event) => event.type !== 'undone')
    .map((event) => {
      if (gone.has(event.id)) return { event, undone: true };
      applyBucketEvent(running, event);
      const stand = standOf(running);
      if (stand.kind === 'empty') return { event, undone: false };
      const { sg, volumeMl, dryGrams } = stand.contents;
      return { event, undone: false, sg, volumeMl, dryGrams };
    });
}
