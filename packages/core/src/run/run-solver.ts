import { PotterError } from '../checks/potter-error';
import { requireNotNegative, requirePositive } from '../checks/require';
import type { WallStrip } from './wall-strip';

/** A layer as it lies melted on each cell of the strip, mm, with its own flow figure at this firing, 1/mm. */
export interface RunLayer {
  meltedMm: Float64Array;
  flow: number;
}

export interface RunQuestion {
  strip: WallStrip;
  layers: readonly RunLayer[];
  /** ω of two layers of the list: how much more they run together. */
  overlap?: (a: number, b: number) => number;
  /** What stays on the wall of each cell whatever happens, mm: the stuck film, and what grooves hold. */
  stuckMm?: number | Float64Array;
  /** Flutes gather the melt: so much thicker in the valleys. 1 on a smooth wall. */
  gathers?: number;
  /** Enough once it came down to the end: for draws that only ask whether it does. */
  stopAtEnd?: boolean;
  /** Shares of the firing at which to look, 0–1, rising. The end is always looked at. */
  lookAt?: readonly number[];
}

/** The film at one moment. */
export interface RunMoment {
  /** Share of the firing's flow that is done, 0–1. */
  share: number;
  /** All that lies on each cell, stuck film included, mm. */
  heightMm: Float64Array;
  /** The same by layer. */
  layerMm: Float64Array[];
  /** How far down the strip the lowest edge of all and of each layer has come, mm from its top; undefined where there is none. */
  frontMm: number | undefined;
  layerFrontMm: (number | undefined)[];
}

export interface RunAnswer {
  moments: readonly RunMoment[];
  /** Whether its edge came down to the end of the strip: outside, to the shelf. */
  reachedEnd: boolean;
  /** What left the lower end of the strip, mm³, and what hangs at an overhang. */
  offMm3: number;
  hangsMm3: number;
  /** Whether the volume was kept: put on, minus what is there and left, as a share. */
  lostShare: number;
  steps: number;
}

/** What stays put of every melted coat, mm. */
export const STUCK_FILM_MM = 0.05;
/** An edge is where more than this share of the first height lies. */
export const EDGE_SHARE = 0.1;
/** Courant number of the explicit steps: below 1, so that no cell ever gives more than it has. */
const COURANT = 0.9;
const MOST_STEPS = 400_000;
/** A film thinner than this stands: what it would pass on is nothing, and such numbers are slow to reckon with. */
const THINNEST_MOVING_MM = 1e-7;
/** A stack is another one when its mobility changed by more than this share. */
const TRACE_SHARE = 1e-5;
/** A trace of a layer that is passed on no further, for the same reason. */
const TRACE_MM = 1e-20;

/**
 * Runs melted layers down a wall: ∂h/∂τ + (1/r)∂(r h³ sin α)/∂s = 0 (Huppert 1982), finite volumes, upwind, so volume is kept and no cell
 * goes below nothing. The layers move as one film; their shares are carried along and decide its flow where they are.
 */
export function solveRun(question: RunQuestion): RunAnswer {
  const { strip, layers } = question;
  checkRun(question);
  const { count, areaMm2 } = strip;
  const stuck = typeof question.stuckMm === 'object' ? question.stuckMm : new Float64Array(count).fill(question.stuckMm ?? STUCK_FILM_MM);
  const film = layFilm(layers, stuck, areaMm2);
  const flow = flowOf(layers, question.overlap, (question.gathers ?? 1) ** 2);
  const lookAt = [...new Set([...(question.lookAt ?? []), 1])].sort((a, b) => a - b);
  const moments: RunMoment[] = [];
  const off = new Float64Array(layers.length);
  let steps = 0;
  let from = 0;
  for (const until of lookAt) {
    const endMm = question.stopAtEnd ? EDGE_SHARE * film.firstWhole : Infinity;
    steps += advance(film.moving, strip, flow, { share: until - from, endMm, mostSteps: MOST_STEPS - steps }, off);
    from = until;
    moments.push(momentAt(until, strip, film));
  }
  const offMm3 = off.reduce((sum, mm3) => sum + mm3, 0);
  const atEnd = layers.reduce((sum, _, layer) => sum + film.moving[layer * count + count - 1]!, 0);
  let left = offMm3;
  let hangsMm3 = 0;
  const { heightMm } = moments.at(-1)!;
  for (let cell = 0; cell < count; cell++) {
    left += heightMm[cell]! * areaMm2[cell]!;
    // More than was put there, in front of a place that hangs over.
    if (strip.overhang[cell]) hangsMm3 += Math.max(0, heightMm[cell]! - film.putMm[cell]!) * areaMm2[cell]!;
  }
  return {
    moments,
    reachedEnd: film.firstWhole > 0 && atEnd > EDGE_SHARE * film.firstWhole,
    offMm3,
    hangsMm3,
    lostShare: film.putMm3 > 0 ? (film.putMm3 - left) / film.putMm3 : 0,
    steps,
  };
}

