import { UNMEASURED_SG_SD } from '../../slurry/measured-sg';
import { requireSg } from '../../checks/require';
import { sgOfMix } from '../../slurry/mix';

export type RecordsComparison =
  /** Within what the reading and the records can tell. */
  | { kind: 'agrees'; bookSg: number }
  /** Thicker than what was weighed in: water has left, or glaze was used with thin water on top. */
  | { kind: 'thicker' | 'thinner'; bookSg: number; waterGrams: number }
  /** No water or powder explains it: the reading, the vessel or its unit is wrong. */
  | { kind: 'impossible'; bookSg: number };

/** A reading this far from the records, in sd of both together, is a real difference. */
const TELLING_SDS = 3;
/** A larger share of the water cannot have left unseen. */
const MOST_LOST_SHARE = 0.6;
const MOST_GAINED_SHARE = 1;

/**
 * Returns a measured SG beside what powder and water in the records say. It asks when nothing that happens to a bucket explains the
 * difference: a slurry as heavy as its powder, or one that would have lost more than half of its water or doubled it unseen.
 *
 * @param question - `sg` with its `sgSd`; `dryGrams`, `waterGrams` and `density` in the records
 * @throws PotterError for an SG that no slurry has
 * @example
 * compareWithRecords({ sg: 1.45, sgSd: 0.01, dryGrams: 731.25, waterGrams: 718.75, density: 2.6 }).kind // 'agrees'
 */
export function compareWithRecords(question: { sg: number; sgSd: number; dryGrams: number; waterGrams: number; density: number }): RecordsComparison {
  const { sg, sgSd, dryGrams, waterGrams, density } = question;
  requireSg('sg', sg);
  const bookSg = sgOfMix({ dryGrams, waterGrams, density });
  if (sg >= density) return { kind: 'impossible', bookSg };
  if (Math.abs(sg - bookSg) <= TELLING_SDS * Math.hypot(sgSd, UNMEASURED_SG_SD)) return { kind: 'agrees', bookSg };
  const implied = (dryGrams * (1 - sg / density)) / (sg - 1);
  const change = implied - waterGrams;
  if (change < -MOST_LOST_SHARE * waterGrams || change > MOST_GAINED_SHARE * waterGrams) return { kind: 'impossible', bookSg };
  return { kind: change < 0 ? 'thicker' : 'thinner', bookSg, waterGrams: Math.abs(change) };
}
