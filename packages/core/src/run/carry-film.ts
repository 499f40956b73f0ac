import { lnOfThree, mobilityAt } from './film-flow';
import { nearExp } from '../math/near-exp';
import { EMPTY, stackOf } from './film-mixtures';
import { HEIGHT, DRIVEN, PER_AREA, THROUGH, MOBILITY, STACK, MORE, type MovingFilm } from './film-record';

/** A thinner film stands still: it would pass on nothing, and such small numbers are slow to compute with. */
const THINNEST_MOVING_MM = 1e-7;

/** A smaller trace of a layer is not passed on: such small numbers are slow to compute with. */
const TRACE_MM = 1e-20;

/**
 * Computes what goes through the lower face of each cell, in place, and returns the fastest cell's share of its volume.
 *
 * @param film - the moving film; changed in place
 * @param first - first cell
 * @param last - last cell
 * @example
 * fluxes(movingFilm(new Float64Array(3), uprightStrip({ lengthMm: 3, cellMm: 1 }), flowOf([{ meltedMm: new Float64Array(3), flow: 60 }], undefined, new Float64Array(3).fill(1))), 0, 2)
 * // 0
 */
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
 * Takes one step, in place: each cell gives to the next what goes through its lower face, layer by layer, as it was before the step; what
 * leaves the last cell is added to `off`. Then it computes the fluxes of the next step and returns the fastest cell's share of its volume.
 *
 * @param film - the moving film, its fluxes computed; changed in place
 * @param step - share of the firing
 * @param first - first cell
 * @param last - last cell
 * @param off - what left the lower end, mm³ by layer; added to in place
 * @example
 * carry(movingFilm(new Float64Array(3), uprightStrip({ lengthMm: 3, cellMm: 1 }), flowOf([{ meltedMm: new Float64Array(3), flow: 60 }], undefined, new Float64Array(3).fill(1))), 0.1, 0, 2, new Float64Array(1))
 * // 0
 */
export function carry(film: MovingFilm, step: number, first: number, last: number, off: Float64Array): number {
  const { cells, pieces, flow } = film;
  return pieces === 3 ? carryThree(cells, flow.ln, flow.lnPair, step, first, last, off) : carryAny(film, step, first, last, off);
}

/**
 * Takes a step of three layers, the most a zone has, written out so that their numbers stay in registers from one cell to the next. It takes its
 * arrays as arguments, not the film that holds them: V8 compiles it during one run for the shape of that film, throws the code away when the next
 * run makes a new film, and is then half as fast.
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

/** Computes what goes through the lower face of one cell, whose further numbers begin at `more`; returns its share of the cell's volume. */
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
