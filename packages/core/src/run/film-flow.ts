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

/** Flow figure of the mixture in a cell, for up to three layers written out: asked for at every edge in every step. */
export function mobilityOf(rows: readonly Float64Array[], cell: number, h: number, { ln, lnPair }: Flow): number {
  const pieces = ln.length;
  const m0 = rows[0]![cell]!;
  const m1 = rows[1]![cell]!;
  if (pieces === 2) return Math.exp((m0 * (ln[0]! * h + lnPair[1]! * m1) + m1 * ln[1]! * h) / (h * h));
  if (pieces === 3) {
    const m2 = rows[2]![cell]!;
    const sum = m0 * (ln[0]! * h + lnPair[1]! * m1 + lnPair[2]! * m2) + m1 * (ln[1]! * h + lnPair[5]! * m2) + m2 * ln[2]! * h;
    return Math.exp(sum / (h * h));
  }
  let lnFlow = 0;
  for (let a = 0; a < pieces; a++) {
    let part = ln[a]! * h;
    for (let b = a + 1; b < pieces; b++) part += lnPair[a * pieces + b]! * rows[b]![cell]!;
    lnFlow += rows[a]![cell]! * part;
  }
  return Math.exp(lnFlow / (h * h));
}
