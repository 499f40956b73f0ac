import { nearExp } from '../math/near-exp';
import type { RunLayer } from './film';

/** ln F of each layer and 4 ln ω of each pair, as flat arrays; and how much flutes gather in each cell. */
export interface Flow {
  ln: Float64Array;
  /** Row by row, only above the diagonal. */
  lnPair: Float64Array;
  gathers: Float64Array;
}

/**
 * Returns the flow of layers and pairs as the solver takes it.
 *
 * @param layers - with flow figures in 1/mm, above 0
 * @param overlap - ω of two layers of the list; 1 when left out
 * @param gathers - how many times as thick the melt lies in the valleys, by cell
 * @example
 * flowOf([{ meltedMm: new Float64Array(1), flow: 1 }], undefined, new Float64Array(1)).ln[0] // 0
 */
export function flowOf(layers: readonly RunLayer[], overlap: ((a: number, b: number) => number) | undefined, gathers: Float64Array): Flow {
  const pieces = layers.length;
  const lnPair = new Float64Array(pieces * pieces);
  for (let a = 0; a < pieces; a++) for (let b = a + 1; b < pieces; b++) lnPair[a * pieces + b] = 4 * Math.log(overlap?.(a, b) ?? 1);
  return { ln: Float64Array.from(layers, (layer) => Math.log(layer.flow)), lnPair, gathers };
}

/**
 * Returns ln of the flow figure of three layers as they lie in a cell.
 *
 * @param m0 - mm of the first layer; m0 + m1 + m2 = h
 * @param m1 - mm of the second
 * @param m2 - mm of the third
 * @param h - mm of all three, above 0
 * @param ln0 - ln F of the first
 * @param ln1 - ln F of the second
 * @param ln2 - ln F of the third
 * @param ln01 - 4 ln ω of the first and second
 * @param ln02 - 4 ln ω of the first and third
 * @param ln12 - 4 ln ω of the second and third
 * @example
 * lnOfThree(1, 0, 0, 1, 4, 5, 6, 0, 0, 0) // 4
 */
export function lnOfThree(
  m0: number,
  m1: number,
  m2: number,
  h: number,
  ln0: number,
  ln1: number,
  ln2: number,
  ln01: number,
  ln02: number,
  ln12: number,
): number {
  return (m0 * (ln0 * h + ln01 * m1 + ln02 * m2) + m1 * (ln1 * h + ln12 * m2) + m2 * ln2 * h) / (h * h);
}

/**
 * Returns the flow figure of a mixture, 1/mm.
 *
 * @param mm - of each layer, from `at` on
 * @param at - where the cell begins
 * @param h - mm of all layers, above 0
 * @param flow - of the layers and pairs
 * @example
 * mobilityAt(Float64Array.from([1]), 0, 1, flowOf([{ meltedMm: new Float64Array(1), flow: 60 }], undefined, new Float64Array(1))) // 60
 */
export function mobilityAt(mm: Float64Array, at: number, h: number, { ln, lnPair }: Flow): number {
  const pieces = ln.length;
  let lnFlow = 0;
  for (let a = 0; a < pieces; a++) {
    let part = ln[a]! * h;
    for (let b = a + 1; b < pieces; b++) part += lnPair[a * pieces + b]! * mm[at + b]!;
    lnFlow += mm[at + a]! * part;
  }
  return nearExp(lnFlow / (h * h));
}
