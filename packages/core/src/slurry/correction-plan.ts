import { requireNotNegative } from '../checks/require';
import { waterToPourOff, waterToThin, type SgChange } from './into-range';

export interface CorrectionQuestion extends SgChange {
  /** Half the width of the glaze's SG range. */
  tolerance: number;
  /** Standard deviation of the measured SG. */
  sgSd: number;
}

export type CorrectionPlan =
  | { kind: 'inRange'; off: number }
  | { kind: 'measureBetter'; off: number; neededSd: number }
  | { kind: 'thin'; waterMl: number; firstMl: number; restMl: number; newVolumeMl: number }
  | { kind: 'thicken'; pourOffMl: number; firstMl: number; restMl: number };

/** Most of it first, then stir and measure: the volume of a bucket is rarely known to better than a fifth. */
export const FIRST_STAGE_SHARE = 0.8;

/**
 * Returns what to do with a measured bucket. It corrects only when |d − target| is above the tolerance and above 2 sd: a smaller correction
 * would chase the error of the measurement. Out of range by less than 2 sd asks for a better measurement.
 *
 * @param question - `volumeMl`, above 0; `sg` and `targetSg`; `tolerance`, half the width of the range; `sgSd`, the standard deviation of the
 * SG
 * @throws PotterError for what lies outside
 * @example
 * planCorrection({ volumeMl: 10_000, sg: 1.52, targetSg: 1.45, tolerance: 0.02, sgSd: 0.005 })
 * // { kind: 'thin', waterMl: 1555.5556, firstMl: 1244.4444, restMl: 311.11111, newVolumeMl: 11555.556 }
 */
export function planCorrection({ volumeMl, sg, targetSg, tolerance, sgSd }: CorrectionQuestion): CorrectionPlan {
  requireNotNegative('tolerance', tolerance);
  requireNotNegative('sgSd', sgSd);
  const off = sg - targetSg;
  if (Math.abs(off) <= tolerance) return { kind: 'inRange', off };
  if (Math.abs(off) <= 2 * sgSd) return { kind: 'measureBetter', off, neededSd: Math.abs(off) / 2 };
  if (off > 0) {
    const waterMl = waterToThin({ volumeMl, sg, targetSg });
    const firstMl = FIRST_STAGE_SHARE * waterMl;
    return { kind: 'thin', waterMl, firstMl, restMl: waterMl - firstMl, newVolumeMl: volumeMl + waterMl };
  }
  const pourOffMl = waterToPourOff({ volumeMl, sg, targetSg });
  const firstMl = FIRST_STAGE_SHARE * pourOffMl;
  return { kind: 'thicken', pourOffMl, firstMl, restMl: pourOffMl - firstMl };
}
