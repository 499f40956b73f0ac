import type { Mask } from './mask';
import type { Turn } from './strip';

/** A band of a piece: between two heights, mm above the shelf. */
export interface Band {
  fromMm: number;
  toMm: number;
}

/**
 * Returns whether a mask keeps glaze off; scraped and sponged places take glaze first and lose it again.
 *
 * @param mask - its `kind`
 * @example
 * keepsOff({ kind: 'wax' }) // true
 */
export const keepsOff = (mask: Pick<Mask, 'kind'>): boolean => mask.kind === 'wax' || mask.kind === 'tape';

/**
 * Returns the arcs of the turn in which the same masks apply, each with the masks of it. Together the arcs are once round.
 *
 * @param masks - bands go all round, panels a part of it
 * @example
 * maskedArcs([]).map(({ share }) => share) // [1]
 */
export function maskedArcs(masks: readonly Mask[]): { share: number; masks: Mask[] }[] {
  const edges = [...new Set([0, 1, ...masks.flatMap(({ turn }) => (turn ? [turn.from, turn.to] : []))])].sort((a, b) => a - b);
  return edges.slice(1).map((to, index) => {
    const from = edges[index]!;
    const middle = (from + to) / 2;
    return { share: to - from, masks: masks.filter(({ turn }) => turn === undefined || isOn(turn, middle)) };
  });
}

/**
 * Returns what is left of a band between masks.
 *
 * @param band - from and to, mm
 * @param masks - bands that are taken out; they may overlap
 * @example
 * leftOf({ fromMm: 0, toMm: 100 }, [{ fromMm: 20, toMm: 40 }]) // [{ fromMm: 0, toMm: 20 }, { fromMm: 40, toMm: 100 }]
 */
export function leftOf(band: Band, masks: readonly Band[]): Band[] {
  const left: Band[] = [];
  let fromMm = band.fromMm;
  for (const mask of [...masks].sort((a, b) => a.fromMm - b.fromMm)) {
    if (mask.toMm <= fromMm || mask.fromMm >= band.toMm) continue;
    if (mask.fromMm > fromMm) left.push({ fromMm, toMm: mask.fromMm });
    fromMm = Math.max(fromMm, mask.toMm);
  }
  if (fromMm < band.toMm) left.push({ fromMm, toMm: band.toMm });
  return left;
}

/**
 * Returns whether a place of the turn lies on a panel, which may go over the place where the turn begins.
 *
 * @param turn - from and to, shares of the turn
 * @param at - share of the turn, 0–1
 * @example
 * isOn({ from: 0.9, to: 0.15 }, 0.05) // true
 */
export const isOn = ({ from, to }: Turn, at: number): boolean => (from <= to ? at >= from && at <= to : at >= from || at <= to);
