import { bucketEventSchema, bucketSchema, bucketStepsSchema, type Bucket } from '@cazuela/contract';

/**
 * Returns a bucket from an answer. An event that cannot be read and was taken back is left out: it no longer counts. One that still counts makes
 * the whole bucket unreadable, and throws a ZodError.
 */
export function readBucket(value: unknown): Bucket {
  const read = bucketSchema.safeParse(value);
  if (read.success) return read.data;
  const { events, ...rest } = bucketStepsSchema.parse(value);
  const undone = new Set(events.flatMap((event) => (event.type === 'undone' && event.eventId ? [event.eventId] : [])));
  const counting = events.filter((event) => !undone.has(event.id) || bucketEventSchema.safeParse(event).success);
  return bucketSchema.parse({ ...rest, events: counting });
}
