import type { GlazeFacts } from './facts';

/** Part of a bucket that is thinned in a second one for a plan. */
export interface ThinnedBucket {
  bucketId: string;
  sg: number;
}

/**
 * Returns the glazes as a plan dips from them: some from a part that is thinned for it.
 *
 * @param plan - `thinned`
 * @param glazes - of its buckets
 * @example
 * asThinned({}, []) // []
 */
export const asThinned = (
  { thinned = [] }: { thinned?: readonly ThinnedBucket[] | undefined },
  glazes: readonly GlazeFacts[],
): readonly GlazeFacts[] =>
  thinned.length === 0
    ? glazes
    : glazes.map((glaze) => {
        const sg = thinned.find(({ bucketId }) => bucketId === glaze.bucketId)?.sg;
        return sg === undefined || sg >= glaze.sg ? glaze : { ...glaze, sg };
      });
