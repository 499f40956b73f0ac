import { PotterError } from '../checks/potter-error';
import { requireNotNegative, requirePositive } from '../checks/require';
import { advance } from './advance-film';
import { EDGE_SHARE, layFilm, momentAt, type RunLayer, type RunMoment } from './film';
import { flowOf } from './film-flow';
import type { WallStrip } from './wall-strip';

export interface RunQuestion {
  strip: WallStrip;
  layers: readonly RunLayer[];
  /** ω of two layers of the list: how many times as much they run together. */
  overlap?: (a: number, b: number) => number;
  /** What stays on the wall of each cell in any case, mm: the stuck film, and what grooves hold. */
  stuckMm?: number | Float64Array;
  /** How many times as thick the melt lies in the valleys of flutes; 1 on a smooth wall. */
  gathers?: number | Float64Array;
  /** Stops once it came down to the end: for draws that only ask whether it does. */
  stopAtEnd?: boolean;
  /** Shares of the firing at which to keep the film, 0–1, rising. The end is always kept. */
  lookAt?: readonly number[];
}

export interface RunAnswer {
  moments: readonly RunMoment[];
  /** Whether its edge came down to the end of the strip: the shelf, outside. */
  reachedEnd: boolean;
  /** What left the lower end of the strip, mm³, and what hangs at an overhang. */
  offMm3: number;
  hangsMm3: number;
  /** Volume that was lost: put on, minus what is there and what left, as a share. */
  lostShare: number;
  steps: number;
}

/** Film of every melted coat that stays on the wall, mm. */
export const STUCK_FILM_MM = 0.05;
const MOST_STEPS = 400_000;

/**
 * Returns how melted layers run down a wall: ∂h/∂τ + (1/r)∂(r h³ sin α)/∂s = 0. The layers move as one film; their shares are carried along
 * and decide its flow where they are.
 *
 * Source: Huppert, 1982; finite volumes, upwind, so volume is kept and no cell goes below 0.
 *
 * @param question - `strip`; `layers`, mm melted by cell and their flow; overlaps, stuck film, flutes, and the moments to look at
 * @throws PotterError for no layers, a layer that does not fit the wall, or negative figures
 * @example
 * solveRun({ strip: uprightStrip({ lengthMm: 10, cellMm: 1 }), layers: [{ meltedMm: new Float64Array(10).fill(0.04), flow: 60 }] }).offMm3 // 0
 */
export function solveRun(question: RunQuestion): RunAnswer {
  const { strip, layers } = question;
  checkRun(question);
  const { count, areaMm2 } = strip;
  const stuck = perCell(question.stuckMm ?? STUCK_FILM_MM, count);
  const film = layFilm(layers, stuck, areaMm2);
  const flow = flowOf(layers, question.overlap, perCell(question.gathers ?? 1, count));
  const lookAt = [...new Set([...(question.lookAt ?? []), 1])].sort((a, b) => a - b);
  const moments: RunMoment[] = [];
  const off = new Float64Array(layers.length);
  let steps = 0;
  let from = 0;
  for (const until of lookAt) {
    const endMm = question.stopAtEnd ? EDGE_SHARE * film.firstWhole : Infinity;
    steps += advance(film.moving, strip, flow, { share: until - from, endMm, mostSteps: MOST_STEPS - steps }, off);
    from = until;
    moments.push(momentAt(until, strip, film, sumOf(off)));
  }
  const offMm3 = sumOf(off);
  let left = offMm3;
  let hangsMm3 = 0;
  const { heightMm } = moments.at(-1)!;
  for (let cell = 0; cell < count; cell++) {
    left += heightMm[cell]! * areaMm2[cell]!;
    // More than was put there, in front of a place that hangs over.
    if (strip.overhang[cell]) hangsMm3 += Math.max(0, heightMm[cell]! - film.putMm[cell]!) * areaMm2[cell]!;
  }
  return {
    moments,
    reachedEnd: moments.at(-1)!.isAtEnd,
    offMm3,
    hangsMm3,
    lostShare: film.putMm3 > 0 ? (film.putMm3 - left) / film.putMm3 : 0,
    steps,
  };
}

const sumOf = (mm3: Float64Array): number => mm3.reduce((sum, one) => sum + one, 0);

const perCell = (one: number | Float64Array, count: number): Float64Array => (typeof one === 'object' ? one : new Float64Array(count).fill(one));

function checkRun({ strip, layers, stuckMm, gathers = 1, lookAt = [] }: RunQuestion): void {
  if (layers.length === 0) throw new PotterError('emptyList', 'layers', 0, 'There is no glaze here to run.');
  for (const { meltedMm, flow } of layers) {
    requirePositive('flow', flow);
    if (meltedMm.length !== strip.count)
      throw new PotterError('impossible', 'meltedMm', meltedMm.length, 'A layer needs a thickness for every cell of the wall.');
    for (const mm of meltedMm) requireNotNegative('coatMm', mm);
  }
  if (stuckMm !== undefined) for (const mm of perCell(stuckMm, strip.count)) requireNotNegative('stuckMm', mm);
  for (const times of perCell(gathers, strip.count)) requirePositive('gathers', times);
  for (const share of lookAt) requireNotNegative('share', share);
}
