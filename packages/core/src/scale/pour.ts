/** A line is right when it is off by less than this share of its target. */
const CLOSE_ENOUGH_SHARE = 0.005;
/** The last stretch is magnified: a tenth of the target, and at least this many divisions. */
const NEAR_SHARE = 0.1;
const NEAR_DIVISIONS = 20;

export interface Pour {
  zone: 'far' | 'near' | 'there' | 'over';
  /** What is still missing; negative when too much is in. */
  missingGrams: number;
  /** Share of the whole pour, 0–1. */
  share: number;
  /** Share of the last stretch, 0–1; 0 before it begins. */
  nearShare: number;
  /** Length of that last stretch, g. */
  nearGrams: number;
}

/**
 * Returns how far a pour has come. It is there within one division or 0.5 % of the target, whichever is more.
 *
 * @param question - `netGrams` in the pan; `targetGrams`, above 0; `divisionGrams` of the scale
 * @example
 * pourTowards({ netGrams: 100, targetGrams: 100, divisionGrams: 0.1 }).zone // 'there'
 */
export function pourTowards({ netGrams, targetGrams, divisionGrams }: { netGrams: number; targetGrams: number; divisionGrams: number }): Pour {
  const missingGrams = targetGrams - netGrams;
  const allowed = toleranceGrams({ targetGrams, divisionGrams });
  const nearGrams = Math.max(NEAR_SHARE * targetGrams, NEAR_DIVISIONS * divisionGrams);
  const zone = missingGrams < -allowed ? 'over' : missingGrams <= allowed ? 'there' : missingGrams <= nearGrams ? 'near' : 'far';
  return {
    zone,
    missingGrams,
    share: clamp(netGrams / targetGrams),
    nearShare: clamp(1 - missingGrams / nearGrams),
    nearGrams,
  };
}

/**
 * Returns how far from its target a weight may be, g: one division or 0.5 %, whichever is more.
 *
 * @param question - `targetGrams` and `divisionGrams`, above 0
 * @example
 * toleranceGrams({ targetGrams: 100, divisionGrams: 0.1 }) // 0.50005
 */
export function toleranceGrams({ targetGrams, divisionGrams }: { targetGrams: number; divisionGrams: number }): number {
  return Math.max(divisionGrams, CLOSE_ENOUGH_SHARE * targetGrams) * 1.0001;
}

const clamp = (share: number): number => (Number.isFinite(share) ? Math.min(1, Math.max(0, share)) : 0);
