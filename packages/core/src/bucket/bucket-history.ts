import type { BucketEvent } from './bucket-events';
import { applyBucketEvent, emptyBucket, standOf } from './replay-bucket';

export interface BucketMoment {
  event: BucketEvent;
  /** What the event left in the bucket; absent when it was empty. */
  sg?: number;
  volumeMl?: number;
  undone: boolean;
}

/** Every event of a bucket with the SG and volume it left, oldest first. Undone ones are marked and leave no trace. */
export function bucketHistory({ events }: { events: readonly BucketEvent[] }): BucketMoment[] {
  const undone = new Set(events.filter((event) => event.type === 'undone').map((event) => event.eventId));
  const running = emptyBucket();
  return events
    .filter((event) => event.type !== 'undone')
    .map((event) => {
      if (undone.has(event.id)) return { event, undone: true };
      applyBucketEvent(running, event);
      const replay = standOf(running);
      return { event, undone: false, ...(replay.kind === 'ok' ? { sg: replay.contents.sg, volumeMl: replay.contents.volumeMl } : {}) };
    });
}
