import { placeWords, coatingKindOf, type Layer, type PiecePlan } from '@cazuela/core';
import type { Sheet } from './sheet';

/** Smallest distance between labels on one side. */
const LABEL_APART = 42;
const LONGEST_LABEL = 22;
/** A line to a coat ends inside it. */
const INTO_COAT = 2;

/** Zone, glaze and coat beside the drawing, with a line to the place. */
export interface DrawnLabel {
  key: string;
  what: string;
  how: string;
  /** Where the line points to, and where the words are. */
  y: number;
  textY: number;
  fromX: number;
  x: number;
  textX: number;
  anchor: 'start' | 'end';
}

export const rimFromMm = ({ waxFootMm, rimBandMm }: PiecePlan, topMm: number): number => Math.max(waxFootMm, topMm - rimBandMm);

export function labelsOf(sheet: Sheet, plan: PiecePlan, names: ReadonlyMap<string, string>, gripOut: number): DrawnLabel[] {
  const { zones, waxFootMm, strips = [] } = plan;
  const rimFrom = zones.rim.length > 0 ? rimFromMm(plan, sheet.topMm) : sheet.topMm;
  const label = (key: string, what: string, layers: readonly Layer[], heightMm: number, side: 1 | -1): DrawnLabel[] => {
    if (layers.length === 0) return [];
    const each = layers.map((layer) => `${names.get(layer.bucketId) ?? coatingKindOf(layer)} ${layer.coatMm} mm`).join(' + ');
    // Labels that do not fit beside the piece are counted.
    const how = each.length > LONGEST_LABEL && layers.length > 1 ? `${layers.length} coats` : each;
    const x = side * (sheet.fit.halfWidth + (side > 0 ? gripOut : 0) + 12);
    const y = sheet.y(heightMm);
    const isWithin = side < 0 && sheet.inner.length > 0;
    const fromX = isWithin ? INTO_COAT - sheet.halfWidthAt(heightMm, sheet.inner) : side * sheet.halfWidthAt(heightMm);
    return [{ key, what, how, y, textY: y, fromX, x, textX: x + side * 5, anchor: side > 0 ? 'start' : 'end' }];
  };
  const right = [
    ...label('rim', 'Rim band', zones.rim, (rimFrom + sheet.topMm) / 2, 1),
    ...strips.flatMap((strip) => label(strip.id, capital(placeWords(strip.id, plan)), strip.layers, (strip.fromMm + strip.toMm) / 2, 1)),
    ...label('outside', 'Outside', zones.outside, waxFootMm + (rimFrom - waxFootMm) * 0.4, 1),
  ].sort((a, b) => a.y - b.y);
  for (let at = 1; at < right.length; at++) right[at]!.textY = Math.max(right[at]!.textY, right[at - 1]!.textY + LABEL_APART);
  return [...label('inside', 'Inside', zones.inside, sheet.topMm * 0.72, -1), ...right];
}

const capital = (words: string): string => {
  const plain = words.replace(/^the /, '');
  return plain.charAt(0).toUpperCase() + plain.slice(1);
};
