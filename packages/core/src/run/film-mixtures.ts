/** A stack counts as another one when its mobility changed by more than this share. */
const TRACE_SHARE = 1e-5;

/** An empty cell, and a cell where two stacks came together, have no number of their own. */
export const EMPTY = 0;

const MIXED = -1;

/**
 * Returns which stack a cell belongs to after melt came in from above. A stack changes only where another one came in: elsewhere its mobility
 * is still right.
 *
 * @param own - its stack before
 * @param above - the stack of the cell above
 * @param before - its mobility before, 1/mm
 * @param now - its mobility now, 1/mm
 * @example
 * stackOf(2, 2, 60, 60) // 2
 */
export function stackOf(own: number, above: number, before: number, now: number): number {
  if (own === EMPTY) return above;
  // A trace of another stack changes nothing yet: what lies below keeps its stack until it does.
  return above !== EMPTY && above !== own && Math.abs(now - before) > TRACE_SHARE * before ? MIXED : own;
}

/**
 * Returns a number for each cell: cells of one mixture have the same one, empty cells have 0.
 *
 * @param moving - mm by layer, then by cell
 * @param pieces - how many layers
 * @param count - how many cells
 * @example
 * [...stacksOf(Float64Array.from([1, 1, 0]), 1, 3)] // [1, 1, 0]
 */
export function stacksOf(moving: Float64Array, pieces: number, count: number): Int32Array {
  const rows = Array.from({ length: pieces }, (_, layer) => moving.subarray(layer * count, (layer + 1) * count));
  const stack = new Int32Array(count);
  let number = 0;
  for (let cell = 0; cell < count; cell++) {
    if (!rows.some((row) => row[cell]! > 0)) continue;
    // The same as above when every layer has the same share as there.
    const same = cell > 0 && stack[cell - 1] !== EMPTY && rows.every((row) => Math.abs(row[cell]! - row[cell - 1]!) <= 1e-12 * row[cell - 1]!);
    stack[cell] = same ? stack[cell - 1]! : (number += 1);
  }
  return stack;
}
