import { PRIOR_LN_SD } from '../coat/knowledge';
import { requirePositive } from '../checks/require';
import { PASS_METHODS, type PassMethod } from '../coat/pass-methods';

/** Some passes of one way, measured together. */
export interface PassReading {
  method: PassMethod;
  passes: number;
  coatMm: number;
  /** Standard deviation of ln(coat) of the measuring. */
  lnSd: number;
}

/** Dry coat of one pass, mm, with the sd of its ln and how many readings it rests on. */
export interface PassCoat {
  perPassMm: number;
  lnSd: number;
  readings: number;
}

/** No two passes of a hand are alike: sd of ln of one. */
const HAND_LN_SD = 0.2;

/**
 * What a pass of the brush, the sponge or the spray gun gives: normals in ln combined, with the starting guess as one of them. For one glaze;
 * readings of another way do not count.
 */
export function passCoatOf(method: PassMethod, readings: readonly PassReading[]): PassCoat {
  const { guessMm, guessLnSd } = { guessLnSd: PRIOR_LN_SD, ...PASS_METHODS[method] };
  let weight = 1 / guessLnSd ** 2;
  let sum = Math.log(guessMm) * weight;
  let count = 0;
  for (const reading of readings) {
    if (reading.method !== method) continue;
    const passes = requirePositive('passes', reading.passes);
    const own = 1 / (reading.lnSd ** 2 + HAND_LN_SD ** 2 / passes);
    sum += own * Math.log(requirePositive('coatMm', reading.coatMm) / passes);
    weight += own;
    count += 1;
  }
  return { perPassMm: Math.exp(sum / weight), lnSd: Math.sqrt(1 / weight), readings: count };
}
