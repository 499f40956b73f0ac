/** How an edge goes round a piece: level, tilted as by a slanted dip, or in waves. `riseMm` is from its lowest to its highest place. */
export type EdgeLine = { kind: 'straight' } | { kind: 'slanted'; riseMm: number } | { kind: 'waving'; riseMm: number; waves: number };

export const STRAIGHT: EdgeLine = { kind: 'straight' };

/** How much above its middle an edge is, so far round, mm. */
export function edgeOffsetMm(edge: EdgeLine | undefined, turn: number): number {
  if (!edge || edge.kind === 'straight') return 0;
  return (edge.riseMm / 2) * Math.sin(2 * Math.PI * turn * (edge.kind === 'waving' ? edge.waves : 1));
}

/** Lowest place of an edge below its middle, mm: where glaze comes nearest to the shelf. */
export const edgeDipMm = (edge: EdgeLine | undefined): number => (!edge || edge.kind === 'straight' ? 0 : edge.riseMm / 2);
