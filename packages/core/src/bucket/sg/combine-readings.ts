import { PotterError } from '../../checks/potter-error';
import { requirePositive, requireSg } from '../../checks/require';

export interface SgReading {
  sg: number;
  /** Standard deviation of this reading alone. */
  sgSd: number;
}

export interface CombinedReading extends SgReading {
  count: number;
  /** False when the readings differ by more than their errors allow; the sd is widened then. */
  agree: boolean;
}

/** Bubbles and uneven stirring: no number of readings makes an SG surer than this. */
export const LEAST_SG_SD = 0.001;
/** Readings disagree from this χ² per degree of freedom on. */
const DISAGREES = 3;

/**
 * Returns repeated readings of one stirred bucket as one: the mean weighted by 1/sd². Its sd is widened by √(χ²/(n−1)) when they scatter more
 * than their errors say.
 *
 * Source: Birge, 1932.
 *
 * @param question - `readings`, at least one, each with an sd above 0
 * @throws PotterError when there is none, or for an SG that no slurry has
 * @example
 * combineReadings({ readings: [{ sg: 1.45, sgSd: 0.01 }, { sg: 1.46, sgSd: 0.01 }] })
 * // { sg: 1.455, sgSd: 0.0070710678, count: 2, agree: true }
 */
export function combineReadings({ readings }: { readings: readonly SgReading[] }): CombinedReading {
  if (readings.length === 0) throw new PotterError('emptyList', 'sg', 0, 'There is no reading to combine yet.');
  let weights = 0;
  let weighted = 0;
  for (const { sg, sgSd } of readings) {
    const weight = 1 / requirePositive('sgSd', sgSd) ** 2;
    weights += weight;
    weighted += weight * requireSg('sg', sg);
  }
  const sg = weighted / weights;
  const spread = readings.reduce((sum, reading) => sum + ((reading.sg - sg) / reading.sgSd) ** 2, 0);
  const perFreedom = readings.length > 1 ? spread / (readings.length - 1) : 0;
  const sgSd = Math.max(LEAST_SG_SD, Math.sqrt(1 / weights) * Math.sqrt(Math.max(1, perFreedom)));
  return { sg, sgSd, count: readings.length, agree: perFreedom < DISAGREES };
}

/** A new reading compared with those of the same bucket taken just before, with nothing added in between. */
export type AgainstEarlier = { kind: 'agrees' } | { kind: 'differs'; earlierSg: number; apart: number; sds: number };

/** Three sd of both together: one honest pair in four hundred differs more, so it is worth asking. */
const OUTLIER_SDS = 3;

/**
 * Returns whether a reading differs from the ones before it by more than three sd of both. It is then asked about, never dropped in silence.
 *
 * @param question - `reading` and `earlier`, with nothing gone in between
 * @throws PotterError for an SG that no slurry has, or an sd of 0 or less
 * @example
 * againstEarlier({ reading: { sg: 1.5, sgSd: 0.005 }, earlier: { sg: 1.45, sgSd: 0.005 } })
 * // { kind: 'differs', earlierSg: 1.45, apart: 0.05, sds: 7.0710678 }
 */
export function againstEarlier({ reading, earlier }: { reading: SgReading; earlier: SgReading }): AgainstEarlier {
  const apart = requireSg('sg', reading.sg) - earlier.sg;
  const sds = Math.abs(apart) / Math.hypot(requirePositive('sgSd', reading.sgSd), earlier.sgSd);
  return sds > OUTLIER_SDS ? { kind: 'differs', earlierSg: earlier.sg, apart, sds } : { kind: 'agrees' };
}
