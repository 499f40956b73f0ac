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

/**
 * Runs melted layers down a wall: ∂h/∂τ + (1/r)∂(r h³ sin α)/∂s = 0 (Huppert 1982), finite volumes, upwind, so volume is kept and no cell
 * goes below nothing. The layers move as one film; their shares are carried along and decide its flow where they are.
 */
export function solveRun(question: RunQuestion): RunAnswer {
  const { strip, layers } = question;
  checkRun(question);
  const { count, areaMm2, drive } = strip;
  const stuck = typeof question.stuckMm === 'object' ? question.stuckMm : new Float64Array(count).fill(question.stuckMm ?? STUCK_FILM_MM);
  const gathers = (question.gathers ?? 1) ** 2;
  const pieces = layers.length;
  // What moves: the whole film less what sticks, in the shares of its layers. One row a layer.
  const moving = new Float64Array(pieces * count);
  const still = new Float64Array(pieces * count);
  const first = new Float64Array(pieces);
  let firstWhole = 0;
  let put = 0;
  for (let cell = 0; cell < count; cell++) {
    let whole = 0;
    for (let layer = 0; layer < pieces; layer++) whole += layers[layer]!.meltedMm[cell]!;
    const free = whole > 0 ? Math.max(0, whole - stuck[cell]!) / whole : 0;
    firstWhole = Math.max(firstWhole, whole * free);
    put += whole * areaMm2[cell]!;
    for (let layer = 0; layer < pieces; layer++) {
      const mm = layers[layer]!.meltedMm[cell]!;
      moving[layer * count + cell] = mm * free;
      still[layer * count + cell] = mm * (1 - free);
      first[layer] = Math.max(first[layer]!, mm * free);
    }
  }
  const mobility = mobilityOf(layers, question.overlap);
  const height = new Float64Array(count);
  const share = new Float64Array(pieces);
  const flux = new Float64Array(pieces * (count + 1));
  const lookAt = [...new Set([...(question.lookAt ?? []), 1])].sort((a, b) => a - b);
  const moments: RunMoment[] = [];
  let time = 0;
  let offMm3 = 0;
  let steps = 0;
  for (const until of lookAt) {
    while (time < until && steps < MOST_STEPS) {
      // The fastest cell decides the step; its speed is three times the flux over the height.
      let fastest = 0;
      for (let cell = 0; cell < count; cell++) {
        let h = 0;
        for (let layer = 0; layer < pieces; layer++) h += moving[layer * count + cell]!;
        height[cell] = h;
        const out = drive[cell]!;
        if (h <= 0 || out <= 0) {
          for (let layer = 0; layer < pieces; layer++) flux[layer * (count + 1) + cell + 1] = 0;
          continue;
        }
        for (let layer = 0; layer < pieces; layer++) share[layer] = moving[layer * count + cell]! / h;
        const carried = mobility(share) * gathers * out * h * h;
        const speed = (3 * carried * 2 * Math.PI) / areaMm2[cell]!;
        if (speed > fastest) fastest = speed;
        const through = carried * 2 * Math.PI;
        for (let layer = 0; layer < pieces; layer++) flux[layer * (count + 1) + cell + 1] = through * moving[layer * count + cell]!;
      }
      const step = fastest > 0 ? Math.min(until - time, COURANT / fastest) : until - time;
      for (let layer = 0; layer < pieces; layer++) {
        const [row, faces] = [layer * count, layer * (count + 1)];
        for (let cell = 0; cell < count; cell++) {
          moving[row + cell]! += (step * (flux[faces + cell]! - flux[faces + cell + 1]!)) / areaMm2[cell]!;
        }
        offMm3 += step * flux[faces + count]!;
      }
      time += step;
      steps += 1;
    }
    moments.push(momentAt(until, strip, moving, still, { firstWhole, first }));
  }
  let left = offMm3;
  let hangsMm3 = 0;
  for (let cell = 0; cell < count; cell++) {
    let h = 0;
    for (let layer = 0; layer < pieces; layer++) h += moving[layer * count + cell]! + still[layer * count + cell]!;
    left += h * areaMm2[cell]!;
    // More than was put there, in front of a place that hangs over.
    if (strip.overhang[cell]) hangsMm3 += Math.max(0, h - wholeOf(layers, cell)) * areaMm2[cell]!;
  }
  return { moments, offMm3, hangsMm3, lostShare: put > 0 ? (put - left) / put : 0, steps };
}

const wholeOf = (layers: readonly RunLayer[], cell: number): number => layers.reduce((sum, layer) => sum + layer.meltedMm[cell]!, 0);

/** Flow figure of a film of such shares: ln F mean by share, plus ln ω · 4x₁x₂ for every pair. */
function mobilityOf(layers: readonly RunLayer[], overlap: RunQuestion['overlap']): (share: Float64Array) => number {
  const lnFlow = layers.map((layer) => Math.log(layer.flow));
  if (layers.length === 1) {
    const flow = layers[0]!.flow;
    return () => flow;
  }
  const lnPair = layers.map((_, a) => layers.map((_other, b) => (a < b ? 4 * Math.log(overlap?.(a, b) ?? 1) : 0)));
  return (share) => {
    let ln = 0;
    for (let a = 0; a < lnFlow.length; a++) {
      ln += share[a]! * lnFlow[a]!;
      for (let b = a + 1; b < lnFlow.length; b++) ln += lnPair[a]![b]! * share[a]! * share[b]!;
    }
    return Math.exp(ln);
  };
}

function momentAt(
  share: number,
  strip: WallStrip,
  moving: Float64Array,
  still: Float64Array,
  { firstWhole, first }: { firstWhole: number; first: Float64Array },
): RunMoment {
  const { count, cellMm } = strip;
  const layerMm = Array.from(first, (_, layer) =>
    Float64Array.from({ length: count }, (_cell, cell) => moving[layer * count + cell]! + still[layer * count + cell]!),
  );
  const heightMm = new Float64Array(count);
  const free = new Float64Array(count);
  layerMm.forEach((row, layer) =>
    row.forEach((mm, cell) => {
      heightMm[cell]! += mm;
      free[cell]! += moving[layer * count + cell]!;
    }),
  );
  return {
    share,
    heightMm,
    layerMm,
    frontMm: edgeOf(free, EDGE_SHARE * firstWhole, cellMm),
    layerFrontMm: layerMm.map((_, layer) => edgeOf(moving.subarray(layer * count, (layer + 1) * count), EDGE_SHARE * first[layer]!, cellMm)),
  };
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
