import type { FlowGuess } from '../chemistry/flow-guess';
import { meltedMm } from '../coat/weight/from-weight';
import { tallMm, type PieceShape } from '../geometry/piece-form';
import { roundShare } from '../plan/areas';
import { isTurnedOver, type PiecePlan } from '../plan/piece-plan';
import { firingRatioOf } from './firing-of-plan';
import { OVERLAP_OMEGA } from './overlap-omega';
import type { RunLayer, RunMoment } from './film';
import { clipped, gripBands, insideBands, outsideBands, type Band } from './plan-bands';
import { alongTo } from './strip-heights';
import { LONGEST_CELL_MM, wallStrip, type WallStrip } from './wall-strip';
import { wallSurface } from './wall-texture';
import { runPath, type RunSide } from './run-path';
import { coatingKindOf, type Layer } from '../plan/layer';
import { isOnWall, type Strip } from '../plan/strip';
import { handleMask } from '../plan/mask';
import type { GlazeFacts } from '../plan/facts';
import type { Texture } from '../plan/texture';

/** One layer of a plan where it lies before the fire, with what is known of its flow. */
export interface PlannedLayer {
  layer: Layer;
  name: string;
  /** From and to along the strip, mm from its top. */
  fromMm: number;
  toMm: number;
  meltedMm: number;
  flow: number;
  flowLnSd: number;
  /** What its flow rests on, and how many fired feet and measured pieces are part of it. */
  basis: FlowGuess['basis'];
  feet: number;
  pieces: number;
}

/** One side of a piece, ready for the solver, from the rim down. */
export interface SideToRun {
  side: RunSide;
  /** Which panel, where it is one. */
  panelId?: string | undefined;
  strip: WallStrip;
  layers: readonly PlannedLayer[];
  /** For each cell: what stays on the wall, mm, and how many times as thick the melt lies in flutes. */
  stuckMm: Float64Array;
  gathers: Float64Array;
  /** Lower edge of the glaze before the fire, mm down the strip, and how long the strip is. */
  startMm: number;
  endMm: number;
  /** Where it ends: on the shelf, in the middle of the floor, or at a rim that hangs free over the shelf. */
  endsAt: 'shelf' | 'floor' | 'rim';
  /** What may gather at its end before it drips, mm³. */
  endHoldsMm3: number;
  overlaps?: readonly PairFlow[] | undefined;
}

/** How many times as much two glazes run together as by themselves: learnt, or the starting guess. */
export interface PairFlow {
  a: string;
  b: string;
  omega: number;
  lnSd: number;
  /** How many fired pieces are part of it, besides tiles; none where left out. */
  pieces?: number | undefined;
}

/** A plan whose glaze may run. */
export interface PieceRunQuestion {
  plan: PiecePlan;
  shape: PieceShape;
  glazes: readonly GlazeFacts[];
  /** How many times as much glaze flows in this firing as in the reference one; as the plan says when left out. */
  firingRatio?: number;
  /** In place of what the plan says of that side. */
  texture?: Texture;
  /** Pairs whose ω was measured in this studio. */
  overlaps?: readonly PairFlow[];
}

/** One of its sides. */
export interface SideQuestion extends PieceRunQuestion {
  side: RunSide;
  /** Which panel; the one that runs furthest when left out. */
  panelId?: string | undefined;
  cellMm?: number;
}

/**
 * Returns a plan's coats as they lie melted on one side of its piece; undefined where that side stays bare. Edges that are not level count at
 * their lowest.
 *
 * @param question - plan, shape, glazes and side; firing, texture and measured pairs where they are known
 * @example
 * sideToRun({ plan: { shapeId: 'cup', zones: { inside: [], outside: [{ id: 'a', bucketId: 'ash', method: 'dip', coatMm: 0.5 }], rim: [], foot: [] }, waxFootMm: 10, rimBandMm: 0, order: [], putAside: [] }, shape: shapeOf({ shapeId: 'cup' }), glazes: [{ bucketId: 'ash', name: 'Ash', lightness: 0.7, sg: 1.45, density: 2.6, packing: 0.5, filmMm: 0.15, slurryState: 'normal', shrinkShare: 15, loiPercent: 8, flow: { flow: 60, lnSd: 0.5, basis: 'pottersWord' }, surface: 'gloss', foodTested: true, firedPercent: {}, unity: {} }], side: 'inside' })
 * // undefined
 */
