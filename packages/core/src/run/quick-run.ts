import type { RunMoment } from './film';
import { COAT_LN_SD, KILN_LN_SD, SHELF_MARGIN_MM } from './draw-runs';
import {
  frontOf,
  overlapOf,
  pairFlow,
  reachedEnd,
  runLayers,
  sideToRun,
  sidesToRun,
  type PieceRunQuestion,
  type SideQuestion,
  type SideToRun,
} from './piece-run';
import { solveRun } from './run-solver';
import { EIGHTY_PERCENT_Z, NINETY_FIVE_PERCENT_Z, normalShareBelow } from '../math/normal';

/** Coarse, so that one solve fits into a frame while something is dragged, mm; finer where an edge starts near its end, or it would seem to be there already. */
const QUICK_CELL_MM = 3;
const NEAR_CELL_MM = 1;
const NEAR_END_MM = 12;
/** An odd number, so that the middle is one of them. */
const LOOKS = 41;
/** Flow multipliers from 1/24 to 24 of the middle: past three sd of what is known least. */
const LN_SPAN = Math.log(24);

/** Where the lower edge ends, by how many times as much as the middle it flows. */
export interface QuickRun {
  side: SideToRun;
  /** ln of the multiplier, rising, and the edge down the strip for it, mm. */
  lnMore: Float64Array;
  frontMm: Float64Array;
  /** sd of the ln of the multiplier: coats, flow, pairs and kiln together. */
  lnSd: number;
  /** The film itself in the middle case. */
  middle: RunMoment;
}

/**
 * Returns one solve that stands for every draw: a film k times as thick at a flow of F runs as one of k²F, so time through the solver stands
 * for all of them. Undefined where the side stays bare.
 *
 * Accuracy: the mixture of the middle film is kept, so it is near the full draws, within a millimetre or two where layers differ much.
 *
 * @param question - as for `sideToRun`, without a cell size
 * @example
 * quickRun({ plan: { shapeId: 'cup', zones: { inside: [], outside: [{ id: 'a', bucketId: 'ash', method: 'dip', coatMm: 0.5 }], rim: [], foot: [] }, waxFootMm: 10, rimBandMm: 0, order: [], putAside: [] }, shape: shapeOf({ shapeId: 'cup' }), glazes: [{ bucketId: 'ash', name: 'Ash', lightness: 0.7, sg: 1.45, density: 2.6, packing: 0.5, filmMm: 0.15, slurryState: 'normal', shrinkShare: 15, loiPercent: 8, flow: { flow: 60, lnSd: 0.5, basis: 'pottersWord' }, surface: 'gloss', foodTested: true, firedPercent: {}, unity: {} }], side: 'inside' })
 * // undefined
 */
export function quickRun(question: Omit<SideQuestion, 'cellMm'>): QuickRun | undefined {
  const side = sideToRun({ ...question, cellMm: QUICK_CELL_MM });
  return side && quickRunOf(fineNearEnd(question, side));
}

const fineNearEnd = (question: PieceRunQuestion, side: SideToRun): SideToRun =>
  side.endsAt !== 'floor' && side.endMm - side.startMm < NEAR_END_MM
    ? (sideToRun({ ...question, side: side.side, panelId: side.panelId, cellMm: NEAR_CELL_MM }) ?? side)
    : side;

/** The same for a side that is cut already, in coarse cells. */
function quickRunOf(side: SideToRun): QuickRun {
  const most = Math.exp(LN_SPAN);
  const lnMore = Float64Array.from({ length: LOOKS }, (_, at) => -LN_SPAN + (2 * LN_SPAN * at) / (LOOKS - 1));
  const { moments } = solveRun({
    strip: side.strip,
    layers: runLayers(side, () => ({ coat: 1, flow: most })),
    overlap: overlapOf(side),
    stuckMm: side.stuckMm,
    gathers: side.gathers,
    lookAt: [...lnMore].map((ln) => Math.min(1, Math.exp(ln - LN_SPAN))),
  });
  const frontMm = Float64Array.from(moments.slice(0, LOOKS), (moment) => {
    const hasReached = reachedEnd(side, moment);
    const front = frontOf(side, moment, hasReached);
    // At a rim glaze may lie without dripping: it counts as there only once it drips.
    return side.endsAt === 'rim' && !hasReached ? Math.min(front, side.endMm - side.strip.cellMm) : front;
  });
  return { side, lnMore, frontMm, lnSd: lnSdOf(side), middle: moments[(LOOKS - 1) / 2]! };
}

