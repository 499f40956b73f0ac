import { PotterError } from '../../checks/potter-error';
import { emptyBucket, toSnapshot, type BucketContents } from './bucket-contents';
import { applyBucketEvent } from './replay-bucket';
import type { PouredOut } from './split-bucket';

/**
 * Returns what a bucket holds after glaze is poured into it. Powders, stain and water add up, and the SG follows.
 *
 * @param there - what is in it, or null
 * @param poured - what comes
 * @throws PotterError when there is nothing in either
 * @example
 * mergedContents(null, { parts: [{ powderId: 's', name: 'Silica', part: 'base', grams: 260, density: 2.6 }], waterGrams: 200 }).volumeMl // 300
 */
export function mergedContents(there: BucketContents | null, poured: PouredOut): BucketContents {
  const running = emptyBucket();
  const head = { id: '', at: '1970-01-01T00:00:00.000Z', by: '' };
  for (const { parts, waterGrams, additives } of [...(there ? [there] : []), poured]) {
    applyBucketEvent(running, { ...head, type: 'filled', parts, waterGrams, from: 'split', additives });
  }
  const stand = toSnapshot(running);
  if (stand.kind === 'empty') throw new PotterError('emptyList', 'parts', 0, 'There is no powder in either bucket.');
  return stand.contents;
}
