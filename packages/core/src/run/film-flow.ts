import { nearExp } from './near-exp';
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

/**
 * Flow figure of the mixture in a cell that holds so much, mm. For two and three layers it is written out with its numbers at hand: it is asked
 * for at every edge in every step.
 */
export function mobilityIn(rows: readonly Float64Array[], { ln, lnPair }: Flow): (cell: number, h: number) => number {
  const pieces = ln.length;
  const [row0, row1, row2] = [rows[0]!, rows[1]!, rows[2]!];
  const [ln0, ln1, ln2] = [ln[0]!, ln[1]!, ln[2]!];
  if (pieces === 2) {
    const ln01 = lnPair[1]!;
    return (cell, h) => {
      const m0 = row0[cell]!;
      const m1 = row1[cell]!;
      return nearExp((m0 * (ln0 * h + ln01 * m1) + m1 * ln1 * h) / (h * h));
    };
  }
  if (pieces === 3) {
    const [ln01, ln02, ln12] = [lnPair[1]!, lnPair[2]!, lnPair[5]!];
    return (cell, h) => {
      const m0 = row0[cell]!;
      const m1 = row1[cell]!;
      const m2 = row2[cell]!;
      return nearExp((m0 * (ln0 * h + ln01 * m1 + ln02 * m2) + m1 * (ln1 * h + ln12 * m2) + m2 * ln2 * h) / (h * h));
    };
  }
  return (cell, h) => {
    let lnFlow = 0;
    for (let a = 0; a < pieces; a++) {
      let part = ln[a]! * h;
      for (let b = a + 1; b < pieces; b++) part += lnPair[a * pieces + b]! * rows[b]![cell]!;
      lnFlow += rows[a]![cell]! * part;
    }
    return nearExp(lnFlow / (h * h));
  };
}
