import { lnOfThree, mobilityAt, type Flow } from './film-flow';
import { nearExp } from '../math/near-exp';
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

/** What a cell's record holds after the mm of each of its layers. */
const HEIGHT = 0;
/** What drives the melt through its lower face, with what flutes gather there. */
const DRIVEN = 1;
/** One over its area, 1/mm². */
const PER_AREA = 2;
/** What goes through its lower face, per mm of each layer in it. */
const THROUGH = 3;
/** Flow figure of its mixture, 1/mm; no number where it was not asked for yet. */
const MOBILITY = 4;
/** Cells of one mixture have one number: `stacksOf`. */
const STACK = 5;
const MORE = 6;

/**
 * A moving film on its strip, one record for each cell: with a row for each of these numbers instead, there are more rows than a processor has
 * registers for, and a step takes half as long again.
 */
export interface MovingFilm {
  cells: Float64Array;
  /** Layers; with more than one, mobility differs from cell to cell. */
  pieces: number;
  flow: Flow;
}

/** The film as it lies, its layers row by row in `moving`. */
export function movingFilm(moving: Float64Array, { count, areaMm2, drive }: WallStrip, flow: Flow): MovingFilm {
  const pieces = flow.ln.length;
  const cells = new Float64Array(count * (pieces + MORE));
  const stack = stacksOf(moving, pieces, count);
  for (let cell = 0; cell < count; cell++) {
    const at = cell * (pieces + MORE);
    const more = at + pieces;
    for (let layer = 0; layer < pieces; layer++) {
      const mm = moving[layer * count + cell]!;
      cells[at + layer] = mm;
      cells[more + HEIGHT]! += mm;
    }
    cells[more + DRIVEN] = 2 * Math.PI * flow.gathers[cell]! ** 2 * drive[cell]!;
    cells[more + PER_AREA] = 1 / areaMm2[cell]!;
    cells[more + MOBILITY] = pieces > 1 ? NaN : Math.exp(flow.ln[0]!);
    cells[more + STACK] = stack[cell]!;
  }
  return { cells, pieces, flow };
}

/** Puts the layers back row by row. */
export function putBack({ cells, pieces }: MovingFilm, moving: Float64Array): void {
  const count = cells.length / (pieces + MORE);
  for (let cell = 0; cell < count; cell++)
    for (let layer = 0; layer < pieces; layer++) moving[layer * count + cell] = cells[cell * (pieces + MORE) + layer]!;
}

/** Of the whole film in a cell, mm. */
export const heightAt = ({ cells, pieces }: MovingFilm, cell: number): number => cells[cell * (pieces + MORE) + pieces + HEIGHT]!;

/** Whether a cell passes anything on. */
export const flowsAt = ({ cells, pieces }: MovingFilm, cell: number): boolean => cells[cell * (pieces + MORE) + pieces + THROUGH]! > 0;

/** What goes through the lower face of each cell; gives the fastest cell's share of its volume. */
export function fluxes(film: MovingFilm, first: number, last: number): number {
  const { cells, pieces } = film;
  let fastest = 0;
  let above = EMPTY;
  for (let cell = first; cell <= last; cell++) {
    const more = cell * (pieces + MORE) + pieces;
    const speed = passOn(film, more, above);
    if (speed > 0) above = cells[more + STACK]!;
    if (speed > fastest) fastest = speed;
  }
  return fastest;
}

/**
 * One step: each cell gives to the next what goes through its lower face, layer by layer, as it was before the step; what leaves the last one
 * is added to `off`. Then the fluxes of the next step. Gives the fastest cell's share of its volume then.
 */
export function carry(film: MovingFilm, step: number, first: number, last: number, off: Float64Array): number {
  const { cells, pieces, flow } = film;
  return pieces === 3 ? carryThree(cells, flow.ln, flow.lnPair, step, first, last, off) : carryAny(film, step, first, last, off);
}

/**
 * Three layers, the most a zone has, written out: their numbers stay at hand from one cell to the next. It asks for its arrays, not for what
 * holds them: made ready by the machine during one run, it would be thrown away when the next one makes such a holder anew, and for good go half
 * as fast.
 */
