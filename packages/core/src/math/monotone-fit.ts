import { EIGHTY_PERCENT_Z } from './normal';

export interface FitPoint {
  x: number;
  y: number;
}

export type MonotoneFit =
  | { kind: 'tooFew'; points: number; needed: number }
  | {
      kind: 'ok';
      /** Fitted values at the points' x, rising in x; between them the fit runs straight. */
      knots: FitPoint[];
      points: number;
      /** Spread of a new reading about the fit: from the misfit of each point when it was left out. */
      sd: number;
    };

export const LEAST_FIT_POINTS = 4;
/** Old pairs say little of today's bucket, and each costs a fit: only the newest count. */
const MOST_FIT_POINTS = 120;

/**
 * Returns the best line that only rises, or only falls, through points, with no other shape forced on it. Its spread comes from leaving out
 * one point at a time.
 *
 * Source: pool adjacent violators (Ayer et al., 1955).
 *
 * @param question - `points`, in the order they were taken, the newest 120 count; `direction` of the line. Fewer than four different x are
 * `tooFew`.
 * @example
 * monotoneFit({ points: [1, 2, 3, 4].map((x) => ({ x, y: 10 * x })), direction: 'rising' }).knots.at(-1) // { x: 4, y: 40 }
 */
export function monotoneFit({ points, direction }: { points: readonly FitPoint[]; direction: 'rising' | 'falling' }): MonotoneFit {
  const newest = points.slice(-MOST_FIT_POINTS);
  if (new Set(newest.map((point) => point.x)).size < LEAST_FIT_POINTS) return { kind: 'tooFew', points: newest.length, needed: LEAST_FIT_POINTS };
  const sorted = [...newest].sort((a, b) => a.x - b.x);
  const knots = pooled(sorted, direction);
  const missed = sorted.map((point, index) => {
    const others = pooled([...sorted.slice(0, index), ...sorted.slice(index + 1)], direction);
    return (point.y - valueAt(others, point.x)) ** 2;
  });
  return { kind: 'ok', knots, points: newest.length, sd: Math.sqrt(missed.reduce((sum, square) => sum + square, 0) / missed.length) };
}

export interface FitAnswer {
  y: number;
  /** 80 % range. */
  low: number;
  high: number;
  /** Outside the points the end value stands. */
  outside: boolean;
}

/**
 * Returns the fitted value at x with its 80 % range. Beyond the points the end value stands.
 *
 * @param question - `fit`, from `monotoneFit`; `x`
 * @example
 * predictFromFit({ fit: monotoneFit({ points: [1, 2, 3, 4].map((x) => ({ x, y: 10 * x })), direction: 'rising' }), x: 2.5 }).y // 25
 */
export function predictFromFit({ fit, x }: { fit: Extract<MonotoneFit, { kind: 'ok' }>; x: number }): FitAnswer {
  const y = valueAt(fit.knots, x);
  const off = EIGHTY_PERCENT_Z * fit.sd;
  return { y, low: y - off, high: y + off, outside: x < fit.knots[0]!.x || x > fit.knots.at(-1)!.x };
}

function pooled(sorted: readonly FitPoint[], direction: 'rising' | 'falling'): FitPoint[] {
  const sign = direction === 'rising' ? 1 : -1;
  const blocks: { sum: number; count: number; xs: number[] }[] = [];
  for (const [x, ys] of byX(sorted)) {
    blocks.push({ sum: sign * ys.reduce((sum, y) => sum + y, 0), count: ys.length, xs: [x] });
    while (blocks.length > 1 && mean(blocks.at(-2)!) > mean(blocks.at(-1)!)) {
      const last = blocks.pop()!;
      const before = blocks.at(-1)!;
      before.sum += last.sum;
      before.count += last.count;
      before.xs.push(...last.xs);
    }
  }
  return blocks.flatMap((block) => block.xs.map((x) => ({ x, y: sign * mean(block) })));
}

const mean = ({ sum, count }: { sum: number; count: number }): number => sum / count;

function byX(sorted: readonly FitPoint[]): Map<number, number[]> {
  const groups = new Map<number, number[]>();
  for (const { x, y } of sorted) groups.set(x, [...(groups.get(x) ?? []), y]);
  return groups;
}

function valueAt(knots: readonly FitPoint[], x: number): number {
  const first = knots[0]!;
  if (x <= first.x) return first.y;
  for (let i = 1; i < knots.length; i++) {
    const [a, b] = [knots[i - 1]!, knots[i]!];
    if (x <= b.x) return a.y + ((b.y - a.y) * (x - a.x)) / (b.x - a.x);
  }
  return knots.at(-1)!.y;
}
