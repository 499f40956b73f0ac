import { carry, sumRows } from './carry-film';
import { mobilityIn, type Flow } from './film-flow';
import type { WallStrip } from './wall-strip';

/** Courant number of the explicit steps: below 1, so that no cell ever gives more than it has. */
const COURANT = 0.9;
/** A film thinner than this stands: what it would pass on is nothing, and such numbers are slow to reckon with. */
const THINNEST_MOVING_MM = 1e-7;
/** A stack is another one when its mobility changed by more than this share. */
const TRACE_SHARE = 1e-5;

/**
 * The film after so much of the firing, in place. The layers move as one: ln F is their mean by share, plus ln ω · 4x₁x₂ for every pair. The
 * fastest cell decides the step; a cell's speed is three times its flux over its height. Gives the steps it took.
 */
export function advance(
  moving: Float64Array,
  { count, areaMm2, drive }: WallStrip,
  flow: Flow,
  until: { share: number; endMm: number; mostSteps: number },
  off: Float64Array,
): number {
  const pieces = flow.ln.length;
  const alone = Math.exp(flow.ln[0]!);
  // Through the lower face of each cell, per mm of each layer in it.
  const through = new Float64Array(count);
  const height = new Float64Array(count);
  const rows = Array.from({ length: pieces }, (_, layer) => moving.subarray(layer * count, (layer + 1) * count));
  const perArea = Float64Array.from(areaMm2, (area) => 1 / area);
  const mobility = new Float64Array(count).fill(pieces > 1 ? NaN : alone);
  const stack = stacksOf(moving, pieces, count);
  const mobilityOf = mobilityIn(rows, flow);
  const driven = Float64Array.from(drive, (each, cell) => 2 * Math.PI * flow.gathers[cell]! ** 2 * each);
  const wall: Faces = { height, driven, perArea, through, mobility, stack, mixes: pieces > 1, mobilityOf };
  let left = until.share;
  let steps = 0;
  let first = 0;
  while (first < count && !holds(moving, first, pieces)) first += 1;
  let last = count - 1;
  while (last >= first && !holds(moving, last, pieces)) last -= 1;
  sumRows(rows, height, first, last);
  while (left > 0 && steps < until.mostSteps && last >= first) {
    const fastest = carryThrough(wall, first, last);
    const step = fastest > 0 ? Math.min(left, COURANT / (3 * fastest)) : left;
    carry(rows, { through, perArea, height, off, step, first, last });
    if (last + 1 < count && through[last]! > 0) last += 1;
    sumRows(rows, height, last, last);
    left -= step;
    steps += 1;
    if (last === count - 1 && height[last]! > until.endMm) break;
  }
  return steps;
}

interface Faces {
  height: Float64Array;
  driven: Float64Array;
  perArea: Float64Array;
  through: Float64Array;
  mobility: Float64Array;
  stack: Int32Array;
  mixes: boolean;
  mobilityOf: (cell: number, h: number) => number;
}

/** What goes through the lower face of each cell, per mm of each layer in it; gives the fastest cell's share of its volume. Of its own, so that it is compiled as a whole. */
function carryThrough({ height, driven, perArea, through, mobility, stack, mixes, mobilityOf }: Faces, first: number, last: number): number {
  let fastest = 0;
  let above = EMPTY;
  for (let cell = first; cell <= last; cell++) {
    const h = height[cell]!;
    const out = driven[cell]!;
    if (h < THINNEST_MOVING_MM || out <= 0) {
      through[cell] = 0;
      continue;
    }
    // A stack changes only where another one came in from above: elsewhere its mobility is still the one that was worked out.
    const own = stack[cell]!;
    if (mixes && (own <= EMPTY || own !== above || Number.isNaN(mobility[cell]!))) {
      const before = mobility[cell]!;
      mobility[cell] = mobilityOf(cell, h);
      if (own === EMPTY) stack[cell] = above;
      // A trace of another stack changes nothing yet: what lies below is left alone until it does.
      else if (above !== EMPTY && above !== own && Math.abs(mobility[cell]! - before) > TRACE_SHARE * before) stack[cell] = MIXED;
    }
    above = own;
    const carried = mobility[cell]! * out * h * h;
    through[cell] = carried;
    const speed = carried * perArea[cell]!;
    if (speed > fastest) fastest = speed;
  }
  return fastest;
}

/** Cells of one mixture have one number; a cell nothing lies on, and one where two came together, have none of their own. */
const EMPTY = 0;
const MIXED = -1;

function stacksOf(moving: Float64Array, pieces: number, count: number): Int32Array {
  const stack = new Int32Array(count);
  let number = 0;
  for (let cell = 0; cell < count; cell++) {
    if (!holds(moving, cell, pieces)) continue;
    // As the one above it, when every layer stands to every other as there.
    let same = cell > 0 && stack[cell - 1] !== EMPTY;
    for (let layer = 0; same && layer < pieces; layer++) {
      const [own, over] = [moving[layer * count + cell]!, moving[layer * count + cell - 1]!];
      same = Math.abs(own - over) <= 1e-12 * over;
    }
    stack[cell] = same ? stack[cell - 1]! : (number += 1);
  }
  return stack;
}

function holds(moving: Float64Array, cell: number, pieces: number): boolean {
  const count = moving.length / pieces;
  for (let layer = 0; layer < pieces; layer++) if (moving[layer * count + cell]! > 0) return true;
  return false;
}
