import { bisectWhole } from '../math/bisect';
import type { PieceShape } from '../geometry/piece-form';
import type { PiecePlan } from '../plan/piece-plan';
import { drawRuns } from './draw-runs';
import { quickBand, quickRun } from './quick-run';
import { sidesToRun, type PairFlow, type SideToRun } from './piece-run';
import type { GlazeFacts } from '../plan/facts';
import type { Texture } from '../plan/texture';
import { seededUniform } from '../math/seeded-uniform';

export interface SafeLineQuestion {
  plan: PiecePlan;
  shape: PieceShape;
  glazes: readonly GlazeFacts[];
  firingRatio?: number;
  texture?: Texture;
  overlaps?: readonly PairFlow[];
}

export type SafeLine =
  | { kind: 'ok'; waxFootMm: number; chance: number }
  /** Even a start high up does not keep it off the shelf. */
  | { kind: 'none'; chance: number };

/** A line is called safe when the shelf is reached less often than this. */
export const SAFE_CHANCE = 0.05;
const DRAWS = 400;
/** The highest wax line that is offered, as a share of the height. */
const HIGHEST_SHARE = 0.7;

/**
 * Returns the lowest line, in whole mm, at which the outside may start so that it reaches the shelf less often than 1 in 20. From 400 draws.
 *
 * @param question - plan, shape, glazes, firing and texture
 * @example
 * safeLine({ plan: { shapeId: 'cup', zones: { inside: [], outside: [{ id: 'a', bucketId: 'ash', method: 'dip', coatMm: 0.5 }], rim: [], foot: [] }, waxFootMm: 10, rimBandMm: 0, order: [], putAside: [] }, shape: shapeOf({ shapeId: 'cup' }), glazes: [{ bucketId: 'ash', name: 'Ash', lightness: 0.7, sg: 1.45, density: 2.6, packing: 0.5, filmMm: 0.15, slurryState: 'normal', shrinkShare: 15, loiPercent: 8, flow: { flow: 60, lnSd: 0.5, basis: 'pottersWord' }, surface: 'gloss', foodTested: true, firedPercent: {}, unity: {} }] }).kind
 * // 'ok'
 */
export function safeLine(question: SafeLineQuestion): SafeLine {
  const highest = Math.floor(HIGHEST_SHARE * Math.max(...question.shape.outside.map((point) => point.heightMm)));
  const chanceAt = (waxFootMm: number): number => chanceOf(question, waxFootMm);
  const atTop = chanceAt(highest);
  if (atTop >= SAFE_CHANCE) return { kind: 'none', chance: atTop };
  const lowest = bisectWhole({ low: -1, high: highest, isPast: (waxFootMm) => chanceAt(waxFootMm) < SAFE_CHANCE });
  return { kind: 'ok', waxFootMm: lowest, chance: chanceAt(lowest) };
}

/**
 * Returns where the glaze has to start for its edge to end at a wanted height, mm above the shelf, in the middle case.
 *
 * @param question - plan, shape, glazes, firing and texture
 * @param wantedMm - height of the fired edge
 * @example
 * startForEdge({ plan: { shapeId: 'cup', zones: { inside: [], outside: [{ id: 'a', bucketId: 'ash', method: 'dip', coatMm: 0.5 }], rim: [], foot: [] }, waxFootMm: 10, rimBandMm: 0, order: [], putAside: [] }, shape: shapeOf({ shapeId: 'cup' }), glazes: [{ bucketId: 'ash', name: 'Ash', lightness: 0.7, sg: 1.45, density: 2.6, packing: 0.5, filmMm: 0.15, slurryState: 'normal', shrinkShare: 15, loiPercent: 8, flow: { flow: 60, lnSd: 0.5, basis: 'pottersWord' }, surface: 'gloss', foodTested: true, firedPercent: {}, unity: {} }] }, 10) > 10
 * // true
 */
export function startForEdge(question: SafeLineQuestion, wantedMm: number): number {
  let start = wantedMm;
  for (let round = 0; round < 4; round++) start = wantedMm + middleRunMm(question, start);
  return start;
}

/** The worst of its sides: a handle brings the glaze of all its faces to one place. */
function chanceOf({ plan, ...rest }: SafeLineQuestion, waxFootMm: number): number {
  const sides = sidesToRun({ ...rest, plan: { ...plan, waxFootMm } });
  return sides.filter(leadsToShelf).reduce((worst, side) => {
    // The same draws at every height, so that a higher line is never the riskier one by chance.
    const { reached } = drawRuns(side, { draws: DRAWS, random: seededUniform(7), enoughReached: Math.ceil(SAFE_CHANCE * DRAWS) });
    return Math.max(worst, reached / DRAWS);
  }, 0);
}

/**
 * Returns whether what comes down a side ends on the shelf.
 *
 * @param side - which side
 * @example
 * leadsToShelf({ side: 'inside' }) // false
 */
export const leadsToShelf = ({ side }: Pick<SideToRun, 'side'>): boolean => side !== 'inside';

function middleRunMm({ plan, ...rest }: SafeLineQuestion, waxFootMm: number): number {
  const quick = quickRun({ ...rest, plan: { ...plan, waxFootMm: Math.max(0, waxFootMm) }, side: 'outside' });
  return quick ? quickBand(quick).middleMm : 0;
}
