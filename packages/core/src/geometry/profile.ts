import { PotterError } from '../checks/potter-error';
import { requireNotNegative, requireNumber } from '../checks/require';

/** A point of a turned form's profile. */
export interface ProfilePoint {
  radiusMm: number;
  heightMm: number;
}

/** Area of the turned surface, cm²: frustums, Σ π(r₁ + r₂) × slant. */
export function areaCm2({ profile }: { profile: readonly ProfilePoint[] }): number {
  let mm2 = 0;
  forEachFrustum(profile, (a, b) => {
    mm2 += Math.PI * (a.radiusMm + b.radiusMm) * Math.sqrt((b.radiusMm - a.radiusMm) ** 2 + (b.heightMm - a.heightMm) ** 2);
  });
  return mm2 / 100;
}

/** Volume enclosed by the turned profile, mL: |Σ π Δz(r₁² + r₁r₂ + r₂²)/3|. */
export function volumeMl({ profile }: { profile: readonly ProfilePoint[] }): number {
  let mm3 = 0;
  forEachFrustum(profile, (a, b) => {
    mm3 += (Math.PI * (b.heightMm - a.heightMm) * (a.radiusMm ** 2 + a.radiusMm * b.radiusMm + b.radiusMm ** 2)) / 3;
  });
  return Math.abs(mm3) / 1000;
}

/** The part of a profile between two heights, cut where its edges cross them. Order is kept. */
export function profileBetween({ profile, fromMm, toMm }: { profile: readonly ProfilePoint[]; fromMm: number; toMm: number }): ProfilePoint[] {
  const cut: ProfilePoint[] = [];
  let last: ProfilePoint | undefined;
  const push = (point: ProfilePoint): void => {
    if (last && last.radiusMm === point.radiusMm && last.heightMm === point.heightMm) return;
    cut.push(point);
    last = point;
  };
  forEachFrustum(profile, (a, b) => {
    const low = Math.min(a.heightMm, b.heightMm);
    const high = Math.max(a.heightMm, b.heightMm);
    if (low >= fromMm && high <= toMm) {
      push(a);
      push(b);
    } else if (high > fromMm && low < toMm) {
      push(between(a, b, fromMm, toMm));
      push(between(b, a, fromMm, toMm));
    }
  });
  return cut;
}

/** A point, or where the line from it to another one comes between two heights. */
function between(point: ProfilePoint, other: ProfilePoint, fromMm: number, toMm: number): ProfilePoint {
  const heightMm = Math.min(toMm, Math.max(fromMm, point.heightMm));
  if (heightMm === point.heightMm) return point;
  const share = (heightMm - point.heightMm) / (other.heightMm - point.heightMm);
  return { radiusMm: point.radiusMm + share * (other.radiusMm - point.radiusMm), heightMm };
}

function forEachFrustum(profile: readonly ProfilePoint[], visit: (a: ProfilePoint, b: ProfilePoint) => void): void {
  if (profile.length < 2) throw new PotterError('emptyList', 'profile', profile.length, 'A profile needs at least two points.');
  for (const point of profile) {
    requireNotNegative('radiusMm', point.radiusMm);
    requireNumber('heightMm', point.heightMm);
  }
  for (let i = 1; i < profile.length; i++) visit(profile[i - 1]!, profile[i]!);
}
