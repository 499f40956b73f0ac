import { requireNotNegative, requirePositive } from '../checks/require';

/**
 * Returns how far a melted band runs down an upright wall, mm. Up to F = H/(2h²) the front has run h²F; beyond it (27/4·h²H²F)^(1/3) − H.
 *
 * Exact for a thin film of one glaze. Source: Huppert, 1982.
 *
 * @param question - `meltedMm`, thickness h, 0 or more; `bandMm`, height H, above 0; `flow`, the flow figure F in 1/mm, 0 or more
 * @throws PotterError for what lies outside
 * @example
 * bandRunMm({ meltedMm: 0.3, bandMm: 50, flow: 60 }) // 5.4
 */
export function bandRunMm({ meltedMm, bandMm, flow }: { meltedMm: number; bandMm: number; flow: number }): number {
  requireNotNegative('meltedMm', meltedMm);
  requirePositive('bandMm', bandMm);
  requireNotNegative('flow', flow);
  if (meltedMm === 0) return 0;
  if (flow <= bandMm / (2 * meltedMm ** 2)) return meltedMm ** 2 * flow;
  return Math.cbrt(6.75 * meltedMm ** 2 * bandMm ** 2 * flow) - bandMm;
}

/**
 * Returns the flow figure from a runner tile, 1/mm: the inverse of `bandRunMm`.
 *
 * @param question - `meltedMm` and `bandMm`, above 0; `runMm`, 0 or more
 * @throws PotterError for what lies outside
 * @example
 * flowFromRun({ meltedMm: 0.3, bandMm: 50, runMm: 5.4 }) // 60
 */
export function flowFromRun({ meltedMm, bandMm, runMm }: { meltedMm: number; bandMm: number; runMm: number }): number {
  requirePositive('meltedMm', meltedMm);
  requirePositive('bandMm', bandMm);
  requireNotNegative('runMm', runMm);
  if (runMm <= bandMm / 2) return runMm / meltedMm ** 2;
  return (runMm + bandMm) ** 3 / (6.75 * meltedMm ** 2 * bandMm ** 2);
}
