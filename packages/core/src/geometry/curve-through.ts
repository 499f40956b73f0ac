import type { ProfilePoint } from './profile';

/** Places between two points of a drawn curve. */
const BETWEEN = 6;

/**
 * Returns a smooth dense profile through points. A corner ends one curve and begins the next. Radii never go below 0.
 *
 * Source: centripetal Catmull–Rom (Catmull and Rom, 1974; Yuksel et al., 2011). It makes no loops between points near one another.
 *
 * @param points - two or more, mm, in the order in which they follow one another
 * @example
 * curveThrough([{ radiusMm: 40, heightMm: 0, corner: true }, { radiusMm: 40, heightMm: 90, corner: true }]).at(-1)
 * // { radiusMm: 40, heightMm: 90 }
 */
export function curveThrough(points: readonly (ProfilePoint & { corner?: boolean | undefined })[]): ProfilePoint[] {
  const [start] = points;
  if (!start) return [];
  const dense: ProfilePoint[] = [{ radiusMm: start.radiusMm, heightMm: start.heightMm }];
  for (let i = 1; i < points.length; i++) {
    const p1 = points[i - 1]!;
    const p2 = points[i]!;
    const p0 = p1.corner ? p1 : (points[i - 2] ?? p1);
    const p3 = p2.corner ? p2 : (points[i + 1] ?? p2);
    between(p0, p1, p2, p3, dense);
    dense.push({ radiusMm: p2.radiusMm, heightMm: p2.heightMm });
  }
  return dense;
}

/** Barry and Goldman's pyramid (1988), with knots at the root of the distance: returns the places between two points, in order. */
function between(p0: ProfilePoint, p1: ProfilePoint, p2: ProfilePoint, p3: ProfilePoint, dense: ProfilePoint[]): void {
  const t1 = knot(p0, p1);
  const t2 = t1 + knot(p1, p2);
  const t3 = t2 + knot(p2, p3);
  for (let step = 1; step < BETWEEN; step++) {
    const t = t1 + (step / BETWEEN) * (t2 - t1);
    dense.push({
      radiusMm: Math.max(0, pyramid(p0.radiusMm, p1.radiusMm, p2.radiusMm, p3.radiusMm, t1, t2, t3, t)),
      heightMm: pyramid(p0.heightMm, p1.heightMm, p2.heightMm, p3.heightMm, t1, t2, t3, t),
    });
  }
}

/** The first knot lies at 0. */
function pyramid(v0: number, v1: number, v2: number, v3: number, t1: number, t2: number, t3: number, t: number): number {
  const a1 = mix(v0, v1, 0, t1, t);
  const a2 = mix(v1, v2, t1, t2, t);
  const a3 = mix(v2, v3, t2, t3, t);
  return mix(mix(a1, a2, 0, t2, t), mix(a2, a3, t1, t3, t), t1, t2, t);
}

function knot(a: ProfilePoint, b: ProfilePoint): number {
  const across = b.radiusMm - a.radiusMm;
  const up = b.heightMm - a.heightMm;
  return Math.max(1e-6, Math.sqrt(Math.sqrt(across * across + up * up)));
}

const mix = (a: number, b: number, from: number, to: number, t: number): number => a + ((b - a) * (t - from)) / (to - from);