function carryThree(
  cells: Float64Array,
  ln: Float64Array,
  lnPair: Float64Array,
  step: number,
  first: number,
  last: number,
  off: Float64Array,
): number {
  const ln0 = ln[0]!;
  const ln1 = ln[1]!;
  const ln2 = ln[2]!;
  const ln01 = lnPair[1]!;
  const ln02 = lnPair[2]!;
  const ln12 = lnPair[5]!;
  let inA = 0;
  let inB = 0;
  let inC = 0;
  let fastest = 0;
  let above = EMPTY;
  const end = last * (3 + MORE);
  for (let at = first * (3 + MORE); at <= end; at += 3 + MORE) {
    const gives = step * cells[at + 3 + THROUGH]!;
    const per = cells[at + 3 + PER_AREA]!;
    const mmA = cells[at]!;
    const mmB = cells[at + 1]!;
    const mmC = cells[at + 2]!;
    const outA = mmA < TRACE_MM ? 0 : gives * mmA;
    const outB = mmB < TRACE_MM ? 0 : gives * mmB;
    const outC = mmC < TRACE_MM ? 0 : gives * mmC;
    const nowA = mmA + (inA - outA) * per;
    const nowB = mmB + (inB - outB) * per;
    const nowC = mmC + (inC - outC) * per;
    const h = nowA + nowB + nowC;
    cells[at] = nowA;
    cells[at + 1] = nowB;
    cells[at + 2] = nowC;
    cells[at + 3 + HEIGHT] = h;
    inA = outA;
    inB = outB;
    inC = outC;
    const out = cells[at + 3 + DRIVEN]!;
    if (h < THINNEST_MOVING_MM || out <= 0) {
      cells[at + 3 + THROUGH] = 0;
      continue;
    }
    let own = cells[at + 3 + STACK]!;
    let flow = cells[at + 3 + MOBILITY]!;
    if (own <= EMPTY || own !== above || flow !== flow) {
      const before = flow;
      flow = nearExp(lnOfThree(nowA, nowB, nowC, h, ln0, ln1, ln2, ln01, ln02, ln12));
      cells[at + 3 + MOBILITY] = flow;
      own = stackOf(own, above, before, flow);
      cells[at + 3 + STACK] = own;
    }
    above = own;
    const carried = flow * out * h * h;
    cells[at + 3 + THROUGH] = carried;
    const speed = carried * per;
    if (speed > fastest) fastest = speed;
  }
  off[0]! += inA;
  off[1]! += inB;
  off[2]! += inC;
  return fastest;
}

function carryAny(film: MovingFilm, step: number, first: number, last: number, off: Float64Array): number {
  const { cells, pieces } = film;
  for (let layer = 0; layer < pieces; layer++) {
    let comes = 0;
    for (let cell = first; cell <= last; cell++) {
      const at = cell * (pieces + MORE);
      const more = at + pieces;
      const mm = cells[at + layer]!;
      const gives = mm < TRACE_MM ? 0 : step * cells[more + THROUGH]! * mm;
      const now = mm + (comes - gives) * cells[more + PER_AREA]!;
      cells[at + layer] = now;
      cells[more + HEIGHT] = layer === 0 ? now : cells[more + HEIGHT]! + now;
      comes = gives;
    }
    off[layer]! += comes;
  }
  return fluxes(film, first, last);
}

/** What goes through the lower face of one cell, its record's further numbers from `more` on; gives its share of the cell's volume. */
function passOn({ cells, pieces, flow }: MovingFilm, more: number, above: number): number {
  const h = cells[more + HEIGHT]!;
  const out = cells[more + DRIVEN]!;
  if (h < THINNEST_MOVING_MM || out <= 0) {
    cells[more + THROUGH] = 0;
    return 0;
  }
  const own = cells[more + STACK]!;
  const before = cells[more + MOBILITY]!;
  if (pieces > 1 && (own !== above || own <= EMPTY || Number.isNaN(before))) {
    const now = mobilityAt(cells, more - pieces, h, flow);
    cells[more + MOBILITY] = now;
    cells[more + STACK] = stackOf(own, above, before, now);
  }
  const carried = cells[more + MOBILITY]! * out * h * h;
  cells[more + THROUGH] = carried;
  return carried * cells[more + PER_AREA]!;
}

/** A stack changes only where another one came in from above: elsewhere its mobility is still the one that was worked out. */
function stackOf(own: number, above: number, before: number, now: number): number {
  if (own === EMPTY) return above;
  // A trace of another stack changes nothing yet: what lies below is left alone until it does.
  return above !== EMPTY && above !== own && Math.abs(now - before) > TRACE_SHARE * before ? MIXED : own;
}

function stacksOf(moving: Float64Array, pieces: number, count: number): Int32Array {
  const rows = Array.from({ length: pieces }, (_, layer) => moving.subarray(layer * count, (layer + 1) * count));
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
