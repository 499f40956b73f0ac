import type { ConeReached } from '@cazuela/core';

/** The cone of a curve, in words. */
export function coneWords(reached: ConeReached): string {
  switch (reached.kind) {
    case 'below':
      return `below cone ${reached.cone}`;
    case 'above':
      return `above cone ${reached.cone}`;
    case 'between':
      if (reached.fraction > 0.9) return `cone ${reached.upper}`;
      return reached.fraction < 0.1 ? `cone ${reached.lower}` : `between cone ${reached.lower} and ${reached.upper}`;
  }
}

/** The same where there is little room: "cone 5–6". */
export const shortCone = (reached: ConeReached): string =>
  reached.kind === 'between' && reached.fraction >= 0.1 && reached.fraction <= 0.9 ? `cone ${reached.lower}–${reached.upper}` : coneWords(reached);

/** The nearest whole cone: a starting point, to be corrected by the witness cone. */
export function nearestCone(reached: ConeReached): string {
  return reached.kind === 'between' ? (reached.fraction >= 0.5 ? reached.upper : reached.lower) : reached.cone;
}
