import { PotterError } from '../../checks/potter-error';
import { requirePositive, requireSg } from '../../checks/require';
import { cakeFactor } from './cake';
import { roomMm, TOO_THICK_SHARE, type Dip } from './dip-coat';
import { PRIOR_KNOWLEDGE, type CoatKnowledge } from './knowledge';
import { dipsFor, type CoatSituation } from './predict';

export interface CoatMapQuestion {
  situation: Omit<CoatSituation, 'sg'>;
  lowSg: number;
  highSg: number;
  mostSeconds: number;
  columns: number;
  rows: number;
}

/** Coats over seconds (columns, from 0) and SG (rows, from the lowest): `coatMm[row * columns + column]`; −1 where it is too thick to dip. */
export interface CoatMap extends Omit<CoatMapQuestion, 'situation'> {
  coatMm: Float32Array;
}

export const TOO_THICK_CELL = -1;
const MOST_CELLS = 1_000_000;

/**
 * Returns the dry coat for every time and SG at once. It computes the same as `dipCoat`; what belongs to a row is computed once.
 *
 * @param question - the situation without its SG; `lowSg`, below `highSg`; `mostSeconds`, above 0; `columns` and `rows`, at least 2
 * @param knowledge - what is known of this glaze on this body; starting guesses when left out
 * @throws PotterError for ranges that are empty or turned round, and for a situation that no wall can have
 * @example
 * coatMap({ situation: { density: 2.6, state: 'normal', bisqueCone: '05', wallMm: 6, faces: 2 }, lowSg: 1.4, highSg: 1.5, mostSeconds: 10, columns: 2, rows: 2 }).coatMm.length
 * // 4
 */
export function coatMap(question: CoatMapQuestion, knowledge: CoatKnowledge = PRIOR_KNOWLEDGE): CoatMap {
  const { situation, columns, rows, mostSeconds } = question;
  const [lowSg, highSg] = [requireSg('sg', question.lowSg), requireSg('sg', question.highSg)];
  if (highSg <= lowSg) throw new PotterError('wrongSide', 'sg', highSg, 'The map needs an upper SG above its lower one.');
  requirePositive('seconds', mostSeconds);
  if (!(columns >= 2 && rows >= 2 && columns * rows <= MOST_CELLS)) {
    throw new PotterError('impossible', 'columns', columns, 'A map has at least two columns and rows, and at most a million cells.');
  }
  const coatMm = new Float32Array(columns * rows);
  const dipAt = dipsFor(situation, knowledge.shift);
  for (let row = 0; row < rows; row++) {
    const sg = lowSg + ((highSg - lowSg) * row) / (rows - 1);
    fillRow(coatMm, row * columns, columns, mostSeconds / (columns - 1), dipAt(sg));
  }
  return { coatMm, lowSg, highSg, mostSeconds, columns, rows };
}

function fillRow(into: Float32Array, from: number, columns: number, stepSeconds: number, dip: Omit<Dip, 'seconds'>): void {
  const { solidsByVolume, packing, suction, underMm, underDryness, filmMm } = dip;
  if (solidsByVolume > TOO_THICK_SHARE * packing) {
    into.fill(TOO_THICK_CELL, from, from + columns);
    return;
  }
  const factor = cakeFactor(dip);
  const film = (filmMm * solidsByVolume) / packing;
  if (suction <= 0) {
    into.fill(film, from, from + columns);
    return;
  }
  const most = factor * roomMm(dip);
  const growth = 2 * suction * factor;
  // As in cake.ts: dryness between 0 and 1 lies between the damp and the dry coat beneath.
  const dry = underMm > 0 ? underDryness : 0;
  const damp = 1 - dry;
  const pores = (1 - packing) * underMm;
  const stretch = factor + 1 / (1 - packing);
  const filledAfter = (pores * pores * stretch) / (2 * suction);
  const [under2, start2, rise] = [underMm ** 2, (underMm + factor * pores) ** 2, (2 * suction) / stretch];
  const full = most + film / 2;
  for (let column = 0; column < columns; column++) {
    const seconds = column * stepSeconds;
    let cake = damp * (Math.sqrt(under2 + growth * seconds) - underMm);
    if (dry > 0) {
      cake += dry * (seconds <= filledAfter ? factor * Math.sqrt(rise * seconds) : Math.sqrt(start2 + growth * (seconds - filledAfter)) - underMm);
    }
    into[from + column] = cake >= most ? full : cake + film;
  }
}
