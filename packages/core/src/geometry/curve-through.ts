import type { ProfilePoint } from './profile';

/** Places between two points of a drawn curve. */
const BETWEEN = 6;

/**
 * The smooth line a hand would draw through points, as a dense profile: centripetal Catmull-Rom (Catmull and Rom 1974; Yuksel 2011), which
 * makes no loops between points near one another. A corner ends one curve and begins the next. Radii never go below nothing.
 */
export function curveThrough(points: readonly (ProfilePoint & { corner?: boolean | undefined })[]): ProfilePoint[] {
  const [start] = points;
  if (!start) return [];
  const dense: ProfilePoint[] = [{ radiusMm: start.radiusMm, heightMm: start.heightMm }];
  for (let i = 1; i < points.length; i++) {
    const [p1, p2] = [points[i - 1]!, points[i]!];
    const p0 = p1.corner ? p1 : (points[i - 2] ?? p1);
    const p3 = p2.corner ? p2 : (points[i + 1] ?? p2);
    for (let step = 1; step < BETWEEN; step++) dense.push(between(p0, p1, p2, p3, step / BETWEEN));
    dense.push({ radiusMm: p2.radiusMm, heightMm: p2.heightMm });
  }
  return dense;
}

/** Barry and Goldman's pyramid (1988) with knots the root of the distance apart. */
function between(p0: ProfilePoint, p1: ProfilePoint, p2: ProfilePoint, p3: ProfilePoint, share: number): ProfilePoint {
  const knot = (a: ProfilePoint, b: ProfilePoint): number => Math.max(1e-6, Math.sqrt(Math.hypot(b.radiusMm - a.radiusMm, b.heightMm - a.heightMm)));
  const [k01, k12, k23] = [knot(p0, p1), knot(p1, p2), knot(p2, p3)];
  const [t0, t1, t2, t3] = [0, k01, k01 + k12, k01 + k12 + k23];
  const t = t1 + share * k12;
  const at = (of: (point: ProfilePoint) => number): number => {
    const a1 = mix(of(p0), of(p1), t0, t1, t);
    const a2 = mix(of(p1), of(p2), t1, t2, t);
    const a3 = mix(of(p2), of(p3), t2, t3, t);
    return mix(mix(a1, a2, t0, t2, t), mix(a2, a3, t1, t3, t), t1, t2, t);
  };
  return {
    radiusMm: Math.max(
      0,
      at((point) => point.radiusMm),
    ),
    heightMm: at((point) => point.heightMm),
  };
}

const mix = (a: number, b: number, from: number, to: number, t: number): number => a + ((b - a) * (t - from)) / (to - from);
