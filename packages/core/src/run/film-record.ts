import { type Flow } from './film-flow';
import type { WallStrip } from './wall-strip';
import { stacksOf } from './film-mixtures';
/** What the record of a cell holds after the mm of each layer: the height of all of them. */
export const HEIGHT = 0;
/** What drives the melt through the lower face, with what flutes gather there. */
export const DRIVEN = 1;
/** One over its area, 1/mm². */
export const PER_AREA = 2;
/** What goes through the lower face, per mm of each layer in the cell. */
export const THROUGH = 3;
/** Flow figure of the mixture, 1/mm; NaN until it is asked for. */
export const MOBILITY = 4;
/** Number of the mixture: see `stacksOf`. */
export const STACK = 5;
export const MORE = 6;

/**
 * A moving film on its strip, one record for each cell. With one row for each of these numbers there are more rows than a processor has registers,
 * and a step takes half as long again.
 */
export interface MovingFilm {
  cells: Float64Array;
  /** How many layers; with more than one, mobility differs from cell to cell. */
  pieces: number;
  flow: Flow;
}

/**
 * Returns the film as records of its cells, from its layers row by row.
 *
 * @param moving - mm by layer, then by cell
 * @param strip - the wall
 * @param flow - of the layers and pairs
 * @example
 * movingFilm(new Float64Array(3), uprightStrip({ lengthMm: 3, cellMm: 1 }), flowOf([{ meltedMm: new Float64Array(3), flow: 60 }], undefined, new Float64Array(3).fill(1))).pieces
 * // 1
 */
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

/**
 * Writes the layers back row by row.
 *
 * @param film - the moving film
 * @param moving - mm by layer, then by cell; changed in place
 * @example
 * putBack(movingFilm(new Float64Array(3), uprightStrip({ lengthMm: 3, cellMm: 1 }), flowOf([{ meltedMm: new Float64Array(3), flow: 60 }], undefined, new Float64Array(3).fill(1))), new Float64Array(3))
 * // undefined
 */
export function putBack({ cells, pieces }: MovingFilm, moving: Float64Array): void {
  const count = cells.length / (pieces + MORE);
  for (let cell = 0; cell < count; cell++)
    for (let layer = 0; layer < pieces; layer++) moving[layer * count + cell] = cells[cell * (pieces + MORE) + layer]!;
}

/**
 * Returns the height of the whole film in a cell, mm.
 *
 * @param film - the moving film
 * @param cell - its number from the top
 * @example
 * heightAt(movingFilm(new Float64Array(3), uprightStrip({ lengthMm: 3, cellMm: 1 }), flowOf([{ meltedMm: new Float64Array(3), flow: 60 }], undefined, new Float64Array(3).fill(1))), 0)
 * // 0
 */
export const heightAt = ({ cells, pieces }: MovingFilm, cell: number): number => cells[cell * (pieces + MORE) + pieces + HEIGHT]!;

/**
 * Returns whether a cell passes anything on.
 *
 * @param film - the moving film, its fluxes computed
 * @param cell - its number from the top
 * @example
 * flowsAt(movingFilm(new Float64Array(3), uprightStrip({ lengthMm: 3, cellMm: 1 }), flowOf([{ meltedMm: new Float64Array(3), flow: 60 }], undefined, new Float64Array(3).fill(1))), 0)
 * // false
 */
export const flowsAt = ({ cells, pieces }: MovingFilm, cell: number): boolean => cells[cell * (pieces + MORE) + pieces + THROUGH]! > 0;
