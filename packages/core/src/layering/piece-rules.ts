import { outsideRun, SHELF_MARGIN_MM, type OutsideRun, type PieceQuestion } from './outside-run';
import { lostOnDark, slipPeels, speckle, stainQuarrels } from './rules/body';
import { cracking, dampPots, flaking, glazeOverWax, notTaking } from './rules/drying';
import { dust, liner } from './rules/food';
import { glazedFoot, lidSeat, outsideItsCone } from './rules/kiln';
import { neighbours, onHandle, poolsInside, running } from './rules/running';
import type { Warning } from './warnings';

export { outsideRun, SHELF_MARGIN_MM, type OutsideRun, type PieceQuestion };

/** A rule of the bench: what it looks at is its own small function. Those of the order stand in `order-rules`. */
export interface PieceRule {
  id: string;
  check: (question: PieceQuestion) => Warning[];
}

/** Every rule that looks at a piece, in the order they are told when equally bad. */
export const PIECE_RULES: readonly PieceRule[] = [
  { id: 'F1', check: flaking },
  { id: 'M4', check: running },
  { id: 'M5', check: glazedFoot },
  { id: 'M6', check: outsideItsCone },
  { id: 'M8', check: lidSeat },
  { id: 'F4', check: glazeOverWax },
  { id: 'H4', check: liner },
  { id: 'F2', check: cracking },
  { id: 'F3', check: notTaking },
  { id: 'B1', check: slipPeels },
  { id: 'B4', check: stainQuarrels },
  { id: 'B2', check: lostOnDark },
  { id: 'B3', check: speckle },
  { id: 'M2', check: onHandle },
  { id: 'M3', check: poolsInside },
  { id: 'M7', check: neighbours },
  { id: 'H6', check: dampPots },
  { id: 'H1', check: dust },
];

/** What speaks against a plan, rule by rule. */
export const pieceWarnings = (question: PieceQuestion): Warning[] => PIECE_RULES.flatMap(({ check }) => check(question));