export function sideToRun(question: SideQuestion): SideToRun | undefined {
  const { plan, shape, glazes, side, firingRatio = firingRatioOf(plan), overlaps, cellMm = LONGEST_CELL_MM } = question;
  const isUpsideDown = isTurnedOver(plan);
  const downhill = runPath(shape, side, isUpsideDown);
  const panel = side === 'panel' ? panelToRun(question) : undefined;
  if (!downhill || (side === 'panel' && !panel)) return undefined;
  const strip = wallStrip({ downhill, cellMm });
  const endMm = strip.count * strip.cellMm;
  const onWall = side === 'inside' ? insideBands(plan, shape) : side === 'grip' ? gripBands(plan, shape) : outsideBands(plan, shape, panel);
  // A handle that is left out brings nothing down; the wall below it has its own glaze.
  const bands = side === 'grip' && handleMask(plan) ? clipped(onWall, shape.grip!.lowerMm) : onWall;
  const topMm = tallMm(shape);
  const asItStands = isUpsideDown ? bands.map((band) => ({ ...band, fromMm: topMm - band.toMm, toMm: topMm - band.fromMm })) : bands;
  const layers = asItStands.flatMap((band) => placed(band, strip, glazes, firingRatio));
  if (layers.length === 0) return undefined;
  return {
    side,
    ...(panel ? { panelId: panel.id } : {}),
    strip,
    layers,
    ...wallSurface({ plan, shape, side, strip, panel, texture: question.texture }),
    startMm: Math.max(...layers.map((layer) => layer.toMm)),
    endMm,
    // A lid stands on its rim: what comes down there sticks.
    endsAt: plan.setting === 'upsideDown' ? 'rim' : side === 'inside' && !isUpsideDown ? 'floor' : 'shelf',
    endHoldsMm3: plan.setting === 'upsideDown' ? BEAD_MM2 * strip.radiusMm.at(-1)! * 2 * Math.PI : 0,
    overlaps,
  };
}

/**
 * Returns every side of a plan on which something may run: the outside, each panel by itself, handle or lug, inside.
 *
 * @param question - as for `sideToRun`, without a side
 * @example
 * sidesToRun({ plan: { shapeId: 'cup', zones: { inside: [], outside: [{ id: 'a', bucketId: 'ash', method: 'dip', coatMm: 0.5 }], rim: [], foot: [] }, waxFootMm: 10, rimBandMm: 0, order: [], putAside: [] }, shape: shapeOf({ shapeId: 'cup' }), glazes: [{ bucketId: 'ash', name: 'Ash', lightness: 0.7, sg: 1.45, density: 2.6, packing: 0.5, filmMm: 0.15, slurryState: 'normal', shrinkShare: 15, loiPercent: 8, flow: { flow: 60, lnSd: 0.5, basis: 'pottersWord' }, surface: 'gloss', foodTested: true, firedPercent: {}, unity: {} }] }).map(({ side }) => side)
 * // ['outside']
 */
export function sidesToRun(question: PieceRunQuestion & { cellMm?: number }): SideToRun[] {
  const asked: [RunSide, string?][] = [
    ['outside'],
    ...panelsOf(question.plan).map(({ id }): [RunSide, string] => ['panel', id]),
    ['grip'],
    ['inside'],
  ];
  return asked.flatMap(([side, panelId]) => sideToRun({ ...question, side, panelId }) ?? []);
}

/**
 * Returns one name for each side of a plan.
 *
 * @param side - the side, and which panel
 * @example
 * sideKey({ side: 'outside' }) // 'outside'
 */
export const sideKey = ({ side, panelId }: Pick<SideToRun, 'side' | 'panelId'>): string => panelId ?? side;

function placed({ layer, fromMm, toMm }: Band, strip: WallStrip, glazes: readonly GlazeFacts[], firingRatio: number): PlannedLayer[] {
  const glaze = glazes.find((facts) => facts.bucketId === layer.bucketId);
  const [top, bottom] = [alongTo(strip, toMm), alongTo(strip, fromMm)];
  if (!glaze || coatingKindOf(layer) !== 'glaze' || bottom <= top) return [];
  const { flow, lnSd, basis, feet = 0, pieces = 0 } = glaze.flow;
  return [
    {
      layer,
      name: glaze.name,
      fromMm: top,
      toMm: bottom,
      meltedMm: meltedMm({ ...glaze, coatMm: layer.coatMm }),
      flow: flow * firingRatio,
      flowLnSd: lnSd,
      basis,
      feet,
      pieces,
    },
  ];
}

/** Cross-section of the bead that hangs at a rim before it drips, half round and 3 mm wide, mm²: a rule of the bench. */
const BEAD_MM2 = 3.5;

const panelsOf = ({ strips = [] }: PiecePlan): Strip[] =>
  strips.filter((strip) => isOnWall(strip) && strip.turn !== undefined && roundShare(strip.turn) > 0 && strip.layers.length > 0);

/** The panel that was asked for, or the one that runs furthest: a film runs by the square of its thickness times its flow. */
function panelToRun({ plan, glazes, panelId }: SideQuestion): Strip | undefined {
  const panels = panelsOf(plan);
  if (panelId !== undefined) return panels.find((panel) => panel.id === panelId);
  const goes = (panel: Strip): number =>
    panel.layers.reduce((sum, layer) => sum + layer.coatMm, 0) ** 2 *
    Math.max(...panel.layers.map((layer) => glazes.find((glaze) => glaze.bucketId === layer.bucketId)?.flow.flow ?? 0));
  return panels.reduce<Strip | undefined>((most, panel) => (most && goes(most) >= goes(panel) ? most : panel), undefined);
}