/**
 * Returns where the edge ends, mm down the strip.
 *
 * @param quick - from `quickRun`
 * @param sds - how many standard deviations more than the middle it flows
 * @example
 * quickFront(quickRun({ plan: { shapeId: 'cup', zones: { inside: [], outside: [{ id: 'a', bucketId: 'ash', method: 'dip', coatMm: 0.5 }], rim: [], foot: [] }, waxFootMm: 10, rimBandMm: 0, order: [], putAside: [] }, shape: shapeOf({ shapeId: 'cup' }), glazes: [{ bucketId: 'ash', name: 'Ash', lightness: 0.7, sg: 1.45, density: 2.6, packing: 0.5, filmMm: 0.15, slurryState: 'normal', shrinkShare: 15, loiPercent: 8, flow: { flow: 60, lnSd: 0.5, basis: 'pottersWord' }, surface: 'gloss', foodTested: true, firedPercent: {}, unity: {} }], side: 'outside' }), 0) > 0
 * // true
 */
export function quickFront({ lnMore, frontMm, lnSd }: QuickRun, sds: number): number {
  const at = ((sds * lnSd + LN_SPAN) / (2 * LN_SPAN)) * (lnMore.length - 1);
  const low = Math.min(lnMore.length - 2, Math.max(0, Math.floor(at)));
  const share = Math.min(1, Math.max(0, at - low));
  return frontMm[low]! + share * (frontMm[low + 1]! - frontMm[low]!);
}

/**
 * Returns the quick run of every side of a plan.
 *
 * @param question - as for `sidesToRun`
 * @example
 * quickRuns({ plan: { shapeId: 'cup', zones: { inside: [], outside: [], rim: [], foot: [] }, waxFootMm: 10, rimBandMm: 0, order: [], putAside: [] }, shape: shapeOf({ shapeId: 'cup' }), glazes: [] })
 * // []
 */
export const quickRuns = (question: PieceRunQuestion): QuickRun[] =>
  sidesToRun({ ...question, cellMm: QUICK_CELL_MM }).map((side) => quickRunOf(fineNearEnd(question, side)));

export interface QuickBand {
  middleMm: number;
  lowMm: number;
  highMm: number;
  run95Mm: number;
  reachChance: number;
  /** The chance to come within 2 mm of the end, or to it. */
  nearChance: number;
}

/**
 * Returns the run beyond the edge before the fire, mm: the middle, an 80 % band, the 95 % case; and the chance to come down to the end.
 *
 * @param quick - from `quickRun`
 * @example
 * quickBand(quickRun({ plan: { shapeId: 'cup', zones: { inside: [], outside: [{ id: 'a', bucketId: 'ash', method: 'dip', coatMm: 0.5 }], rim: [], foot: [] }, waxFootMm: 10, rimBandMm: 0, order: [], putAside: [] }, shape: shapeOf({ shapeId: 'cup' }), glazes: [{ bucketId: 'ash', name: 'Ash', lightness: 0.7, sg: 1.45, density: 2.6, packing: 0.5, filmMm: 0.15, slurryState: 'normal', shrinkShare: 15, loiPercent: 8, flow: { flow: 60, lnSd: 0.5, basis: 'pottersWord' }, surface: 'gloss', foodTested: true, firedPercent: {}, unity: {} }], side: 'outside' })).middleMm > 0
 * // true
 */
export function quickBand(quick: QuickRun): QuickBand {
  const run = (sds: number): number => Math.max(0, quickFront(quick, sds) - quick.side.startMm);
  return {
    middleMm: run(0),
    lowMm: run(-EIGHTY_PERCENT_Z),
    highMm: run(EIGHTY_PERCENT_Z),
    run95Mm: run(NINETY_FIVE_PERCENT_Z),
    reachChance: chanceBeyond(quick, quick.side.endMm),
    nearChance: chanceBeyond(quick, quick.side.endMm - (quick.side.endsAt === 'shelf' ? SHELF_MARGIN_MM : 0)),
  };
}

/**
 * Returns the chance that the edge comes as far down as this, 0–1.
 *
 * @param quick - from `quickRun`
 * @param alongMm - down the strip
 * @example
 * chanceBeyond(quickRun({ plan: { shapeId: 'cup', zones: { inside: [], outside: [{ id: 'a', bucketId: 'ash', method: 'dip', coatMm: 0.5 }], rim: [], foot: [] }, waxFootMm: 10, rimBandMm: 0, order: [], putAside: [] }, shape: shapeOf({ shapeId: 'cup' }), glazes: [{ bucketId: 'ash', name: 'Ash', lightness: 0.7, sg: 1.45, density: 2.6, packing: 0.5, filmMm: 0.15, slurryState: 'normal', shrinkShare: 15, loiPercent: 8, flow: { flow: 60, lnSd: 0.5, basis: 'pottersWord' }, surface: 'gloss', foodTested: true, firedPercent: {}, unity: {} }], side: 'outside' }), 1e6) < 1
 * // true
 */
