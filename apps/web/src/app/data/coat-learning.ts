import type { BucketSummary, CoatDip } from '@cazuela/contract';
import {
  attempt,
  coatOfReading,
  PASS_METHODS,
  STATE_GUESSES,
  type CoatObservation,
  type CoatReading,
  type PassReading,
  type PassMethod,
} from '@cazuela/core';

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

export const isPassMethod = (method: CoatDip['body']['method']): method is PassMethod => method !== undefined && method in PASS_METHODS;

const counted = (dips: readonly CoatDip[]): CoatDip[] =>
  dips.filter((dip) => dip.body.leftOut === undefined).sort((a, b) => a.body.at.localeCompare(b.body.at));

/** The studio's measured dips as the core learns from them, oldest first; what was left out, says nothing or was brushed is not among them. */
export function observationsOf(dips: readonly CoatDip[]): CoatObservation[] {
  return counted(dips).flatMap(({ id, body }): CoatObservation[] => {
    if (isPassMethod(body.method)) return [];
    const read = readCoat(body.reading, body);
    if (read.kind === 'refused') return [];
    const { glazeId, bodyId, seconds, sg, density, state, bisqueCone, earthenware, absorptionPercent, wallMm, faces, before } = body;
    const situation = { sg, density, state, bisqueCone, earthenware, absorptionPercent, wallMm, faces, ...before };
    return [{ id, glazeId, bodyId, seconds, situation, ...read.value }];
  });
}

/** What was put on in passes of one glaze: brushed, sponged, sprayed. */
export function passReadingsOf(dips: readonly CoatDip[], glazeId: string): PassReading[] {
  return counted(dips).flatMap(({ body }): PassReading[] => {
    if (body.glazeId !== glazeId || !isPassMethod(body.method) || body.passes === undefined) return [];
    const read = readCoat(body.reading, body);
    return read.kind === 'refused' ? [] : [{ method: body.method, passes: body.passes, ...read.value }];
  });
}
