import { PotterError } from '../../checks/potter-error';
import { requirePositive } from '../../checks/require';
import type { BucketContents } from './bucket-contents';
import type { Additives, BucketPart } from './bucket-events';

export interface PouredOut {
  parts: BucketPart[];
  waterGrams: number;
  additives?: Additives;
}

/**
 * Returns what is in a volume poured from a stirred bucket. Nothing is made or lost.
 *
 * @param question - `contents` of the bucket; `takenMl`, above 0 and no more than is in it
 * @throws PotterError for more than is in it
 * @example
 * splitBucket({ contents: { volumeMl: 1000, waterGrams: 700, parts: [] }, takenMl: 100 }).waterGrams // 70
 */
export function splitBucket({ contents, takenMl }: { contents: BucketContents; takenMl: number }): PouredOut {
  requirePositive('volumeMl', takenMl);
  if (takenMl > contents.volumeMl + 0.5) {
    throw new PotterError(
      'tooLarge',
      'volumeMl',
      takenMl,
      `The bucket holds ${(contents.volumeMl / 1000).toFixed(2)} L: you cannot pour ${(takenMl / 1000).toFixed(2)} L out of it.`,
    );
  }
  const share = Math.min(1, takenMl / contents.volumeMl);
  const { additives } = contents;
  return {
    parts: contents.parts.map((part) => ({ ...part, grams: part.grams * share })),
    waterGrams: contents.waterGrams * share,
    ...(additives
      ? {
          additives: {
            epsomGrams: additives.epsomGrams * share,
            silicateGrams: additives.silicateGrams * share,
            gumMl: additives.gumMl * share,
          },
        }
      : {}),
  };
}