export function chanceBeyond(quick: QuickRun, alongMm: number): number {
  const ln = lnToReach(quick, alongMm);
  return ln === undefined ? 0 : 1 - normalShareBelow(ln / quick.lnSd);
}

/**
 * Returns how many times as thick all coats must be for the edge to end so far down, by the square root of self-similarity; undefined when
 * none does.
 *
 * @param quick - from `quickRun`
 * @param alongMm - down the strip
 * @example
 * coatScaleFor(quickRun({ plan: { shapeId: 'cup', zones: { inside: [], outside: [{ id: 'a', bucketId: 'ash', method: 'dip', coatMm: 0.5 }], rim: [], foot: [] }, waxFootMm: 10, rimBandMm: 0, order: [], putAside: [] }, shape: shapeOf({ shapeId: 'cup' }), glazes: [{ bucketId: 'ash', name: 'Ash', lightness: 0.7, sg: 1.45, density: 2.6, packing: 0.5, filmMm: 0.15, slurryState: 'normal', shrinkShare: 15, loiPercent: 8, flow: { flow: 60, lnSd: 0.5, basis: 'pottersWord' }, surface: 'gloss', foodTested: true, firedPercent: {}, unity: {} }], side: 'outside' }), 0)
 * // undefined
 */
export function coatScaleFor(quick: QuickRun, alongMm: number): number | undefined {
  const ln = lnToReach(quick, alongMm);
  return ln === undefined || ln <= -LN_SPAN ? undefined : Math.exp(ln / 2);
}

/**
 * Returns ln of the multiplier of the flow at which the edge first comes so far; undefined when it never does. Within a cell's width counts
 * as there.
 *
 * @param quick - from `quickRun`
 * @param alongMm - down the strip
 * @example
 * lnToReach(quickRun({ plan: { shapeId: 'cup', zones: { inside: [], outside: [{ id: 'a', bucketId: 'ash', method: 'dip', coatMm: 0.5 }], rim: [], foot: [] }, waxFootMm: 10, rimBandMm: 0, order: [], putAside: [] }, shape: shapeOf({ shapeId: 'cup' }), glazes: [{ bucketId: 'ash', name: 'Ash', lightness: 0.7, sg: 1.45, density: 2.6, packing: 0.5, filmMm: 0.15, slurryState: 'normal', shrinkShare: 15, loiPercent: 8, flow: { flow: 60, lnSd: 0.5, basis: 'pottersWord' }, surface: 'gloss', foodTested: true, firedPercent: {}, unity: {} }], side: 'outside' }), 1) < 0
 * // true
 */
export function lnToReach({ lnMore, frontMm, side }: QuickRun, alongMm: number): number | undefined {
  const there = alongMm >= side.endMm ? side.endMm - side.strip.cellMm / 2 : alongMm;
  const at = frontMm.findIndex((front) => front >= there);
  if (at < 0) return undefined;
  if (at === 0) return -LN_SPAN;
  const [before, after] = [frontMm[at - 1]!, frontMm[at]!];
  const share = after > before ? (there - before) / (after - before) : 1;
  return lnMore[at - 1]! + share * (lnMore[at]! - lnMore[at - 1]!);
}

function lnSdOf({ layers, overlaps }: SideToRun): number {
  const whole = layers.reduce((sum, layer) => sum + layer.meltedMm, 0);
  let variance = KILN_LN_SD ** 2;
  const byGlaze = new Map<string, number>();
  layers.forEach((layer, at) => {
    const share = layer.meltedMm / whole;
    byGlaze.set(layer.layer.bucketId, (byGlaze.get(layer.layer.bucketId) ?? 0) + share * layer.flowLnSd);
    variance += (2 * COAT_LN_SD * share) ** 2;
    for (const other of layers.slice(at + 1))
      variance += ((4 * share * other.meltedMm) / whole) ** 2 * pairFlow(overlaps, layer.layer.bucketId, other.layer.bucketId).lnSd ** 2;
  });
  for (const part of byGlaze.values()) variance += part ** 2;
  return Math.sqrt(variance);
}
