import { mobilityIn, type Flow } from './film-flow';
import type { WallStrip } from './wall-strip';

/** A film thinner than this stands: what it would pass on is nothing, and such numbers are slow to reckon with. */
const THINNEST_MOVING_MM = 1e-7;
/** A trace of a layer that is passed on no further: such numbers are slow to reckon with. */
const TRACE_MM = 1e-20;
/** A stack is another one when its mobility changed by more than this share. */
const TRACE_SHARE = 1e-5;
/** A cell nothing lies on, and one where two stacks came together, have no number of their own. */
const EMPTY = 0;
const MIXED = -1;

/** A moving film on its strip, one number for each cell. */
export interface MovingFilm {
  /** Of each layer, mm. */
  rows: readonly Float64Array[];
  /** Of the whole film, mm. */
  height: Float64Array;
  /** What drives the melt through the lower face of a cell, with what flutes gather there. */
  driven: Float64Array;
  /** One over the area of a cell, 1/mm². */
  perArea: Float64Array;
  /** Through the lower face of each cell, per mm of each layer in it. */
  through: Float64Array;
  /** Flow figure of the mixture in each cell, 1/mm; no number where it was not asked for yet. */
  mobility: Float64Array;
  /** Cells of one mixture have one number: `stacksOf`. */
  stack: Int32Array;
  /** More than one layer: mobility differs from cell to cell. */
  mixes: boolean;
  mobilityOf: (cell: number, h: number) => number;
}

/** The film as it lies, its layers row by row in `moving`. What is changed there is changed in the film. */
export function movingFilm(moving: Float64Array, { count, areaMm2, drive }: WallStrip, flow: Flow): MovingFilm {
  const pieces = flow.ln.length;
  const rows = Array.from({ length: pieces }, (_, layer) => moving.subarray(layer * count, (layer + 1) * count));
  const height = new Float64Array(count);
  for (const row of rows) for (let cell = 0; cell < count; cell++) height[cell]! += row[cell]!;
  return {
    rows,
    height,
    driven: Float64Array.from(drive, (each, cell) => 2 * Math.PI * flow.gathers[cell]! ** 2 * each),
    perArea: Float64Array.from(areaMm2, (area) => 1 / area),
    through: new Float64Array(count),
    mobility: new Float64Array(count).fill(pieces > 1 ? NaN : Math.exp(flow.ln[0]!)),
    stack: stacksOf(rows, count),
    mixes: pieces > 1,
    mobilityOf: mobilityIn(rows, flow),
  };
}

/** What goes through the lower face of each cell; gives the fastest cell's share of its volume. */
export function fluxes(film: MovingFilm, first: number, last: number): number {
  const { height, driven, perArea, through, mobility, stack, mixes } = film;
  let fastest = 0;
  let above = EMPTY;
  for (let cell = first; cell <= last; cell++) {
    const h = height[cell]!;
    const out = driven[cell]!;
    if (h < THINNEST_MOVING_MM || out <= 0) {
      through[cell] = 0;
      continue;
    }
    if (mixes && (stack[cell] !== above || stack[cell]! <= EMPTY || Number.isNaN(mobility[cell]!))) mixAnew(film, cell, h, above);
    above = stack[cell]!;
    const carried = mobility[cell]! * out * h * h;
    through[cell] = carried;
    const speed = carried * perArea[cell]!;
    if (speed > fastest) fastest = speed;
  }
  return fastest;
}

/**
 * One step: each cell gives to the next what goes through its lower face, layer by layer, as it was before the step; what leaves the last one
 * is added to `off`. Then the fluxes of the next step. Gives the fastest cell's share of its volume then.
 */
export function carry(film: MovingFilm, step: number, first: number, last: number, off: Float64Array): number {
  return film.rows.length === 3 ? carryThree(film, step, first, last, off) : carryAny(film, step, first, last, off);
}

/** Three layers, the most a zone has, in one pass with the fluxes: nothing is read twice. */
function carryThree(film: MovingFilm, step: number, first: number, last: number, off: Float64Array): number {
  const { height, driven, perArea, through, mobility, stack } = film;
  const [a, b, c] = film.rows as [Float64Array, Float64Array, Float64Array];
  let inA = 0;
  let inB = 0;
  let inC = 0;
  let fastest = 0;
  let above = EMPTY;
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
    const h = nowA + nowB + nowC;
    a[cell] = nowA;
    b[cell] = nowB;
    c[cell] = nowC;
    height[cell] = h;
    inA = outA;
    inB = outB;
    inC = outC;
    const out = driven[cell]!;
    if (h < THINNEST_MOVING_MM || out <= 0) {
      through[cell] = 0;
      continue;
    }
    const own = stack[cell]!;
    let flow = mobility[cell]!;
    if (own <= EMPTY || own !== above || flow !== flow) {
      mixAnew(film, cell, h, above);
      flow = mobility[cell]!;
    }
    above = stack[cell]!;
    const carried = flow * out * h * h;
    through[cell] = carried;
    const speed = carried * per;
    if (speed > fastest) fastest = speed;
  }
  off[0]! += inA;
  off[1]! += inB;
  off[2]! += inC;
  return fastest;
}

function carryAny(film: MovingFilm, step: number, first: number, last: number, off: Float64Array): number {
  const { rows, height, perArea, through } = film;
  height.fill(0, first, last + 1);
  rows.forEach((row, layer) => {
    let comes = 0;
    for (let cell = first; cell <= last; cell++) {
      const mm = row[cell]!;
      const gives = mm < TRACE_MM ? 0 : step * through[cell]! * mm;
      const now = mm + (comes - gives) * perArea[cell]!;
      row[cell] = now;
      height[cell]! += now;
      comes = gives;
    }
    off[layer]! += comes;
  });
  return fluxes(film, first, last);
}

/** A stack changes only where another one came in from above: elsewhere its mobility is still the one that was worked out. */
function mixAnew({ mobility, stack, mobilityOf }: MovingFilm, cell: number, h: number, above: number): void {
  const own = stack[cell]!;
  const before = mobility[cell]!;
  const now = mobilityOf(cell, h);
  mobility[cell] = now;
  if (own === EMPTY) stack[cell] = above;
  // A trace of another stack changes nothing yet: what lies below is left alone until it does.
  else if (above !== EMPTY && above !== own && Math.abs(now - before) > TRACE_SHARE * before) stack[cell] = MIXED;
}

function stacksOf(rows: readonly Float64Array[], count: number): Int32Array {
  const stack = new Int32Array(count);
  let number = 0;
  for (let cell = 0; cell < count; cell++) {
    if (!rows.some((row) => row[cell]! > 0)) continue;
    // As the one above it, when every layer stands to every other as there.
    const same = cell > 0 && stack[cell - 1] !== EMPTY && rows.every((row) => Math.abs(row[cell]! - row[cell - 1]!) <= 1e-12 * row[cell - 1]!);
    stack[cell] = same ? stack[cell - 1]! : (number += 1);
  }
  return stack;
}