/**
 * Returns the layers of a side as the solver takes them: each a band of one thickness.
 *
 * @param side - from `sideToRun`
 * @param scale - thickness and flow of a layer, as multiples; 1 when left out
 * @example
 * runLayers(sideToRun({ plan: { shapeId: 'cup', zones: { inside: [], outside: [{ id: 'a', bucketId: 'ash', method: 'dip', coatMm: 0.5 }], rim: [], foot: [] }, waxFootMm: 10, rimBandMm: 0, order: [], putAside: [] }, shape: shapeOf({ shapeId: 'cup' }), glazes: [{ bucketId: 'ash', name: 'Ash', lightness: 0.7, sg: 1.45, density: 2.6, packing: 0.5, filmMm: 0.15, slurryState: 'normal', shrinkShare: 15, loiPercent: 8, flow: { flow: 60, lnSd: 0.5, basis: 'pottersWord' }, surface: 'gloss', foodTested: true, firedPercent: {}, unity: {} }], side: 'outside' })).length
 * // 1
 */
export function runLayers(side: SideToRun, scale?: (layer: number) => { coat: number; flow: number }): RunLayer[] {
  const { strip, layers } = side;
  return layers.map(({ fromMm, toMm, meltedMm: mm, flow }, index) => {
    const { coat, flow: flows } = scale?.(index) ?? { coat: 1, flow: 1 };
    const row = new Float64Array(strip.count);
    for (let cell = 0; cell < strip.count; cell++) {
      const [top, bottom] = [cell * strip.cellMm, (cell + 1) * strip.cellMm];
      const covered = Math.max(0, Math.min(bottom, toMm) - Math.max(top, fromMm));
      row[cell] = (mm * coat * covered) / strip.cellMm;
    }
    return { meltedMm: row, flow: flow * flows };
  });
}

/**
 * Returns ω of a pair of buckets and the sd of its ln: measured, or the starting guess; 1 for a glaze over itself.
 *
 * @param overlaps - measured pairs
 * @param a - a bucket
 * @param b - a bucket
 * @example
 * pairFlow(undefined, 'ash', 'ash') // { omega: 1, lnSd: 0 }
 */
export function pairFlow(overlaps: readonly PairFlow[] | undefined, a: string, b: string): { omega: number; lnSd: number } {
  if (a === b) return { omega: 1, lnSd: 0 };
  return overlaps?.find((pair) => (pair.a === a && pair.b === b) || (pair.a === b && pair.b === a)) ?? OVERLAP_OMEGA;
}

/**
 * Returns a function that gives ω of two layers of a side.
 *
 * @param side - from `sideToRun`
 * @param away - how many sd all pairs lie away from the middle; 0 when left out
 * @example
 * overlapOf({ layers: [{ layer: { bucketId: 'a' } }, { layer: { bucketId: 'b' } }], overlaps: undefined })(0, 1) // 1.3
 */
export const overlapOf =
  (side: SideToRun, away = 0) =>
  (a: number, b: number): number => {
    const { omega, lnSd } = pairFlow(side.overlaps, side.layers[a]!.layer.bucketId, side.layers[b]!.layer.bucketId);
    return omega * Math.exp(away * lnSd);
  };

/**
 * Returns whether a side's glaze has come to its end: onto the shelf, or off a rim, once more hangs there than a bead.
 *
 * @param side - from `sideToRun`
 * @param moment - of its run
 * @example
 * reachedEnd({ endHoldsMm3: 0 }, { isAtEnd: true, offMm3: 0 }) // true
 */
export const reachedEnd = ({ endHoldsMm3 }: Pick<SideToRun, 'endHoldsMm3'>, { isAtEnd, offMm3 }: Pick<RunMoment, 'isAtEnd' | 'offMm3'>): boolean =>
  endHoldsMm3 > 0 ? offMm3 > endHoldsMm3 : isAtEnd;

/** What has not reached the end of a side stops this far before it, mm. */
const SHORT_OF_END_MM = 1e-6;

/**
 * Returns where the lower edge of a side lies, mm down its strip: never above where it started.
 *
 * @param side - from `sideToRun`
 * @param moment - of its run
 * @param hasReached - whether it has come to the end by then
 * @example
 * frontOf({ startMm: 10, endMm: 90 }, { frontMm: 50 }, false) // 50
 */
export const frontOf = (
  { startMm, endMm }: Pick<SideToRun, 'startMm' | 'endMm'>,
  { frontMm = startMm }: Pick<RunMoment, 'frontMm'>,
  hasReached: boolean,
): number => (hasReached ? endMm : Math.min(Math.max(startMm, frontMm), endMm - SHORT_OF_END_MM));
