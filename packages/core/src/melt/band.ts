import { requireNotNegative, requirePositive } from '../checks/require';

/**
 * How far a melted band runs down an upright wall, mm (exact for a thin film; Huppert 1982).
 * F is the flow figure, 1/mm. Up to F = H/(2h²) the front has run h²F; beyond it (27/4·h²H²F)^(1/3) − H.
 */
export function bandRunMm({ meltedMm, bandMm, flow }: { meltedMm: number; bandMm: number; flow: number }): number {
  requireNotNegative('meltedMm', meltedMm);
  requirePositive('bandMm', bandMm);
  requireNotNegative('flow', flow);
  if (meltedMm === 0) return 0;
  if (flow <= bandMm / (2 * meltedMm ** 2)) return meltedMm ** 2 * flow;
  return Math.cbrt(6.75 * meltedMm ** 2 * bandMm ** 2 * flow) - bandMm;
}

/** The flow figure from a runner tile: the inverse of `bandRunMm`, 1/mm. */
export function flowFromRun({ meltedMm, bandMm, runMm }: { meltedMm: number; bandMm: number; runMm: number }): number {
  requirePositive('meltedMm', meltedMm);
  requirePositive('bandMm', bandMm);
  requireNotNegative('runMm', runMm);
  if (runMm <= bandMm / 2) return runMm / meltedMm ** 2;
  return (runMm + bandMm) ** 3 / (6.75 * meltedMm ** 2 * bandMm ** 2);
}