/** The film on the strip: one number for each cell of each layer, layer by layer. */
interface Film {
  moving: Float64Array;
  still: Float64Array;
  /** All that was put on each cell. */
  putMm: Float64Array;
  putMm3: number;
  firstWhole: number;
  first: Float64Array;
}

/** Parts what was put on into the film that stays on the wall and the one that moves, in the shares of its layers. */
function layFilm(layers: readonly RunLayer[], stuck: Float64Array, areaMm2: Float64Array): Film {
  const [pieces, count] = [layers.length, areaMm2.length];
  const film: Film = {
    moving: new Float64Array(pieces * count),
    still: new Float64Array(pieces * count),
    putMm: new Float64Array(count),
    putMm3: 0,
    firstWhole: 0,
    first: new Float64Array(pieces),
  };
  for (let cell = 0; cell < count; cell++) {
    let whole = 0;
    for (const layer of layers) whole += layer.meltedMm[cell]!;
    const free = whole > 0 ? Math.max(0, whole - stuck[cell]!) / whole : 0;
    film.firstWhole = Math.max(film.firstWhole, whole * free);
    film.putMm[cell] = whole;
    film.putMm3 += whole * areaMm2[cell]!;
    for (let layer = 0; layer < pieces; layer++) {
      const mm = layers[layer]!.meltedMm[cell]!;
      film.moving[layer * count + cell] = mm * free;
      film.still[layer * count + cell] = mm * (1 - free);
      film.first[layer] = Math.max(film.first[layer]!, mm * free);
    }
  }
  return film;
}

/** ln F of each layer and 4 ln ω of each pair, flat; all of it times what flutes gather. */
interface Flow {
  ln: Float64Array;
  /** Row by row, only above the diagonal. */
  lnPair: Float64Array;
  gathers: number;
}

function flowOf(layers: readonly RunLayer[], overlap: RunQuestion['overlap'], gathers: number): Flow {
  const pieces = layers.length;
  const lnPair = new Float64Array(pieces * pieces);
  for (let a = 0; a < pieces; a++) for (let b = a + 1; b < pieces; b++) lnPair[a * pieces + b] = 4 * Math.log(overlap?.(a, b) ?? 1);
  return { ln: Float64Array.from(layers, (layer) => Math.log(layer.flow)), lnPair, gathers };
}

/**
 * The film after so much of the firing, in place. The layers move as one: ln F is their mean by share, plus ln ω · 4x₁x₂ for every pair. The
 * fastest cell decides the step; a cell's speed is three times its flux over its height. Gives the steps it took.
 */
