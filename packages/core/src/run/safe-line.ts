import { tallMm } from '../geometry/piece-form';
import { bisectWhole } from '../math/bisect';
import type { DrawnRuns } from './draw-runs';
import { LineDraws, type LineChances } from './line-draws';
import { quickBand, quickRun } from './quick-run';
import type { PieceRunQuestion } from './piece-run';
import { quickForecast } from './run-forecast';
import { SAFE_CHANCE } from './safe-chance';

export type SafeLine =
  | { kind: 'ok'; waxFootMm: number; chance: number }
  /** Even a start high up does not keep it off the shelf, or off the rim it stands on. */
  | { kind: 'none' };

/** The highest wax line that is offered, as a share of the height. */
const HIGHEST_SHARE = 0.7;

/**
 * Returns the lowest line, in whole mm, at which the outside may start so that it comes within 2 mm of the shelf less often than 1 in 20 (M1 and
 * M4). From the same 2,000 draws as the forecast.
 *
 * @param question - plan, shape, glazes, firing and texture
 * @param drawn - all draws of each side of the plan as it is, by its key; drawn here when left out
 * @example
 * safeLine({ plan: { shapeId: 'cup', zones: { inside: [], outside: [{ id: 'a', bucketId: 'ash', method: 'dip', coatMm: 0.5 }], rim: [], foot: [] }, waxFootMm: 10, rimBandMm: 0, order: [], putAside: [] }, shape: shapeOf({ shapeId: 'cup' }), glazes: [{ bucketId: 'ash', name: 'Ash', lightness: 0.7, sg: 1.45, density: 2.6, packing: 0.5, filmMm: 0.15, slurryState: 'normal', shrinkShare: 15, loiPercent: 8, flow: { flow: 60, lnSd: 0.5, basis: 'pottersWord' }, surface: 'gloss', foodTested: true, firedPercent: {}, unity: {} }] }).kind
 * // 'ok'
 */
export function safeLine(question: PieceRunQuestion, drawn: Readonly<Record<string, DrawnRuns>> = {}): SafeLine {
  const highest = highestLine(question);
  const known = new Map<number, LineChances>();
  const lines = new LineDraws(question, drawn);
  const at = (waxFootMm: number): LineChances => {
    const chances = known.get(waxFootMm) ?? lines.chancesAt(waxFootMm);
    known.set(waxFootMm, chances);
    return chances;
  };
  const isSafe = (waxFootMm: number): boolean => at(waxFootMm).near < SAFE_CHANCE;
  // The quick look is near the answer: the draws search from there.
  let high = quickSafeLine(question) ?? highest;
  for (let step = 1; !isSafe(high); step *= 2) {
    if (high >= highest) return { kind: 'none' };
    high = Math.min(highest, high + step);
  }
  let low = high - 1;
  for (let step = 2; low >= 0 && isSafe(low); step *= 2) {
    high = low;
    low = Math.max(-1, low - step);
  }
  const lowest = high - low <= 1 ? high : bisectWhole({ low, high, isPast: isSafe });
  return { kind: 'ok', waxFootMm: lowest, chance: at(lowest).reach };
}

/**
 * Returns where the glaze has to start for its edge to end at a wanted height, mm above the shelf, in the middle case.
 *
 * @param question - plan, shape, glazes, firing and texture
 * @param wantedMm - height of the fired edge
 * @example
 * startForEdge({ plan: { shapeId: 'cup', zones: { inside: [], outside: [{ id: 'a', bucketId: 'ash', method: 'dip', coatMm: 0.5 }], rim: [], foot: [] }, waxFootMm: 10, rimBandMm: 0, order: [], putAside: [] }, shape: shapeOf({ shapeId: 'cup' }), glazes: [{ bucketId: 'ash', name: 'Ash', lightness: 0.7, sg: 1.45, density: 2.6, packing: 0.5, filmMm: 0.15, slurryState: 'normal', shrinkShare: 15, loiPercent: 8, flow: { flow: 60, lnSd: 0.5, basis: 'pottersWord' }, surface: 'gloss', foodTested: true, firedPercent: {}, unity: {} }] }, 10) > 10
 * // true
 */
export function startForEdge(question: PieceRunQuestion, wantedMm: number): number {
  let start = wantedMm;
  for (let round = 0; round < 4; round++) start = wantedMm + middleRunMm(question, start);
  return start;
}

/**
 * Returns the lowest safe line by the quick look, mm; undefined where none is safe.
 *
 * @param question - plan, shape, glazes, firing and texture
 * @example
 * quickSafeLine({ plan: { shapeId: 'cup', zones: { inside: [], outside: [{ id: 'a', bucketId: 'ash', method: 'dip', coatMm: 0.5 }], rim: [], foot: [] }, waxFootMm: 10, rimBandMm: 0, order: [], putAside: [] }, shape: shapeOf({ shapeId: 'cup' }), glazes: [{ bucketId: 'ash', name: 'Ash', lightness: 0.7, sg: 1.45, density: 2.6, packing: 0.5, filmMm: 0.15, slurryState: 'normal', shrinkShare: 15, loiPercent: 8, flow: { flow: 60, lnSd: 0.5, basis: 'pottersWord' }, surface: 'gloss', foodTested: true, firedPercent: {}, unity: {} }] }) > 0 // true
 */
export function quickSafeLine(question: PieceRunQuestion): number | undefined {
  const { plan, ...rest } = question;
  const isSafe = (waxFootMm: number): boolean =>
    quickForecast({ ...rest, plan: { ...plan, waxFootMm } }).sides.every(({ nearChance }) => nearChance < SAFE_CHANCE);
  const highest = highestLine(question);
  const line = bisectWhole({ low: -1, high: highest, isPast: isSafe });
  return line < highest || isSafe(line) ? line : undefined;
}

const highestLine = ({ shape }: PieceRunQuestion): number => Math.floor(HIGHEST_SHARE * tallMm(shape));

function middleRunMm({ plan, ...rest }: PieceRunQuestion, waxFootMm: number): number {
  const quick = quickRun({ ...rest, plan: { ...plan, waxFootMm: Math.max(0, waxFootMm) }, side: 'outside' });
  return quick ? quickBand(quick).middleMm : 0;
}
