import { tallMm, type DecoratingColour, type Mask, type PieceShape } from '@cazuela/core';
import { v7 as uuid } from 'uuid';
import { round } from '../board/board-handles';

export const MOST_POTS = 12;

/** A thin band at half height or the handle, waxed; or the drain hole, taped. */
export function newMask(shape: PieceShape, where: 'band' | 'hole' | 'handle'): Mask {
  const top = tallMm(shape);
  return { id: uuid(), kind: where === 'hole' ? 'tape' : 'wax', where, fromMm: round(top * 0.5), toMm: round(top * 0.5 + 4) };
}

export const newPot = (others: number): DecoratingColour => ({
  id: uuid(),
  name: `Colour ${others + 1}`,
  colour: '#2b4f81',
  coatingKind: 'underglaze',
});
