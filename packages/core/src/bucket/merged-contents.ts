import { PotterError } from '../checks/potter-error';
import type { BucketPart } from './bucket-events';
import { applyBucketEvent, emptyBucket, standOf, type BucketContents } from './replay-bucket';

/** What a bucket holds after glaze is poured into it: powders, stain and water add up, and the SG follows. */
export function mergedContents(there: BucketContents | null, poured: { parts: BucketPart[]; waterGrams: number }): BucketContents {
  const running = emptyBucket();
  const head = { id: '', at: '1970-01-01T00:00:00.000Z', by: '' };
  for (const { parts, waterGrams } of [...(there ? [there] : []), poured]) {
    applyBucketEvent(running, { ...head, type: 'filled', parts, waterGrams, from: 'split' });
  }
  const stand = standOf(running);
  if (stand.kind === 'empty') throw new PotterError('emptyList', 'parts', 0, 'There is no powder in either bucket.');
  return stand.contents;
}
