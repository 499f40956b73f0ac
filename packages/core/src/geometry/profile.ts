import { PotterError } from '../checks/potter-error';
import { requireNotNegative, requireNumber } from '../checks/require';

/** A point of a turned form's profile. */
export interface ProfilePoint {
  radiusMm: number;
  heightMm: number;
}

/**
 * Returns the area of a turned surface, cm², as frustums: Σ π(r₁ + r₂) × slant.
 *
 * @param question - `profile`, two points or more, mm
 * @throws PotterError for fewer points, or a point that is no number or has a negative radius
 * @example
 * areaCm2({ profile: [{ radiusMm: 50, heightMm: 0 }, { radiusMm: 50, heightMm: 100 }] }) // 314.15927
 */
export function areaCm2({ profile }: { profile: readonly ProfilePoint[] }): number {
  requireProfile(profile);
  let mm2 = 0;
  for (let at = 1; at < profile.length; at++) {
    const a = profile[at - 1]!;
    const b = profile[at]!;
    mm2 += Math.PI * (a.radiusMm + b.radiusMm) * Math.sqrt((b.radiusMm - a.radiusMm) ** 2 + (b.heightMm - a.heightMm) ** 2);
  }
  return mm2 / 100;
}

/**
 * Returns the volume that a turned profile encloses, mL: |Σ π Δz(r₁² + r₁r₂ + r₂²)/3|.
 *
 * @param question - `profile`, two points or more, mm
 * @throws PotterError for fewer points, or a point that is no number or has a negative radius
 * @example
 * volumeMl({ profile: [{ radiusMm: 50, heightMm: 0 }, { radiusMm: 50, heightMm: 100 }] }) // 785.39816
 */
export function volumeMl({ profile }: { profile: readonly ProfilePoint[] }): number {
  requireProfile(profile);
  let mm3 = 0;
  for (let at = 1; at < profile.length; at++) {
    const a = profile[at - 1]!;
    const b = profile[at]!;
    mm3 += (Math.PI * (b.heightMm - a.heightMm) * (a.radiusMm ** 2 + a.radiusMm * b.radiusMm + b.radiusMm ** 2)) / 3;
  }
  return Math.abs(mm3) / 1000;
}

/**
 * Returns the part of a profile between two heights, cut where its edges cross them. The order of the points is kept.
 *
 * @param question - `profile`, two points or more; `fromMm` and `toMm`, heights, `fromMm` not above `toMm`
 * @throws PotterError for fewer points, or a point that is no number or has a negative radius
 * @example
 * profileBetween({ profile: [{ radiusMm: 50, heightMm: 0 }, { radiusMm: 50, heightMm: 100 }], fromMm: 20, toMm: 30 })
 * // [{ radiusMm: 50, heightMm: 20 }, { radiusMm: 50, heightMm: 30 }]
 */
export function profileBetween({ profile, fromMm, toMm }: { profile: readonly ProfilePoint[]; fromMm: number; toMm: number }): ProfilePoint[] {
  requireProfile(profile);
  const cut: ProfilePoint[] = [];
  let last: ProfilePoint | undefined;
  const push = (point: ProfilePoint): void => {
    if (last && last.radiusMm === point.radiusMm && last.heightMm === point.heightMm) return;
    cut.push(point);
    last = point;
  };
  for (let at = 1; at < profile.length; at++) {
    const a = profile[at - 1]!;
    const b = profile[at]!;
    const low = Math.min(a.heightMm, b.heightMm);
    const high = Math.max(a.heightMm, b.heightMm);
    if (low >= fromMm && high <= toMm) {
      push(a);
      push(b);
    } else if (high > fromMm && low < toMm) {
      push(between(a, b, fromMm, toMm));
      push(between(b, a, fromMm, toMm));
    }
  }
  return cut;
}

/** The point itself, or where the line from it to the next one crosses a height. */
function between(point: ProfilePoint, other: ProfilePoint, fromMm: number, toMm: number): ProfilePoint {
  const heightMm = Math.min(toMm, Math.max(fromMm, point.heightMm));
  if (heightMm === point.heightMm) return point;
  const share = (heightMm - point.heightMm) / (other.heightMm - point.heightMm);
  return { radiusMm: point.radiusMm + share * (other.radiusMm - point.radiusMm), heightMm };
}

function requireProfile(profile: readonly ProfilePoint[]): void {
  if (profile.length < 2) throw new PotterError('emptyList', 'profile', profile.length, 'A profile needs at least two points.');
  for (const { radiusMm, heightMm } of profile) {
    requireNotNegative('radiusMm', radiusMm);
    requireNumber('heightMm', heightMm);
  }
}
