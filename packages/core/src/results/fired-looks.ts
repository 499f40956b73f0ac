import type { WindowVerdict } from '../coat/window/coat-window';
import type { CoatLook } from '../coat/window/window-from-looks';
import { coatDoneMm, firedCoats, type KeptCoat } from './fired-coat';

/** Stars of five from which a result counts as right. */
const RIGHT_STARS = 4;
/** Characters of a note that are kept with a look. */
const NOTE_LENGTH = 100;

/** One strip of a fired step tile. */
export interface FiredStrip {
  verdict?: WindowVerdict | undefined;
  measuredMm?: number | undefined;
  expectedMm?: number | undefined;
  words?: string | undefined;
}

/** A result as the records keep it, as far as it tells of a coat. */
export interface FiredResult {
  body: { stars: number; faults: readonly { fault: string }[]; note: string };
  glazedWith: readonly KeptCoat[];
}

/**
 * Returns how the strips of a fired step tile look: their measured coat, else the expected one. Strips without a verdict are left out.
 *
 * @param strips - of one tile
 * @example
 * looksOfTile([{ verdict: 'right', measuredMm: 0.6 }]) // [{ coatMm: 0.6, verdict: 'right', words: '' }]
 */
export function looksOfTile(strips: readonly FiredStrip[]): CoatLook[] {
  return strips.flatMap(({ verdict, measuredMm, expectedMm, words }): CoatLook[] => {
    const coatMm = measuredMm ?? expectedMm;
    return verdict && coatMm ? [{ coatMm, verdict, words: words ?? '' }] : [];
  });
}

/**
 * Returns how a fired piece with one glaze alone looks: at the coat that its seconds and SG say, else at the planned one; undefined where it says
 * nothing. "Thin" is too thin; "thick" and "ran" are too thick; without a fault, four stars or more are right.
 *
 * @param result - the result
 * @param ranges - SG ranges of the buckets that hold the glaze in question, by bucket
 * @example
 * lookOfResult({ body: { stars: 5, faults: [], note: '' }, glazedWith: [{ bucketId: 'B1', coatMm: 0.5, sg: null, seconds: null, doneAt: null }] }, new Map([['B1', { lowSg: 1.4, highSg: 1.5 }]]))
 * // { coatMm: 0.5, verdict: 'right', words: '' }
 */
export function lookOfResult(
  { body, glazedWith }: FiredResult,
  ranges: ReadonlyMap<string, { lowSg: number; highSg: number }>,
): CoatLook | undefined {
  const [only, ...more] = firedCoats(glazedWith);
  const range = only && ranges.get(only.bucketId);
  if (!only || more.length > 0 || !range) return undefined;
  const coatMm = coatDoneMm(only, range) ?? only.plannedMm;
  if (coatMm === undefined) return undefined;
  const faults = new Set(body.faults.map((one) => one.fault));
  const isThick = faults.has('thick') || faults.has('ran');
  const verdict = faults.has('thin') ? 'thin' : isThick ? 'thick' : body.stars >= RIGHT_STARS ? 'right' : undefined;
  return verdict && { coatMm, verdict, words: body.note.slice(0, NOTE_LENGTH) };
}
