import type { WallStrip } from './wall-strip';

/** A layer melted on each cell of the strip, mm, with its flow figure at this firing, 1/mm. */
export interface RunLayer {
  meltedMm: Float64Array;
  flow: number;
}

/** The film at one moment. */
export interface RunMoment {
  /** Share of the firing's flow that is done, 0–1. */
  share: number;
  /** Everything on each cell, stuck film included, mm. */
  heightMm: Float64Array;
  /** The same by layer. */
  layerMm: Float64Array[];
  /** How far down the strip the lowest edge has come, of all and of each layer, mm from its top; undefined where there is none. */
  frontMm: number | undefined;
  layerFrontMm: (number | undefined)[];
  /** Whether it has come down to the end of the strip: the shelf, outside. */
  isAtEnd: boolean;
  /** What has left the lower end, mm³. */
  offMm3: number;
}

/** An edge is where more than this share of the first height lies. */
export const EDGE_SHARE = 0.1;

/** The film on the strip: one number for each cell of each layer, layer by layer. */
export interface Film {
  moving: Float64Array;
  still: Float64Array;
  /** Everything that was put on each cell. */
  putMm: Float64Array;
  putMm3: number;
  firstWhole: number;
  first: Float64Array;
}

/**
 * Returns what was put on, parted into the film that stays on the wall and the one that moves, in the shares of its layers.
 *
 * @param layers - mm melted by cell
 * @param stuck - mm that stays put, by cell
 * @param areaMm2 - of each cell
 * @example
 * layFilm([{ meltedMm: Float64Array.from([0.3]), flow: 60 }], Float64Array.from([0.05]), Float64Array.from([10])).moving[0] // 0.25
 */
export function layFilm(layers: readonly RunLayer[], stuck: Float64Array, areaMm2: Float64Array): Film {
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

/**
 * Returns the film as it lies at one moment, with its edges.
 *
 * @param share - of the firing's flow that is done, 0–1
 * @param strip - the wall
 * @param film - from `layFilm`, moved on
 * @param offMm3 - what has left the lower end; 0 when left out
 * @example
 * momentAt(0, uprightStrip({ lengthMm: 1, cellMm: 1 }), layFilm([{ meltedMm: Float64Array.from([0.3]), flow: 60 }], Float64Array.from([0.05]), Float64Array.from([10]))).frontMm
 * // 1
 */
export function momentAt(share: number, { count, cellMm }: WallStrip, { moving, still, firstWhole, first }: Film, offMm3 = 0): RunMoment {
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
  return {
    share,
    heightMm,
    layerMm,
    frontMm: edgeOf(free, EDGE_SHARE * firstWhole, cellMm),
    layerFrontMm,
    isAtEnd: firstWhole > 0 && free[count - 1]! > EDGE_SHARE * firstWhole,
    offMm3,
  };
}

/** Number of cells over which upwind differences smear an edge. */
const SMEARED_CELLS = 4;

/**
 * Returns where the film ends, mm down the strip: the lowest cell that holds more than the threshold, sharpened by volume. What lies in the
 * smeared cells below the last full one would fill part of them at its height.
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
