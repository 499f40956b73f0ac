import { frontOf, overlapOf, reachedEnd, runLayers, type SideToRun } from './piece-run';
import { solveRun } from './run-solver';
import { normalDraw } from '../math/normal';

/** What is not known before the fire, as sd of a logarithm: a coat that was not measured, and half a cone of the kiln. */
export const COAT_LN_SD = 0.2;
export const KILN_LN_SD = 0.25;

export interface DrawnRuns {
  /** Lower edges after the fire, mm down the strip, in the order they were drawn. */
  fronts: Float64Array;
  /** How many draws came down to the end of the strip. */
  reached: number;
}

/**
 * Returns where the lower edge ends in many draws of a side. Each draw takes every layer's coat and flow, the pair's ω and the kiln within
 * what is known of them, and runs it through the solver.
 *
 * @param side - from `sideToRun`
 * @param options - `draws`, how many; `random`, uniform numbers from 0 to 1; `coatLnSd`, sd of ln of a coat; `enoughReached`, stops after so
 * many that reach the end
 * @example
 * drawRuns(sideToRun({ plan: { shapeId: 'cup', zones: { inside: [], outside: [{ id: 'a', bucketId: 'ash', method: 'dip', coatMm: 0.5 }], rim: [], foot: [] }, waxFootMm: 10, rimBandMm: 0, order: [], putAside: [] }, shape: shapeOf({ shapeId: 'cup' }), glazes: [{ bucketId: 'ash', name: 'Ash', lightness: 0.7, sg: 1.45, density: 2.6, packing: 0.5, filmMm: 0.15, slurryState: 'normal', shrinkShare: 15, loiPercent: 8, flow: { flow: 60, lnSd: 0.5, basis: 'pottersWord' }, surface: 'gloss', foodTested: true, firedPercent: {}, unity: {} }], side: 'outside', cellMm: 3 }), { draws: 2, random: seededUniform(7) }).fronts.length
 * // 2
 */
export function drawRuns(
  side: SideToRun,
  {
    draws,
    random,
    coatLnSd = COAT_LN_SD,
    enoughReached = Infinity,
  }: { draws: number; random: () => number; coatLnSd?: number; enoughReached?: number },
): DrawnRuns {
  const fronts = new Float64Array(draws);
  let reached = 0;
  for (let draw = 0; draw < draws; draw++) {
    const kiln = Math.exp(KILN_LN_SD * normalDraw(random));
    const together = normalDraw(random);
    // A glaze is the same everywhere on the piece; every coat of it is put on anew.
    const flows = new Map<string, number>();
    const scales = side.layers.map(({ layer, flowLnSd }) => {
      const flow = flows.get(layer.bucketId) ?? Math.exp(flowLnSd * normalDraw(random));
      flows.set(layer.bucketId, flow);
      return { coat: Math.exp(coatLnSd * normalDraw(random)), flow: flow * kiln };
    });
    const { moments } = solveRun({
      strip: side.strip,
      layers: runLayers(side, (layer) => scales[layer]!),
      overlap: overlapOf(side, together),
      stuckMm: side.stuckMm,
      gathers: side.gathers,
      stopAtEnd: side.endHoldsMm3 === 0,
    });
    const hasReached = reachedEnd(side, moments[0]!);
    fronts[draw] = frontOf(side, moments[0]!, hasReached);
    if (hasReached) reached += 1;
    // A caller that asks only whether it is too often knows enough.
    if (reached >= enoughReached) return { fronts: fronts.slice(0, draw + 1), reached };
  }
  return { fronts, reached };
}

/**
 * Returns the draws of several workers as one.
 *
 * @param parts - from `drawRuns`
 * @example
 * joinDraws([{ fronts: new Float64Array(2), reached: 1 }, { fronts: new Float64Array(3), reached: 0 }]).reached // 1
 */
export const joinDraws = (parts: readonly DrawnRuns[]): DrawnRuns => ({
  fronts: Float64Array.from(parts.flatMap((part) => [...part.fronts])),
  reached: parts.reduce((sum, part) => sum + part.reached, 0),
});

/** Kept free between the 95 % run and the shelf, mm (M4). */
export const SHELF_MARGIN_MM = 2;

export interface RunChances {
  /** Share of the draws that reach the end: the shelf, outside. */
  reachChance: number;
  /** Share that come within 2 mm of the shelf, or on it. */
  nearChance: number;
  /** Runs beyond the edge before the fire, mm: middle, 80 % band, and the 95 % case. */
  middleMm: number;
  lowMm: number;
  highMm: number;
  run95Mm: number;
}

/**
 * Returns the chance to reach the end, and the run beyond the edge before the fire, mm: the middle, an 80 % band, and the 95 % case.
 *
 * @param side - from `sideToRun`
 * @param draws - from `drawRuns`
 * @example
 * runChances({ startMm: 10, endMm: 100, endsAt: 'shelf' }, { fronts: Float64Array.from([12, 14, 16]), reached: 0 })
 * // { reachChance: 0, middleMm: 4, lowMm: 2, highMm: 6, run95Mm: 6 }
 */
export function runChances(side: Pick<SideToRun, 'startMm' | 'endMm' | 'endsAt'>, { fronts, reached }: DrawnRuns): RunChances {
  const runs = Float64Array.from(fronts, (front) => front - side.startMm).sort();
  const at = (share: number): number => runs[Math.min(runs.length - 1, Math.max(0, Math.round(share * (runs.length - 1))))] ?? 0;
  const near = side.endsAt === 'shelf' ? fronts.reduce((sum, front) => sum + (front > side.endMm - SHELF_MARGIN_MM ? 1 : 0), 0) : reached;
  const count = Math.max(1, fronts.length);
  return { reachChance: reached / count, nearChance: near / count, middleMm: at(0.5), lowMm: at(0.1), highMm: at(0.9), run95Mm: at(0.95) };
}