function advance(
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
  const driven = Float64Array.from(drive, (each) => 2 * Math.PI * flow.gathers * each);
  let left = until.share;
  let steps = 0;
  let first = 0;
  while (first < count && !holds(moving, first, pieces)) first += 1;
  let last = count - 1;
  while (last >= first && !holds(moving, last, pieces)) last -= 1;
  sumRows(rows, height, first, last);
  while (left > 0 && steps < until.mostSteps && last >= first) {
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
      if (pieces > 1 && (own === MIXED || own !== above || Number.isNaN(mobility[cell]!))) {
        const before = mobility[cell]!;
        mobility[cell] = mobilityOf(rows, cell, h, flow);
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

/** The whole film of each cell. Three layers, the most a zone has, are read in one go. */
function sumRows(rows: readonly Float64Array[], height: Float64Array, first: number, last: number): void {
  const [a, b, c] = [rows[0]!, rows[1], rows[2]];
  if (rows.length === 3) for (let cell = first; cell <= last; cell++) height[cell] = a[cell]! + b![cell]! + c![cell]!;
  else if (rows.length === 1) for (let cell = first; cell <= last; cell++) height[cell] = a[cell]!;
  else {
    for (let cell = first; cell <= last; cell++) height[cell] = a[cell]! + b![cell]!;
    for (const row of rows.slice(2)) for (let cell = first; cell <= last; cell++) height[cell]! += row[cell]!;
  }
}

interface Carrying {
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
function carry(rows: readonly Float64Array[], { through, perArea, height, off, step, first, last }: Carrying): void {
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

/** Flow figure of the mixture in a cell, for up to three layers written out: asked for at every edge in every step. */
function mobilityOf(rows: readonly Float64Array[], cell: number, h: number, { ln, lnPair }: Flow): number {
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

function momentAt(share: number, { count, cellMm }: WallStrip, { moving, still, firstWhole, first }: Film): RunMoment {
  const pieces = first.length;
  const heightMm = new Float64Array(count);
  const free = new Float64Array(count);
  const layerMm: Float64Array[] = [];
  const layerFrontMm: (number | undefined)[] = [];
  for (let layer = 0; layer < pieces; layer++) {
    const [whole, own] = [new Float64Array(count), new Float64Array(count)];
    for (let cell = 0; cell < count; cell++) {
      own[cell] = moving[layer * count + cell]!;
      whole[cell] = own[cell]! + still[layer * count + cell]!;
      heightMm[cell]! += whole[cell]!;
      free[cell]! += own[cell]!;
    }
    layerMm.push(whole);
    layerFrontMm.push(edgeOf(own, EDGE_SHARE * first[layer]!, cellMm));
  }
  return { share, heightMm, layerMm, frontMm: edgeOf(free, EDGE_SHARE * firstWhole, cellMm), layerFrontMm };
}

/** Cells over which upwind differences smear an edge. */
const SMEARED_CELLS = 4;

/**
 * Where the film ends, mm down the strip: at the lowest cell that holds more than so much, sharpened by its volume. What lies in the smeared
 * cells below the last full one would fill so much of them at its height.
 */
function edgeOf(row: Float64Array, threshold: number, cellMm: number): number | undefined {
  if (threshold <= 0) return undefined;
  let last = row.length - 1;
  while (last >= 0 && row[last]! <= threshold) last -= 1;
  if (last < 0) return undefined;
  let full = last;
  for (let cell = last; cell >= Math.max(0, last - SMEARED_CELLS); cell--) if (row[cell]! > row[full]!) full = cell;
  let filled = 0;
  for (let cell = full + 1; cell < Math.min(row.length, last + SMEARED_CELLS); cell++) filled += row[cell]! / row[full]!;
  return Math.min(row.length, full + 1 + filled) * cellMm;
}

function checkRun({ strip, layers, stuckMm, gathers = 1, lookAt = [] }: RunQuestion): void {
  if (layers.length === 0) throw new PotterError('emptyList', 'layers', 0, 'There is no glaze here to run.');
  for (const { meltedMm, flow } of layers) {
    requirePositive('flow', flow);
    if (meltedMm.length !== strip.count)
      throw new PotterError('impossible', 'meltedMm', meltedMm.length, 'A layer needs a thickness for every cell of the wall.');
    for (const mm of meltedMm) requireNotNegative('coatMm', mm);
  }
  if (typeof stuckMm === 'number') requireNotNegative('stuckMm', stuckMm);
  requirePositive('gathers', gathers);
  for (const share of lookAt) requireNotNegative('share', share);
}
