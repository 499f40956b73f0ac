import { combineEstimates, type NormalEstimate } from '../math/normal';
import type { FlowGuess } from '../chemistry/flow-guess';
import { requirePositive } from '../checks/require';
import { flowFromRun } from '../melt/band';
import { STUCK_FILM_MM } from '../run/run-solver';
import { OVERLAP_OMEGA } from '../run/overlap-omega';
import type { PairFlow } from '../run/piece-run';

/** What a fired runner tile says: a band of one glaze, or of two over one another, and how far its lower edge ran. */
export interface RunReading {
  /** Lower one first. One glaze alone, or two. */
  layers: readonly { glazeId: string; meltedMm: number }[];
  bandMm: number;
  runMm: number;
  /** How many times as much its firing flowed as the usual one. */
  firingRatio: number;
}

/** Sd of ln F of one measured run: ruler, coat and the unevenness of the kiln. */
export const RUN_LN_SD = 0.3;
/** A shorter run is no run: it only says that the glaze flows no more than that, mm. */
const SHORTEST_RUN_MM = 0.5;

/**
 * Returns the flow figure of the whole band at the usual firing, 1/mm.
 *
 * @param reading - layers in mm melted, the band and its run in mm, and how much its firing flowed
 * @throws PotterError for a firing ratio of 0 or less, or a band that cannot be
 * @example
 * flowOfReading({ layers: [{ glazeId: 'ash', meltedMm: 0.35 }], bandMm: 50, runMm: 5.4, firingRatio: 1 }) // 60
 */
export function flowOfReading({ layers, bandMm, runMm, firingRatio }: RunReading): number {
  requirePositive('flow', firingRatio);
  const meltedMm = layers.reduce((sum, layer) => sum + layer.meltedMm, 0) - STUCK_FILM_MM;
  return flowFromRun({ meltedMm: Math.max(0.01, meltedMm), bandMm, runMm: Math.max(SHORTEST_RUN_MM, runMm) }) / firingRatio;
}

/**
 * Returns what is known of a glaze's flow once its tiles were measured: estimates of ln F, combined.
 *
 * @param prior - the flow before
 * @param glazeId - whose tiles count; only those of this glaze alone
 * @param readings - runner tiles
 * @example
 * learnFlow({ flow: 60, lnSd: 0.5, basis: 'pottersWord' }, 'ash', []).flow // 60
 */
export function learnFlow(prior: FlowGuess, glazeId: string, readings: readonly RunReading[]): FlowGuess {
  const own = readings.filter(({ layers }) => layers.length === 1 && layers[0]!.glazeId === glazeId);
  if (own.length === 0) return prior;
  const { mean, sd } = combineEstimates([
    { mean: Math.log(prior.flow), sd: prior.lnSd },
    ...own.map((reading) => ({ mean: Math.log(flowOfReading(reading)), sd: RUN_LN_SD })),
  ]);
  return { flow: Math.exp(mean), lnSd: sd, basis: 'runnerTile' };
}

/**
 * Returns ω of every pair that was measured over one another.
 *
 * @param readings - runner tiles
 * @param flowOf - what is known of one glaze by itself
 * @example
 * learnPairs([], () => undefined) // []
 */
export function learnPairs(readings: readonly RunReading[], flowOf: (glazeId: string) => FlowGuess | undefined): PairFlow[] {
  const byPair = new Map<string, { a: string; b: string; found: NormalEstimate[] }>();
  for (const reading of readings) {
    const [lower, upper] = reading.layers;
    if (!lower || !upper || lower.glazeId === upper.glazeId) continue;
    const [first, second] = [flowOf(lower.glazeId), flowOf(upper.glazeId)];
    if (!first || !second) continue;
    const whole = lower.meltedMm + upper.meltedMm;
    const [x, y] = [lower.meltedMm / whole, upper.meltedMm / whole];
    const alone = x * Math.log(first.flow) + y * Math.log(second.flow);
    const weight = 4 * x * y;
    const [a, b] = [lower.glazeId, upper.glazeId].sort() as [string, string];
    const pair = byPair.get(`${a} ${b}`) ?? { a, b, found: [] };
    pair.found.push({
      mean: (Math.log(flowOfReading(reading)) - alone) / weight,
      sd: Math.hypot(RUN_LN_SD, x * first.lnSd, y * second.lnSd) / weight,
    });
    byPair.set(`${a} ${b}`, pair);
  }
  return [...byPair.values()].map(({ a, b, found }) => {
    const { mean, sd } = combineEstimates([{ mean: Math.log(OVERLAP_OMEGA.omega), sd: OVERLAP_OMEGA.lnSd }, ...found]);
    return { a, b, omega: Math.exp(mean), lnSd: sd };
  });
}

/**
 * Returns how much narrower the range of ln F gets by one more measured tile: 0.5 is half as wide.
 *
 * @param lnSd - of ln F now, above 0
 * @example
 * narrowsTo(0.3) // 0.70710678
 */
export const narrowsTo = (lnSd: number): number => 1 / Math.sqrt(1 + (lnSd / RUN_LN_SD) ** 2);
