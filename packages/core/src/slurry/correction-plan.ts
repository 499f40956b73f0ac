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

/** Most of it first, then stir and measure: a bucket's volume is rarely known to better than a fifth. */
export const FIRST_STAGE_SHARE = 0.8;

/**
 * What to do with a measured bucket. Corrects only when |d − target| > max(tolerance, 2 sd): a smaller correction
 * would chase the error of the measurement. Out of the range by less than 2 sd asks for a better measurement.
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
