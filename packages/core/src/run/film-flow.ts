import { nearExp } from '../math/near-exp';
import type { RunLayer } from './film';

/** ln F of each layer and 4 ln ω of each pair, flat; in each cell times the square of what flutes gather there. */
export interface Flow {
  ln: Float64Array;
  /** Row by row, only above the diagonal. */
  lnPair: Float64Array;
  gathers: Float64Array;
}

export function flowOf(layers: readonly RunLayer[], overlap: ((a: number, b: number) => number) | undefined, gathers: Float64Array): Flow {
  const pieces = layers.length;
  const lnPair = new Float64Array(pieces * pieces);
  for (let a = 0; a < pieces; a++) for (let b = a + 1; b < pieces; b++) lnPair[a * pieces + b] = 4 * Math.log(overlap?.(a, b) ?? 1);
  return { ln: Float64Array.from(layers, (layer) => Math.log(layer.flow)), lnPair, gathers };
}

/** ln of the flow figure of three layers as they lie in a cell, m0 + m1 + m2 = h mm. */
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

/** Flow figure, 1/mm, of a mixture: of each layer so many mm from `at` on, h mm together. */
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
