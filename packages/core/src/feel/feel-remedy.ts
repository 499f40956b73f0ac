import type { FeelVerdict } from './feel-readings';

/** What is tried first of a bucket, and felt again: so much that it is felt, and never too much. */
const TRY_SHARE = 0.015;

export type FeelRemedy =
  | { kind: 'addWater'; millilitres: number }
  /** Clear water off the top, once the powder has settled. */
  | { kind: 'pourOff'; millilitres: number };

/**
 * Returns what to try where a bucket is judged by feel alone, in an amount: a hundredth and a half of what is in it, then it is felt again.
 *
 * @param question - `verdict` by feel; `volumeMl` of the bucket, above 0
 * @returns undefined where nothing is to be done, or the readings contradict each other
 * @example
 * feelRemedy({ verdict: 'tooThick', volumeMl: 8000 }) // { kind: 'addWater', millilitres: 120 }
 */
export function feelRemedy({ verdict, volumeMl }: { verdict: FeelVerdict; volumeMl: number }): FeelRemedy | undefined {
  const millilitres = TRY_SHARE * volumeMl;
  if (verdict === 'tooThick') return { kind: 'addWater', millilitres };
  return verdict === 'tooThin' ? { kind: 'pourOff', millilitres } : undefined;
}
