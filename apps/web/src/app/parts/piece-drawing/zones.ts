import {
  edgeOffsetMm,
  isBand,
  isOnWall,
  isOutside,
  rimIsApart,
  type EdgeLine,
  type Layer,
  type PiecePlan,
  type PieceShape,
  type Turn,
} from '@cazuela/core';
import { colourOf } from './colours';
import { rimFromMm } from './labels';
import type { Sheet } from './sheet';

/** Number of places across the visible quarter of the turn. */
const ACROSS = 12;

export interface DrawnZone {
  /** The corners of its area. */
  points: string;
  colour: string;
}

/** The outside as it will look, with `seenFrom` in front: its uppermost glazes, wax over bare clay, strips and panels over them. */
export function zonesOf(sheet: Sheet, plan: PiecePlan, colours: ReadonlyMap<string, string>, wax: string, seenFrom = 0): DrawnZone[] {
  const { zones, waxFootMm, edges, strips = [], masks = [] } = plan;
  const rimFrom = rimFromMm(plan, sheet.topMm);
  const apart = rimIsApart(plan);
  const drawn: DrawnZone[] = [];
  const band = (colour: string | undefined, fromMm: number, toMm: number, from?: EdgeLine, to?: EdgeLine, turn?: Turn): void => {
    if (colour !== undefined && toMm > fromMm) drawn.push({ points: bandOf(sheet, seenFrom, fromMm, toMm, from, to, turn), colour });
  };
  const glaze = (layers: readonly Layer[]): string | undefined => {
    const top = layers.at(-1);
    return top && colourOf(top, plan, colours);
  };
  band(glaze(zones.outside), waxFootMm, apart ? rimFrom : sheet.topMm, edges?.wax, apart ? edges?.rim : undefined);
  band(glaze(zones.rim), rimFrom, sheet.topMm, edges?.rim);
  for (const strip of strips.filter(isOnWall)) band(glaze(strip.layers), strip.fromMm, strip.toMm, strip.edge, strip.edge, strip.turn);
  band(glaze(zones.foot), 0, Math.max(3, waxFootMm));
  for (const mask of masks) if (isBand(mask) && isOutside(mask)) band(wax, mask.fromMm, mask.toMm, undefined, undefined, mask.turn);
  if (waxFootMm > 0) band(wax, 0, waxFootMm, undefined, edges?.wax);
  return drawn;
}

/** A band on the visible quarter of the turn: from the middle of the front to the outline. */
function bandOf(sheet: Sheet, seenFrom: number, fromMm: number, toMm: number, from?: EdgeLine, to?: EdgeLine, turn?: Turn): string {
  const [start, end] = seenPart(turn, seenFrom);
  if (end <= start) return '';
  // A level edge is one straight line.
  const edge = (heightMm: number, of: EdgeLine | undefined, first: number, last: number): string => {
    const parts = of && of.kind !== 'straight' ? ACROSS : 1;
    let line = '';
    for (let at = 0; at <= parts; at++) {
      const share = first + ((last - first) * at) / parts;
      const height = Math.min(sheet.topMm, Math.max(0, heightMm + edgeOffsetMm(of, share + seenFrom)));
      line += `${sheet.at(sheet.halfWidthAt(height) * acrossAt(share, sheet.shape), height)} `;
    }
    return line;
  };
  const side = (share: number, backwards: boolean): string => {
    const out = acrossAt(share, sheet.shape);
    // The middle of the front is a straight line, whatever the outline.
    if (out === 0) return '';
    const along = sheet.between(fromMm + edgeOffsetMm(from, share + seenFrom), toMm + edgeOffsetMm(to, share + seenFrom));
    return sheet.seen(along, out, backwards);
  };
  return `${edge(fromMm, from, start, end)}${side(end, false)} ${edge(toMm, to, end, start)}${side(start, true)}`.trim();
}

/** The part of the turn that is visible at once: from the front to the right outline. */
export const SEEN_SHARE = 0.25;

/** Returns how far right a place so far round from the front is seen, as a share of the outline. */
export const acrossAt = (share: number, { slabMm }: Pick<PieceShape, 'slabMm'>): number =>
  slabMm === undefined ? Math.sin(2 * Math.PI * share) : share / SEEN_SHARE;

/** Returns which share of the turn is seen so far right. */
export function shareAcross(across: number, { slabMm }: Pick<PieceShape, 'slabMm'>): number {
  const out = Math.min(1, Math.max(0, across));
  return slabMm === undefined ? Math.asin(out) / (2 * Math.PI) : out * SEEN_SHARE;
}

/** Round from the front that is seen, -½ to ½. */
export const fromFront = (share: number, seenFrom: number): number => ((((share - seenFrom + 0.5) % 1) + 1) % 1) - 0.5;

/** Returns the visible part of a panel. One over the front begins before it. */
function seenPart(turn: Turn | undefined, seenFrom: number): [number, number] {
  if (!turn) return [0, SEEN_SHARE];
  const to = fromFront(turn.to, seenFrom);
  const wide = (turn.to - turn.from + 1) % 1 || 1;
  // Beyond the outline it may come round to the front again from behind.
  const from = to < 0 ? to + 1 - wide : to - wide;
  return [Math.max(0, from), Math.min(SEEN_SHARE, to < 0 ? to + 1 : to)];
}
