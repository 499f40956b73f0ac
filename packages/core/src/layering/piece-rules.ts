import type { PieceQuestion } from './piece-question';
import { lostOnDark, slipPeels, speckle, stainQuarrels } from './rules/body';
import { contaminated, outOfRange, tooLargeForBucket } from './rules/bucket';
import { cracking, dampPots, flaking, glazeOverWax, notTaking } from './rules/drying';
import { dust, liner } from './rules/food';
import { glazedFoot, lidSeat, lustreFumes, outsideItsCone } from './rules/kiln';
import { neighbours, onHandle, poolsInside, running } from './rules/running';
import type { Warning } from './warnings';

/** A rule of the bench: a small function of its own. Rules about the order are in `order-rules`. */
export interface PieceRule {
  id: string;
  check: (question: PieceQuestion) => Warning[];
}

/** Every rule about a piece, in the order in which equally bad warnings are listed. */
export const PIECE_RULES: readonly PieceRule[] = [
  { id: 'F1', check: flaking },
  { id: 'M1', check: running },
  { id: 'M5', check: glazedFoot },
  { id: 'M6', check: outsideItsCone },
  { id: 'M8', check: lidSeat },
  { id: 'F4', check: glazeOverWax },
  { id: 'H4', check: liner },
  { id: 'F2', check: cracking },
  { id: 'F3', check: notTaking },
  { id: 'T2', check: tooLargeForBucket },
  { id: 'C2', check: outOfRange },
  { id: 'C7', check: contaminated },
  { id: 'B1', check: slipPeels },
  { id: 'B4', check: stainQuarrels },
  { id: 'B2', check: lostOnDark },
  { id: 'B3', check: speckle },
  { id: 'M2', check: onHandle },
  { id: 'M3', check: poolsInside },
  { id: 'M7', check: neighbours },
  { id: 'H6', check: dampPots },
  { id: 'H3', check: lustreFumes },
  { id: 'H1', check: dust },
];

/**
 * Returns what speaks against a plan, rule by rule.
 *
 * @param question - plan, shape, glazes and body
 * @example
 * pieceWarnings({ plan: { shapeId: 'cup', zones: { inside: [], outside: [{ id: 'a', bucketId: 'ash', method: 'dip', coatMm: 0.5 }], rim: [], foot: [] }, waxFootMm: 10, rimBandMm: 0, order: [], putAside: [] }, shape: shapeOf({ shapeId: 'cup' }), glazes: [{ bucketId: 'ash', name: 'Ash', lightness: 0.7, sg: 1.45, density: 2.6, packing: 0.5, filmMm: 0.15, slurryState: 'normal', shrinkShare: 15, loiPercent: 8, flow: { flow: 60, lnSd: 0.5, basis: 'pottersWord' }, surface: 'gloss', foodTested: true, firedPercent: {}, unity: {} }], body: { name: 'Clay', bisqueCone: '05', earthenware: false } }).length > 0
 * // true
 */
export const pieceWarnings = (question: PieceQuestion): Warning[] => PIECE_RULES.flatMap(({ check }) => check(question));
