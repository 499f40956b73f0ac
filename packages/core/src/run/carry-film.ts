/** A trace of a layer that is passed on no further, for the same reason. */
const TRACE_MM = 1e-20;

/** The whole film of each cell. Three layers, the most a zone has, are read in one go. */
export function sumRows(rows: readonly Float64Array[], height: Float64Array, first: number, last: number): void {
  const [a, b, c] = [rows[0]!, rows[1], rows[2]];
  if (rows.length === 3) for (let cell = first; cell <= last; cell++) height[cell] = a[cell]! + b![cell]! + c![cell]!;
  else if (rows.length === 1) for (let cell = first; cell <= last; cell++) height[cell] = a[cell]!;
  else {
    for (let cell = first; cell <= last; cell++) height[cell] = a[cell]! + b![cell]!;
    for (const row of rows.slice(2)) for (let cell = first; cell <= last; cell++) height[cell]! += row[cell]!;
  }
}

export interface Carrying {
  through: Float64Array;
  /** Of the whole film in each cell: as it is after the step. */
  height: Float64Array;
  perArea: Float64Array;
  off: Float64Array;
  step: number;
  first: number;
  last: number;
}

/** One step: each cell gives to the next what goes through its lower face, layer by layer, as it was before the step. */
export function carry(rows: readonly Float64Array[], { through, perArea, height, off, step, first, last }: Carrying): void {
  const next = last + 1;
  const hasNext = next < perArea.length;
  if (rows.length === 3) {
    const [a, b, c] = rows as [Float64Array, Float64Array, Float64Array];
    let inA = 0;
    let inB = 0;
    let inC = 0;
    for (let cell = first; cell <= last; cell++) {
      const gives = step * through[cell]!;
      const per = perArea[cell]!;
      const mmA = a[cell]!;
      const mmB = b[cell]!;
      const mmC = c[cell]!;
      const outA = mmA < TRACE_MM ? 0 : gives * mmA;
      const outB = mmB < TRACE_MM ? 0 : gives * mmB;
      const outC = mmC < TRACE_MM ? 0 : gives * mmC;
      const nowA = mmA + (inA - outA) * per;
      const nowB = mmB + (inB - outB) * per;
      const nowC = mmC + (inC - outC) * per;
      a[cell] = nowA;
      b[cell] = nowB;
      c[cell] = nowC;
      height[cell] = nowA + nowB + nowC;
      inA = outA;
      inB = outB;
      inC = outC;
    }
    leave(rows, [inA, inB, inC], hasNext ? next : -1, perArea, off);
    return;
  }
  const leaving = rows.map((row) => {
    let comes = 0;
    for (let cell = first; cell <= last; cell++) {
      const mm = row[cell]!;
      const gives = mm < TRACE_MM ? 0 : step * through[cell]! * mm;
      row[cell] = mm + (comes - gives) * perArea[cell]!;
      comes = gives;
    }
    return comes;
  });
  sumRows(rows, height, first, last);
  leave(rows, leaving, hasNext ? next : -1, perArea, off);
}

/** What left the lowest cell that moves goes to the next one, or off the strip. */
function leave(rows: readonly Float64Array[], leaving: readonly number[], next: number, perArea: Float64Array, off: Float64Array): void {
  leaving.forEach((mm3, layer) => {
    if (next >= 0) rows[layer]![next]! += mm3 * perArea[next]!;
    else off[layer]! += mm3;
  });
}
