import { PRIOR_LN_SD } from '../prediction/knowledge';
import { combineEstimates, type NormalEstimate } from '../../math/normal';
import { requirePositive } from '../../checks/require';
import { PASS_METHODS, type PassMethod } from './pass-methods';

/** Some passes of one method, measured together. */
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

/** No two passes are alike: sd of ln of one. */
const PASS_LN_SD = 0.2;

/**
 * Returns what one pass of the brush, the sponge or the spray gun gives: estimates of its logarithm combined, the starting guess among them.
 *
 * @param method - how it is put on
 * @param readings - of one glaze; those of another method do not count
 * @throws PotterError for a reading of 0 passes or 0 mm
 * @example
 * passCoatOf('brushLoaded', []) // { perPassMm: 0.13, lnSd: 0.5, readings: 0 }
 */
export function passCoatOf(method: PassMethod, readings: readonly PassReading[]): PassCoat {
  const { guessMm, guessLnSd } = { guessLnSd: PRIOR_LN_SD, ...PASS_METHODS[method] };
  const estimates = readings
    .filter((reading) => reading.method === method)
    .map((reading): NormalEstimate => {
      const passes = requirePositive('passes', reading.passes);
      return { mean: Math.log(requirePositive('coatMm', reading.coatMm) / passes), sd: Math.hypot(reading.lnSd, PASS_LN_SD / Math.sqrt(passes)) };
    });
  const { mean, sd } = combineEstimates([{ mean: Math.log(guessMm), sd: guessLnSd }, ...estimates]);
  return { perPassMm: Math.exp(mean), lnSd: sd, readings: estimates.length };
}
