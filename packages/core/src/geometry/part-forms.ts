import type { PieceForm, PieceShape } from './piece-form';
import { widestMm } from './piece-form';

/** How much wider a saucer is than what stands on it, mm. */
const SAUCER_WELL_MM = 10;
const SAUCER_RIM_MM = 26;
const KNOB_MM = 12;

/**
 * Returns a lid that fits on a pot, drawn as it is trimmed: the knob below, the seat above.
 *
 * @param pot - its shape
 * @example
 * lidFor(shapeOf({ shapeId: 'liddedPot' })).points.at(-1).radiusMm // 68
 */
export function lidFor({ outside, wallMm }: PieceShape): PieceForm {
  const seatMm = round(Math.max(24, outside.at(-1)!.radiusMm));
  const at = (share: number, heightMm: number): { radiusMm: number; heightMm: number } => ({
    radiusMm: round(Math.max(KNOB_MM, seatMm * share)),
    heightMm,
  });
  return {
    wallMm: Math.min(wallMm, 5),
    // The knob is solid.
    floorMm: 22,
    foot: 'flat',
    points: [
      { radiusMm: KNOB_MM + 2, heightMm: 0 },
      { radiusMm: KNOB_MM + 3, heightMm: 6 },
      { radiusMm: KNOB_MM, heightMm: 14 },
      at(0.5, 22),
      at(0.9, 32),
      { radiusMm: seatMm, heightMm: 44 },
    ],
  };
}

/**
 * Returns a saucer for a cup or a planter: its well takes the foot.
 *
 * @param piece - its shape
 * @example
 * saucerFor(shapeOf({ shapeId: 'planter' })).foot // 'ring'
 */
export function saucerFor(piece: PieceShape): PieceForm {
  const footMm = Math.max(20, piece.outside[0]!.radiusMm);
  const wellMm = footMm + SAUCER_WELL_MM;
  const rimMm = round(Math.max(wellMm + 14, Math.min(widestMm(piece) + 12, footMm + 2 * SAUCER_RIM_MM)));
  return {
    wallMm: 5,
    floorMm: 6,
    foot: 'ring',
    points: [
      { radiusMm: round(0.8 * footMm), heightMm: 0 },
      { radiusMm: round(0.82 * footMm), heightMm: 4 },
      { radiusMm: round(wellMm + 4), heightMm: 10 },
      { radiusMm: rimMm, heightMm: 24 },
    ],
  };
}

const round = (mm: number): number => Math.round(mm);
