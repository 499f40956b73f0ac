/** What a piece takes on a shelf, from above: a circle for what was thrown, a box for tiles and platters, mm. */
export type Footprint = { kind: 'circle'; radiusMm: number } | { kind: 'box'; widthMm: number; depthMm: number };

/** One piece, glazed and dry, that is to be fired. */
export interface LoadPiece {
  id: string;
  footprint: Footprint;
  /** With its plate or stilts. */
  heightMm: number;
  /** Left out where nobody weighed it. */
  grams?: number | undefined;
  /** It may run: it stands further from the others. */
  isRunner?: boolean | undefined;
  /** Better where the kiln is hot, or where it is cool; anywhere when left out. */
  wants?: 'hot' | 'cool' | undefined;
  /** It is to be seen from the door, as test tiles are. */
  isAtDoor?: boolean | undefined;
}

/** The outline of a shelf from above, mm, its middle at 0, 0. Half a round one is the right half, 0, 0 at the middle of its straight edge. */
export type ShelfOutline =
  { kind: 'round'; diameterMm: number } | { kind: 'halfRound'; diameterMm: number } | { kind: 'rectangular'; widthMm: number; depthMm: number };

/** A place on every shelf where nothing may stand: a post or the thermocouple, with the gap round it. The door is where y is largest. */
export interface KeptFree {
  xMm: number;
  yMm: number;
  radiusMm: number;
  what: 'post' | 'thermocouple';
}

/** Where the middle of a piece stands on its shelf, mm from the middle of the shelf; a box may be turned by a quarter. */
export interface StandingPiece {
  pieceId: string;
  xMm: number;
  yMm: number;
  isTurned: boolean;
}

/** Between any two pieces, round one that may run, and over the tallest one of a shelf, mm (M7). */
export const PIECE_GAP_MM = 5;
export const RUNNER_GAP_MM = 15;
export const SHELF_ROOM_MM = 10;

/**
 * Returns how far two pieces stand apart at least, mm.
 *
 * @param a - one of them
 * @param b - the other one
 * @example
 * gapBetween({ isRunner: true }, {}) // 15
 */
export const gapBetween = (a: Pick<LoadPiece, 'isRunner'>, b: Pick<LoadPiece, 'isRunner'>): number =>
  a.isRunner || b.isRunner ? RUNNER_GAP_MM : PIECE_GAP_MM;

/**
 * Returns the share of a shelf's area that footprints take, without gaps, 0 or more.
 *
 * @param pieces - that stand on it
 * @param outline - of the shelf
 * @example
 * areaShare([{ footprint: { kind: 'box', widthMm: 100, depthMm: 100 } }], { kind: 'rectangular', widthMm: 200, depthMm: 100 }) // 0.5
 */
export const areaShare = (pieces: readonly Pick<LoadPiece, 'footprint'>[], outline: ShelfOutline): number =>
  pieces.reduce((sum, { footprint }) => sum + footprintMm2(footprint), 0) / outlineMm2(outline);

const footprintMm2 = (footprint: Footprint): number =>
  footprint.kind === 'circle' ? Math.PI * footprint.radiusMm ** 2 : footprint.widthMm * footprint.depthMm;

const outlineMm2 = (outline: ShelfOutline): number =>
  outline.kind === 'rectangular' ? outline.widthMm * outline.depthMm : (Math.PI * outline.diameterMm ** 2) / (outline.kind === 'round' ? 4 : 8);
