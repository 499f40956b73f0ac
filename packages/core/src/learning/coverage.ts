import { attempt } from '../checks/potter-error';
import { coatPredictor } from '../coat/prediction/predict';
import type { CoatObservation } from './coat-evidence';
import { knowledgeOf, learnCoats } from './coat-learning';
import { EIGHTY_PERCENT_Z } from '../math/normal';

export interface Coverage {
  inside: number;
  of: number;
}

/**
 * Returns how often the newest dips fell inside what was predicted for each from the dips before it, the error of measuring counted in. About
 * four of five is right; more says that the ranges are too wide.
 *
 * @param question - `observations`, oldest first; `newest`, how many of the last to look at
 * @example
 * coverageOf({ observations: [], newest: 10 }) // { inside: 0, of: 0 }
 */
export function coverageOf({ observations, newest }: { observations: readonly CoatObservation[]; newest: number }): Coverage {
  const coverage: Coverage = { inside: 0, of: 0 };
  for (let index = Math.max(0, observations.length - newest); index < observations.length; index++) {
    const one = observations[index]!;
    const knowledge = knowledgeOf(learnCoats({ observations: observations.slice(0, index) }), one);
    const asked = attempt(() => coatPredictor(one.situation, knowledge)(one.seconds));
    if (asked.kind !== 'ok' || asked.value.coat.kind !== 'ok' || asked.value.lnSd === undefined) continue;
    const off = Math.abs(Math.log(one.coatMm / asked.value.coat.coatMm));
    coverage.of += 1;
    if (off <= EIGHTY_PERCENT_Z * Math.hypot(asked.value.lnSd, one.lnSd)) coverage.inside += 1;
  }
  return coverage;
}
