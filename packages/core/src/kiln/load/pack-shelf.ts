import { areaShare, type KeptFree, type LoadPiece, type ShelfOutline, type StandingPiece } from './load-piece';
import { ShelfPacking, type PackingEffort } from './shelf-packing';

export const USUAL_EFFORT: PackingEffort = { beginnings: 4, moves: 12 };

/**
 * Returns where all pieces can stand on one shelf; undefined where no way was found.
 *
 * @param pieces - that should share it
 * @param outline - of the shelf, within what must stay free of elements and thermocouple
 * @param how - `effort`, how long is looked; `keptFree`, where nothing may stand
 * @example
 * packShelf([{ id: 'cup', footprint: { kind: 'circle', radiusMm: 40 }, heightMm: 90 }], { kind: 'round', diameterMm: 80 })?.length // 1
 */
export function packShelf(
  pieces: readonly LoadPiece[],
  outline: ShelfOutline,
  { effort = USUAL_EFFORT, keptFree = [] }: { effort?: PackingEffort; keptFree?: readonly KeptFree[] } = {},
): StandingPiece[] | undefined {
  if (pieces.length === 0) return [];
  if (areaShare(pieces, outline) > 1) return undefined;
  const packing = new ShelfPacking(outline, keptFree);
  return packing.put(pieces, effort) ? packing.places() : undefined;
}
