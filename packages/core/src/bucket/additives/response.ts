/** A reading by feel after so many drops: swirl or flow cup, seconds. */
export interface ReadingAfter {
  drops: number;
  seconds: number;
}

export type TurningPoint = { kind: 'ok'; drops: number; before: number; after: number } | { kind: 'tooFew'; points: number } | { kind: 'noTurn' };

const LEAST_POINTS = 5;
/** A broken line counts as a turn only when it explains the points better than a straight one by this factor. */
const CLEARLY_BETTER = 3;

/**
 * Returns where the response to drops turned: the best broken line of two pieces through the swirl times, by least squares; of three when it
 * fell and then stood still again. Fewer than five points, or points that a straight line fits as well, say nothing.
 *
 * @param question - `points`, drops and seconds of the swirl after them. `before` and `after` of the answer are slopes in seconds a drop.
 * @example
 * turningPoint({ points: [] }) // { kind: 'tooFew', points: 0 }
 */
export function turningPoint({ points }: { points: readonly ReadingAfter[] }): TurningPoint {
  if (points.length < LEAST_POINTS) return { kind: 'tooFew', points: points.length };
  const sorted = [...points].sort((a, b) => a.drops - b.drops);
  const straight = brokenAt(sorted, []);
  // Swirls are timed to a few tenths of a second: a smaller misfit means nothing, s².
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

export type ThinnestPoint =
  | { kind: 'tooFew'; points: number }
  /** Still getting thinner with every step. */
  | { kind: 'falling'; drops: number }
  /** The last steps changed nothing: here it is thinnest. */
  | { kind: 'thinnest'; drops: number; seconds: number }
  /** It thickens again: more silicate gels it, and nothing takes it out. */
  | { kind: 'past'; drops: number; seconds: number };

/** Differences that a flow cup cannot tell apart: seconds, and a share. */
const FLOW_NOISE = { seconds: 0.3, share: 0.03 } as const;

/**
 * Returns where a deflocculant stands on its own curve, which falls, stands, then rises.
 *
 * @param question - `points`, drops and seconds of the flow cup after them
 * @example
 * thinnestPoint({ points: [] }).kind // 'tooFew'
 */
export function thinnestPoint({ points }: { points: readonly ReadingAfter[] }): ThinnestPoint {
  const sorted = [...points].sort((a, b) => a.drops - b.drops);
  if (sorted.length < 3) return { kind: 'tooFew', points: sorted.length };
  const noise = (seconds: number): number => Math.max(FLOW_NOISE.seconds, FLOW_NOISE.share * seconds);
  const best = sorted.reduce((least, point) => (point.seconds < least.seconds ? point : least));
  const last = sorted.at(-1)!;
  if (last.seconds > best.seconds + noise(best.seconds)) return { kind: 'past', drops: best.drops, seconds: best.seconds };
  const before = sorted.at(-2)!;
  if (before.seconds - last.seconds <= noise(last.seconds)) return { kind: 'thinnest', drops: best.drops, seconds: best.seconds };
  return { kind: 'falling', drops: last.drops };
}

/** A line broken at these points: its misfit and the slopes of its pieces. Pieces share the point where they meet. */
function brokenAt(points: readonly ReadingAfter[], at: readonly number[]): { error: number; slopes: number[] } {
  const ends = [0, ...at, points.length - 1];
  const pieces = ends.slice(1).map((end, index) => lineThrough(points.slice(ends[index]!, end + 1)));
  return { error: pieces.reduce((sum, piece) => sum + piece.error, 0), slopes: pieces.map((piece) => piece.slope) };
}

function lineThrough(points: readonly ReadingAfter[]): { slope: number; error: number } {
  const mean = (of: (point: ReadingAfter) => number): number => points.reduce((sum, point) => sum + of(point), 0) / points.length;
  const [x, y] = [mean((point) => point.drops), mean((point) => point.seconds)];
  const spread = points.reduce((sum, point) => sum + (point.drops - x) ** 2, 0);
  const slope = spread > 0 ? points.reduce((sum, point) => sum + (point.drops - x) * (point.seconds - y), 0) / spread : 0;
  return { slope, error: points.reduce((sum, point) => sum + (point.seconds - y - slope * (point.drops - x)) ** 2, 0) };
}
