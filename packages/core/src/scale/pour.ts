/** Off by less than this share of the target, a line is what it should be. */
const CLOSE_ENOUGH_SHARE = 0.005;
/** The last part of the way, magnified: a tenth of the target, and never less than this many divisions. */
const NEAR_SHARE = 0.1;
const NEAR_DIVISIONS = 20;

export interface Pour {
  zone: 'far' | 'near' | 'there' | 'over';
  /** What is still missing; negative when too much is in. */
  missingGrams: number;
  /** Of the whole way, 0–1. */
  share: number;
  /** Of the last stretch, 0–1; 0 before it begins. */
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
