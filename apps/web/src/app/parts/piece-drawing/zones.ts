import { edgeOffsetMm, rimIsApart, type EdgeLine, type Layer, type PiecePlan, type PieceShape, type Turn } from '@cazuela/core';
import { colourOf } from './colours';
import { rimFromMm } from './labels';
import type { Sheet } from './sheet';

/** Places across the seen quarter of the turn. */
const ACROSS = 12;

export interface DrawnZone {
  path: string;
  colour: string;
}

/** The outside as it will be seen: its uppermost glazes, wax over bare clay, strips and panels over them. */
export function zonesOf(sheet: Sheet, plan: PiecePlan, colours: ReadonlyMap<string, string>, wax: string): DrawnZone[] {
  const { zones, waxFootMm, edges, strips = [], masks = [] } = plan;
  const rimFrom = rimFromMm(plan, sheet.topMm);
  const apart = rimIsApart(plan);
  const drawn: DrawnZone[] = [];
  const band = (colour: string | undefined, fromMm: number, toMm: number, from?: EdgeLine, to?: EdgeLine, turn?: Turn): void => {
    if (colour !== undefined && toMm > fromMm) drawn.push({ path: bandPath(sheet, fromMm, toMm, from, to, turn), colour });
  };
  const glaze = (layers: readonly Layer[]): string | undefined => {
    const top = layers.at(-1);
    return top && colourOf(top, plan, colours);
  };
  band(glaze(zones.outside), waxFootMm, apart ? rimFrom : sheet.topMm, edges?.wax, apart ? edges?.rim : undefined);
  band(glaze(zones.rim), rimFrom, sheet.topMm, edges?.rim);
  for (const strip of strips) band(glaze(strip.layers), strip.fromMm, strip.toMm, strip.edge, strip.edge, strip.turn);
  band(glaze(zones.foot), 0, Math.max(3, waxFootMm));
  for (const mask of masks) if (mask.where !== 'hole') band(wax, mask.fromMm, mask.toMm, undefined, undefined, mask.turn);
  if (waxFootMm > 0) band(wax, 0, waxFootMm, undefined, edges?.wax);
  return drawn;
}

/** A band on the seen quarter of the turn: from the middle of the front to the outline. */
function bandPath(sheet: Sheet, fromMm: number, toMm: number, from?: EdgeLine, to?: EdgeLine, turn?: Turn): string {
  const [start, end] = seenPart(turn);
  if (end <= start) return '';
  // A level edge is one straight line.
  const edge = (heightMm: number, of: EdgeLine | undefined): string[] => {
    const parts = of && of.kind !== 'straight' ? ACROSS : 1;
    return Array.from({ length: parts + 1 }, (_, at) => {
      const share = start + ((end - start) * at) / parts;
      const height = Math.min(sheet.topMm, Math.max(0, heightMm + edgeOffsetMm(of, share)));
      return sheet.at(sheet.halfWidthAt(height) * across(share, sheet.shape), height);
    });
  };
  const side = (share: number): string[] => {
    const out = across(share, sheet.shape);
    // The middle of the front is a straight line, however the outline goes.
    if (out === 0) return [];
    return sheet
      .between(fromMm + edgeOffsetMm(from, share), toMm + edgeOffsetMm(to, share))
      .map((point) => sheet.at(sheet.halfWidthOf(point) * out, point.heightMm));
  };
  const path = [...edge(fromMm, from), ...side(end), ...edge(toMm, to).reverse(), ...side(start).reverse()];
  return `M${path.join('L')}Z`;
}

/** How far right a place of the turn is seen, as a share of the outline. */
const across = (share: number, shape: PieceShape): number => (shape.slabMm === undefined ? Math.sin(2 * Math.PI * share) : 4 * share);

/** What of a panel is seen: the quarter from the front to the right. A panel over the front begins before it. */
function seenPart(turn: Turn | undefined): [number, number] {
  if (!turn) return [0, 0.25];
  const from = turn.from > turn.to ? turn.from - 1 : turn.from;
  return [Math.max(0, from), Math.min(0.25, turn.to)];
}
