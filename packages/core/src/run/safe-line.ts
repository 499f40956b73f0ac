import type { PieceShape } from '../geometry/piece-form';
import type { GlazeFacts, PiecePlan } from '../layering/piece-plan';
import { drawRuns, seededUniform } from './draw-runs';
import { quickBand, quickRun } from './quick-run';
import { sidesToRun, type PairFlow, type SideToRun } from './piece-run';
import type { Texture } from './wall-texture';

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
  /** Not even a start high up keeps it off the shelf. */
  | { kind: 'none'; chance: number };

/** A reach of the shelf rarer than this is called safe. */
export const SAFE_CHANCE = 0.05;
const DRAWS = 400;
/** No wax line lies higher than this share of the piece. */
const HIGHEST_SHARE = 0.7;

/** The lowest line, in whole mm, that the outside may start at so that it reaches the shelf less often than 1 in 20. */
export function safeLine(question: SafeLineQuestion): SafeLine {
  const highest = Math.floor(HIGHEST_SHARE * Math.max(...question.shape.outside.map((point) => point.heightMm)));
  const chanceAt = (waxFootMm: number): number => chanceOf(question, waxFootMm);
  const atTop = chanceAt(highest);
  if (atTop >= SAFE_CHANCE) return { kind: 'none', chance: atTop };
  let [low, high] = [-1, highest];
  while (high - low > 1) {
    const middle = Math.floor((low + high) / 2);
    if (chanceAt(middle) < SAFE_CHANCE) high = middle;
    else low = middle;
  }
  return { kind: 'ok', waxFootMm: high, chance: chanceAt(high) };
}

/** Where the glaze has to start for its edge to end at a wanted height, mm above the shelf: the middle case. */
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

/** Whether what comes down a side ends on the shelf. */
export const leadsToShelf = ({ side }: Pick<SideToRun, 'side'>): boolean => side !== 'inside';

function middleRunMm({ plan, ...rest }: SafeLineQuestion, waxFootMm: number): number {
  const quick = quickRun({ ...rest, plan: { ...plan, waxFootMm: Math.max(0, waxFootMm) }, side: 'outside' });
  return quick ? quickBand(quick).middleMm : 0;
}
