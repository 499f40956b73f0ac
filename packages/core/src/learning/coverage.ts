import { attempt } from '../checks/potter-error';
import { coatPredictor } from '../coat/prediction/predict';
import type { CoatObservation } from './coat-evidence';
import { knowledgeOf, learnCoats } from './coat-learning';

export interface Coverage {
  inside: number;
  of: number;
}

/**
 * Returns how often the newest dips were measured inside the band that was shown for each from the dips before it: the band of the next dip. About
 * four of five is right; more says that the bands are too wide, fewer that they are too narrow or that dips are measured roughly.
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
    if (asked.kind !== 'ok' || asked.value.lowMm === undefined || asked.value.highMm === undefined) continue;
    coverage.of += 1;
    if (one.coatMm >= asked.value.lowMm && one.coatMm <= asked.value.highMm) coverage.inside += 1;
  }
  return coverage;
}
