import type { BucketSummary, CoatDip } from '@cazuela/contract';
import { attempt, coatOfReading, STATE_GUESSES, type CoatObservation, type CoatReading } from '@cazuela/core';

/** What J_cake and the film belong to: the recipe, whatever bucket it is in; a mixture belongs to its bucket alone. */
export const glazeOf = (bucket: Pick<BucketSummary, 'id' | 'recipeId' | 'contents'>): string =>
  bucket.recipeId === null || (bucket.contents?.glazes?.length ?? 0) > 1 ? bucket.id : bucket.recipeId;

/** The coat of a reading with its error, or why it says nothing. */
export function readCoat(
  reading: CoatReading,
  glaze: { sg: number; density: number; state: CoatDip['body']['state'] },
): ReturnType<typeof attempt<{ coatMm: number; lnSd: number }>> {
  return attempt(() => coatOfReading(reading, { sg: glaze.sg, density: glaze.density, packing: STATE_GUESSES[glaze.state].packing }));
}

/** The studio's measured dips as the core learns from them, oldest first; what was left out, or says nothing, is not among them. */
export function observationsOf(dips: readonly CoatDip[]): CoatObservation[] {
  return dips
    .filter((dip) => dip.body.leftOut === undefined)
    .sort((a, b) => a.body.at.localeCompare(b.body.at))
    .flatMap(({ id, body }): CoatObservation[] => {
      const read = readCoat(body.reading, body);
      if (read.kind === 'refused') return [];
      const { glazeId, bodyId, seconds, sg, density, state, bisqueCone, earthenware, absorptionPercent, wallMm, faces } = body;
      const situation = { sg, density, state, bisqueCone, earthenware, absorptionPercent, wallMm, faces };
      return [{ id, glazeId, bodyId, seconds, situation, ...read.value }];
    });
}
