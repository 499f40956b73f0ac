import type { GlazeFacts } from '../../plan/facts';
import { layersOf, type PiecePlan } from '../../plan/piece-plan';
import { waterToThin } from '../../slurry/into-range';

/** What is made ready once, before the first step. */
export interface Preparation {
  key: string;
  kind: 'thin' | 'gum' | 'warm';
  bucketId?: string;
  words: string;
  /** Labor for all the pieces together. */
  laborMinutes: number;
}

/** Gum solution of 1.5 % for a litre of dipping glaze, mL: at most. */
export const GUM_ML_PER_LITRE = 30;
const GUM_MINUTES = 5;
const THIN_MINUTES = 10;
const WARM_MINUTES = 15;

/**
 * Returns what a plan asks for before its first step: parts of buckets that are thinned, gum with its dose, and fired pieces that are warmed.
 *
 * @param plan - `thinned`, `gumIn`, `refire` and its layers
 * @param glazes - of its buckets, as they stand
 * @example
 * preparationsOf({ shapeId: 'cup', zones: { inside: [], outside: [], rim: [], foot: [] }, waxFootMm: 10, rimBandMm: 0, order: [], putAside: [] }, []) // []
 */
export function preparationsOf(plan: PiecePlan, glazes: readonly GlazeFacts[]): Preparation[] {
  const used = new Set(layersOf(plan).map((layer) => layer.bucketId));
  const inUse = (bucketId: string): GlazeFacts | undefined => (used.has(bucketId) ? glazes.find((glaze) => glaze.bucketId === bucketId) : undefined);
  return [
    ...(plan.refire && used.size > 0
      ? [
          {
            key: 'warm',
            kind: 'warm' as const,
            words: 'Warm the fired pieces to about 80 °C, and hold them with gloves: a warm wall dries what it cannot drink',
            laborMinutes: WARM_MINUTES,
          },
        ]
      : []),
    ...(plan.thinned ?? []).flatMap(({ bucketId, sg }): Preparation[] => {
      const glaze = inUse(bucketId);
      if (!glaze || sg >= glaze.sg) return [];
      const waterMl = waterToThin({ volumeMl: 1000, sg: glaze.sg, targetSg: sg });
      const words = `Thin part of ${glaze.name} to SG ${sg.toFixed(2)} in a second bucket: ${Math.round(waterMl / 5) * 5} mL of water to a litre of ${glaze.sg.toFixed(2)}`;
      return [{ key: `thin:${bucketId}`, kind: 'thin', bucketId, words, laborMinutes: THIN_MINUTES }];
    }),
    ...(plan.gumIn ?? []).flatMap((bucketId): Preparation[] => {
      const glaze = inUse(bucketId);
      if (!glaze) return [];
      const all = glaze.bucket
        ? `, ${Math.round((GUM_ML_PER_LITRE * glaze.bucket.volumeMl) / 10_000) * 10} mL for its ${(glaze.bucket.volumeMl / 1000).toFixed(1)} L`
        : '';
      const words = `Stir gum into ${glaze.name}: ${GUM_ML_PER_LITRE} mL of a 1.5 % solution a litre${all}, and no more water than gum`;
      return [{ key: `gum:${bucketId}`, kind: 'gum', bucketId, words, laborMinutes: GUM_MINUTES }];
    }),
  ];
}
