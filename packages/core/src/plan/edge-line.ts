/** How an edge goes round a piece: level, tilted as by a slanted dip, or in waves. `riseMm` is the height from its lowest to its highest place. */
export type EdgeLine = { kind: 'straight' } | { kind: 'slanted'; riseMm: number } | { kind: 'waving'; riseMm: number; waves: number };

export const STRAIGHT: EdgeLine = { kind: 'straight' };

/**
 * Returns how much above its middle an edge is, mm.
 *
 * @param edge - straight, slanted or waving; straight when left out
 * @param turn - how far round, a share of the turn
 * @example
 * edgeOffsetMm({ kind: 'slanted', riseMm: 10 }, 0.25) // 5
 */
export function edgeOffsetMm(edge: EdgeLine | undefined, turn: number): number {
  if (!edge || edge.kind === 'straight') return 0;
  return (edge.riseMm / 2) * Math.sin(2 * Math.PI * turn * (edge.kind === 'waving' ? edge.waves : 1));
}

/**
 * Returns how far the lowest place of an edge lies below its middle, mm: there glaze comes nearest to the shelf.
 *
 * @param edge - straight, slanted or waving; straight when left out
 * @example
 * edgeDipMm({ kind: 'slanted', riseMm: 10 }) // 5
 */
export const edgeDipMm = (edge: EdgeLine | undefined): number => (!edge || edge.kind === 'straight' ? 0 : edge.riseMm / 2);
