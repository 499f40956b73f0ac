/** The room in which pots are fired, inside, mm. */
export type KilnChamber =
  { kind: 'round'; diameterMm: number; heightMm: number } | { kind: 'rectangular'; widthMm: number; depthMm: number; heightMm: number };

/** A shelf where it usually stands. */
export interface KilnShelf {
  id: string;
  name: string;
  /** Its upper face above the floor of the chamber, mm. */
  heightMm: number;
}

/** A witness cone that was read by eye on a shelf. */
export interface ShelfWitness {
  shelfId: string;
  /** The cone that bends, and the one before it. */
  lower: string;
  upper: string;
  /** 0 standing, 1 down, in quarters. */
  fraction: number;
}

/**
 * Returns how high a shelf stands as a share of its chamber, 0–1.
 *
 * @param shelf - its height
 * @param chamber - of its kiln
 * @example
 * heightShareOf({ heightMm: 250 }, { heightMm: 500 }) // 0.5
 */
export const heightShareOf = ({ heightMm }: Pick<KilnShelf, 'heightMm'>, chamber: Pick<KilnChamber, 'heightMm'>): number =>
  Math.min(1, Math.max(0, heightMm / Math.max(1, chamber.heightMm)));
