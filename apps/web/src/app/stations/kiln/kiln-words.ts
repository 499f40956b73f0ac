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

/** The nearest whole cone: a starting point, to be corrected by the witness cone. */
export function nearestCone(reached: ConeReached): string {
  return reached.kind === 'between' ? (reached.fraction >= 0.5 ? reached.upper : reached.lower) : reached.cone;
}
