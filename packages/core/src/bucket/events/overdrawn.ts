import { applyBucketEvent } from './replay-bucket';
import { emptyBucket, type RunningBucket } from './bucket-contents';
import type { BucketEvent } from './bucket-events';
import { standingEvents } from '../../events/event-order';

/**
 * Returns powder and water that pours took out of a bucket though they were not there at the time, g: 0 where the events fit together. It
 * grows when something is taken back of which a part was poured on since: glaze would be made out of nothing.
 *
 * @param question - `events` of the bucket, in any order
 * @example
 * overdrawnGrams({ events: [{ id: 'a', at: '2026-03-01T09:00:00.000Z', by: 'Maia', type: 'filled', waterGrams: 700, parts: [{ powderId: 's', name: 'Silica', part: 'base', grams: 700, density: 2.6 }] }] })
 * // 0
 */
export function overdrawnGrams({ events }: { events: readonly BucketEvent[] }): number {
  const running = emptyBucket();
  let overdrawn = 0;
  for (const event of standingEvents(events)) {
    if (event.type === 'glazeTaken' && event.parts) overdrawn += missing(running, event);
    applyBucketEvent(running, event);
  }
  return overdrawn;
}

function missing({ parts, waterGrams }: RunningBucket, taken: Extract<BucketEvent, { type: 'glazeTaken' }>): number {
  const there = (powderId: string, part: string): number => parts.find((one) => one.powderId === powderId && one.part === part)?.grams ?? 0;
  const powder = (taken.parts ?? []).reduce((sum, part) => sum + Math.max(0, part.grams - there(part.powderId, part.part)), 0);
  return powder + Math.max(0, (taken.waterGrams ?? 0) - waterGrams);
}
