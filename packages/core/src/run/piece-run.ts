import { meltedMm } from '../coat/weight/from-weight';
import { tallMm, type PieceShape } from '../geometry/piece-form';
import { FOOT_ZONE_MM, roundShare } from '../plan/areas';
import { edgeDipMm } from '../plan/edge-line';
import { rimIsApart, type PiecePlan } from '../plan/piece-plan';
import { OVERLAP_OMEGA } from './stack-flow';
import type { RunLayer } from './film';
import { alongTo } from './strip-heights';
import { LONGEST_CELL_MM, wallStrip, type WallStrip } from './wall-strip';
import { wallSurface } from './wall-texture';
import { runPath, type RunSide } from './run-path';
import { coatingKindOf, type Layer } from '../plan/layer';
import type { Strip, Turn } from '../plan/strip';
import type { Mask } from '../plan/mask';
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
  /** Whether its flow was neither measured nor told. */
  isGuess: boolean;
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
  /** Lower edge of the glaze before the fire, mm down the strip, and where the strip ends: at the shelf, or in the middle of the floor. */
  startMm: number;
  endMm: number;
  overlaps?: readonly PairFlow[] | undefined;
}

/** How many times as much two glazes run together as by themselves: learnt, or the starting guess. */
export interface PairFlow {
  a: string;
  b: string;
  omega: number;
  lnSd: number;
}

export interface SideQuestion {
  plan: PiecePlan;
  shape: PieceShape;
  glazes: readonly GlazeFacts[];
  side: RunSide;
  /** Which panel; the one that runs furthest when left out. */
  panelId?: string | undefined;
  /** How many times as much glaze flows in this firing as in the reference one. */
  firingRatio?: number;
  /** In place of what the plan says of that side. */
  texture?: Texture;
  /** Pairs whose ω was measured in this studio. */
  overlaps?: readonly PairFlow[];
  cellMm?: number;
}

/** Heights between which a layer lies, mm above the shelf. */
interface Band {
  layer: Layer;
  fromMm: number;
  toMm: number;
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
  const { plan, shape, glazes, side, firingRatio = 1, overlaps, cellMm = LONGEST_CELL_MM } = question;
  const downhill = runPath(shape, side);
  const panel = side === 'panel' ? panelToRun(question) : undefined;
  if (!downhill || (side === 'panel' && !panel)) return undefined;
  const strip = wallStrip({ downhill, cellMm });
  const endMm = strip.count * strip.cellMm;
  const bands = side === 'inside' ? insideBands(plan, shape) : outsideBands(plan, shape, panel);
  const layers = bands.flatMap((band) => placed(band, strip, glazes, firingRatio));
  if (layers.length === 0) return undefined;
  return {
    side,
    ...(panel ? { panelId: panel.id } : {}),
    strip,
    layers,
    ...wallSurface({ plan, shape, side, strip, panel, texture: question.texture }),
    startMm: Math.max(...layers.map((layer) => layer.toMm)),
    endMm,
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
export function sidesToRun(question: Omit<SideQuestion, 'side' | 'panelId'>): SideToRun[] {
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
  const { flow, lnSd, basis } = glaze.flow;
  return [
    {
      layer,
      name: glaze.name,
      fromMm: top,
      toMm: bottom,
      meltedMm: meltedMm({ ...glaze, coatMm: layer.coatMm }),
      flow: flow * firingRatio,
      flowLnSd: lnSd,
      isGuess: basis === 'startingGuess',
    },
  ];
}

const insideBands = ({ zones }: PiecePlan, shape: PieceShape): Band[] =>
  // The middle of the floor too: its cells lie at the height of the floor.
  zones.inside.map((layer) => ({ layer, fromMm: -1, toMm: tallMm(shape) + 1 }));

function outsideBands(plan: PiecePlan, shape: PieceShape, panel: Strip | undefined): Band[] {
  const { zones, strips = [], waxFootMm, rimBandMm, edges } = plan;
  const top = tallMm(shape) + 1;
  const wax = waxFootMm > 0 ? Math.max(0, waxFootMm - edgeDipMm(edges?.wax)) : -1;
  const rimFrom = Math.max(wax, tallMm(shape) - rimBandMm - edgeDipMm(edges?.rim));
  const own = strips.filter((strip) => (strip.turn === undefined || strip === panel) && strip.layers.length > 0);
  const low = ({ fromMm, toMm, edge }: Strip): [number, number] => [Math.max(wax, fromMm - edgeDipMm(edge)), toMm - edgeDipMm(edge)];
  const outside: Band[] = zones.outside.map((layer) => ({ layer, fromMm: wax, toMm: rimIsApart(plan) ? rimFrom : top }));
  const parted = own.filter((strip) => strip.first).reduce((bands, strip) => without(bands, ...low(strip)), outside);
  const bands: Band[] = [
    ...parted,
    ...zones.rim.map((layer) => ({ layer, fromMm: rimFrom, toMm: top })),
    ...own.flatMap((strip) => strip.layers.map((layer) => ({ layer, fromMm: low(strip)[0], toMm: low(strip)[1] }))),
    ...(waxFootMm === 0 ? zones.foot.map((layer) => ({ layer, fromMm: -1, toMm: FOOT_ZONE_MM })) : []),
  ];
  return (plan.masks ?? []).filter((mask) => liesOn(mask, panel)).reduce((left, mask) => kept(left, mask), bands);
}

/** Whether a mask lies on the path down: all round, or over the whole panel whose path it is. */
const liesOn = ({ where, turn }: Mask, panel: Strip | undefined): boolean =>
  where === 'band' || (where === 'panel' && turn !== undefined && panel?.turn !== undefined && covers(turn, panel.turn));

/** Whether one part of the turn holds all of another; both may go over the front. */
const covers = (outer: Turn, inner: Turn): boolean => {
  const from = (inner.from - outer.from + 1) % 1;
  return from + roundShare(inner) <= roundShare(outer) + 1e-9;
};

/** Heights that a mask all round leaves: none of what goes over it, all of what lies under it. */
function kept(bands: readonly Band[], { kind, overLayerId, fromMm, toMm }: Mask): Band[] {
  const takesAll = kind === 'scrape' || kind === 'sponge';
  const after = takesAll || overLayerId === undefined ? -1 : bands.findLastIndex(({ layer }) => layer.id === overLayerId);
  // At the rim the lip itself is bare too.
  return bands.flatMap((band, at) => (at > after ? without([band], fromMm, band.toMm - toMm <= LIP_MM ? band.toMm : toMm) : [band]));
}

const LIP_MM = 1.5;

const without = (bands: readonly Band[], fromMm: number, toMm: number): Band[] =>
  bands.flatMap((band) =>
    [
      { ...band, toMm: Math.min(band.toMm, fromMm) },
      { ...band, fromMm: Math.max(band.fromMm, toMm) },
    ].filter((part) => part.toMm > part.fromMm),
  );

const panelsOf = ({ strips = [] }: PiecePlan): Strip[] =>
  strips.filter((strip) => strip.turn !== undefined && roundShare(strip.turn) > 0 && strip.layers.length > 0);

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
