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
    mm2 += Math.PI * (a.radiusMm + b.radiusMm) * Math.hypot(b.radiusMm - a.radiusMm, b.heightMm - a.heightMm);
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
  const push = (point: ProfilePoint): void => {
    const last = cut.at(-1);
    if (!last || last.radiusMm !== point.radiusMm || last.heightMm !== point.heightMm) cut.push(point);
  };
  forEachFrustum(profile, (a, b) => {
    const inside = clip(a, b, fromMm, toMm);
    if (inside) inside.forEach(push);
  });
  return cut;
}

function clip(a: ProfilePoint, b: ProfilePoint, fromMm: number, toMm: number): [ProfilePoint, ProfilePoint] | undefined {
  const rise = b.heightMm - a.heightMm;
  if (rise === 0) return a.heightMm >= fromMm && a.heightMm <= toMm ? [a, b] : undefined;
  const share = (heightMm: number): number => Math.min(1, Math.max(0, (heightMm - a.heightMm) / rise));
  const [start, end] = rise > 0 ? [share(fromMm), share(toMm)] : [share(toMm), share(fromMm)];
  if (end <= start) return undefined;
  const at = (t: number): ProfilePoint => ({ radiusMm: a.radiusMm + t * (b.radiusMm - a.radiusMm), heightMm: a.heightMm + t * rise });
  return [at(start), at(end)];
}

function forEachFrustum(profile: readonly ProfilePoint[], visit: (a: ProfilePoint, b: ProfilePoint) => void): void {
  if (profile.length < 2) throw new PotterError('emptyList', 'profile', profile.length, 'A profile needs at least two points.');
  for (const point of profile) {
    requireNotNegative('radiusMm', point.radiusMm);
    requireNumber('heightMm', point.heightMm);
  }
  for (let i = 1; i < profile.length; i++) visit(profile[i - 1]!, profile[i]!);
}
