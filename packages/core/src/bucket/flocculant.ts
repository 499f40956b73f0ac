import { requireNotNegative, requirePositive } from '../checks/require';

/** A drop of saturated Epsom brine: 0.05 mL at 0.69 g of salts (heptahydrate) to the mL. */
export const EPSOM_GRAMS_PER_DROP = 0.035;
export const EPSOM_GRAMS_PER_ML = 0.69;
/** Share of the dry glaze, percent: where it usually does something, and where more makes it worse. */
export const EPSOM_PERCENT = { least: 0.05, most: 0.2, ceiling: 0.3 } as const;
/** Above this many drops a syringe is quicker and surer. */
const DROPS_BY_SYRINGE = 30;

export interface EpsomDose {
  grams: number;
  millilitres: number;
  /** Of the dry glaze. */
  percent: number;
  zone: 'little' | 'usual' | 'much' | 'ceiling';
  /** Drops still allowed before the ceiling. */
  dropsLeft: number;
  bySyringe: boolean;
}

/** What so many drops of saturated Epsom brine are, and where that stands to the ceiling. Example: 10.5 mL in 7.2 kg of dry glaze are 0.1 %. */
export function epsomDose({ drops, dryGrams }: { drops: number; dryGrams: number }): EpsomDose {
  const grams = requireNotNegative('drops', drops) * EPSOM_GRAMS_PER_DROP;
  const percent = (100 * grams) / requirePositive('dryGrams', dryGrams);
  const { least, most, ceiling } = EPSOM_PERCENT;
  return {
    grams,
    millilitres: grams / EPSOM_GRAMS_PER_ML,
    percent,
    zone: percent >= ceiling ? 'ceiling' : percent > most ? 'much' : percent >= least ? 'usual' : 'little',
    dropsLeft: Math.max(0, Math.floor((ceiling * dryGrams) / 100 / EPSOM_GRAMS_PER_DROP + 1e-9) - drops),
    bySyringe: drops > DROPS_BY_SYRINGE,
  };
}

/** A swirl timed after so many drops. */
export interface SwirlAfter {
  drops: number;
  seconds: number;
}

export type TurningPoint = { kind: 'ok'; drops: number; before: number; after: number } | { kind: 'tooFew'; points: number } | { kind: 'noTurn' };

const LEAST_POINTS = 5;
/** A broken line explains the points better than a straight one by this factor, or there is no turn to speak of. */
const CLEARLY_BETTER = 3;

/**
 * Where the response turned: the best of all broken lines of two pieces through the swirl times, by least squares; of three when it fell and
 * then stood still again. `before` and `after` are the slopes on both sides of the turn, seconds a drop. Fewer than five points, or points
 * a straight line fits as well, say nothing.
 */
export function turningPoint({ points }: { points: readonly SwirlAfter[] }): TurningPoint {
  if (points.length < LEAST_POINTS) return { kind: 'tooFew', points: points.length };
  const sorted = [...points].sort((a, b) => a.drops - b.drops);
  const straight = brokenAt(sorted, []);
  // Swirls are timed to a few tenths of a second: below that nothing is explained better.
  const noise = 0.05 * sorted.length;
  const inner = sorted.map((_, index) => index).slice(2, -1);
  const broken = [...inner.map((one) => [one]), ...inner.flatMap((one) => inner.filter((two) => two > one).map((two) => [one, two]))];
  for (const pieces of [1, 2]) {
    const tries = broken.filter((at) => at.length === pieces).map((at) => ({ at, ...brokenAt(sorted, at) }));
    const best = tries.sort((one, two) => one.error - two.error)[0];
    if (best && straight.error >= CLEARLY_BETTER * (best.error + noise)) {
      return { kind: 'ok', drops: sorted[best.at[0]!]!.drops, before: best.slopes[0]!, after: best.slopes[1]! };
    }
  }
  return { kind: 'noTurn' };
}

/** A line broken at these points: what its pieces leave unexplained, and their slopes. Pieces share the point they meet in. */
function brokenAt(points: readonly SwirlAfter[], at: readonly number[]): { error: number; slopes: number[] } {
  const ends = [0, ...at, points.length - 1];
  const pieces = ends.slice(1).map((end, index) => lineThrough(points.slice(ends[index]!, end + 1)));
  return { error: pieces.reduce((sum, piece) => sum + piece.error, 0), slopes: pieces.map((piece) => piece.slope) };
}

function lineThrough(points: readonly SwirlAfter[]): { slope: number; error: number } {
  const mean = (of: (point: SwirlAfter) => number): number => points.reduce((sum, point) => sum + of(point), 0) / points.length;
  const [x, y] = [mean((point) => point.drops), mean((point) => point.seconds)];
  const spread = points.reduce((sum, point) => sum + (point.drops - x) ** 2, 0);
  const slope = spread > 0 ? points.reduce((sum, point) => sum + (point.drops - x) * (point.seconds - y), 0) / spread : 0;
  return { slope, error: points.reduce((sum, point) => sum + (point.seconds - y - slope * (point.drops - x)) ** 2, 0) };
}
