import { tallMm, type DecoratingColour, type Mask, type PieceShape } from '@cazuela/core';
import { v7 as uuid } from 'uuid';
import { round } from '../board/board-handles';

export const MOST_POTS = 12;

/** How wide the gallery inside the rim usually is, mm. */
const GALLERY_MM = 8;

/** A thin band at half height, the handle or the gallery of a lid, waxed; or the drain hole, taped. */
export function newMask(shape: PieceShape, where: 'band' | 'hole' | 'handle' | 'gallery'): Mask {
  const top = tallMm(shape);
  if (where === 'gallery') return { id: uuid(), kind: 'wax', where: 'band', face: 'inside', fromMm: round(top - GALLERY_MM), toMm: round(top) };
  return { id: uuid(), kind: where === 'hole' ? 'tape' : 'wax', where, fromMm: round(top * 0.5), toMm: round(top * 0.5 + 4) };
}

export const newPot = (others: number): DecoratingColour => ({
  id: uuid(),
  name: `Colour ${others + 1}`,
  colour: '#2b4f81',
  coatingKind: 'underglaze',
});
