import { tallMm, type PieceShape } from '../geometry/piece-form';
import { FOOT_ZONE_MM, roundShare } from '../plan/areas';
import { edgeDipMm } from '../plan/edge-line';
import type { Layer } from '../plan/layer';
import { LIP_MM, type Mask } from '../plan/mask';
import { TRAILED_WIDTH_MM } from '../plan/change-method';
import { rimIsApart, type PiecePlan } from '../plan/piece-plan';
import { handleStrip, isOnWall, isOutside, type Strip, type Turn } from '../plan/strip';

/** Heights between which a layer lies, mm above the shelf. */
export interface Band {
  layer: Layer;
  fromMm: number;
  toMm: number;
}

/**
 * Returns the coats of the inside between their heights, those beneath first, without what is kept bare.
 *
 * @param plan - the plan
 * @param shape - of its piece
 * @example
 * insideBands({ shapeId: 'cup', zones: { inside: [], outside: [{ id: 'a', bucketId: 'ash', method: 'dip', coatMm: 0.5 }], rim: [], foot: [] }, waxFootMm: 10, rimBandMm: 0, order: [], putAside: [] }, shapeOf({ shapeId: 'cup' })).length // 0
 */
export function insideBands({ zones, fired, strips = [], masks = [] }: PiecePlan, shape: PieceShape): Band[] {
  // The middle of the floor too: its cells lie at the height of the floor.
  const whole = (layer: Layer): Band => ({ layer, fromMm: -1, toMm: tallMm(shape) + 1 });
  const bands = (under: boolean): Band[] =>
    strips
      .filter((strip) => !isOutside(strip) && strip.turn === undefined && (strip.under ?? false) === under)
      .flatMap((strip) => laidBands(strip, strip.fromMm, strip.toMm));
  const laid = [...bands(true), ...zones.inside.map(whole), ...bands(false)];
  const left = masks.filter((mask) => !isOutside(mask) && liesOn(mask, undefined)).reduce((rest, mask) => kept(rest, mask), laid);
  return [...(fired?.inside ?? []).map(whole), ...left];
}

/**
 * Returns the coats of the outside on one path down, those beneath first, without what is kept bare. Edges that are not level count at their
 * lowest.
 *
 * @param plan - the plan
 * @param shape - of its piece
 * @param panel - the panel whose path it is; left out on the rest of the wall
 * @example
 * outsideBands({ shapeId: 'cup', zones: { inside: [], outside: [{ id: 'a', bucketId: 'ash', method: 'dip', coatMm: 0.5 }], rim: [], foot: [] }, waxFootMm: 10, rimBandMm: 0, order: [], putAside: [] }, shapeOf({ shapeId: 'cup' }), undefined)[0].fromMm // 10
 */
export function outsideBands(plan: PiecePlan, shape: PieceShape, panel: Strip | undefined): Band[] {
  const { zones, strips = [], waxFootMm, rimBandMm, edges } = plan;
  const top = tallMm(shape) + 1;
  const wax = waxFootMm > 0 ? Math.max(0, waxFootMm - edgeDipMm(edges?.wax)) : -1;
  const rimFrom = Math.max(wax, tallMm(shape) - rimBandMm - edgeDipMm(edges?.rim));
  const own = strips.filter((strip) => isOnWall(strip) && (strip.turn === undefined || strip === panel) && strip.layers.length > 0);
  const bandsOf = (strip: Strip): Band[] => laidBands(strip, ...low(strip));
  const low = ({ fromMm, toMm, edge }: Strip): [number, number] => [Math.max(wax, fromMm - edgeDipMm(edge)), toMm - edgeDipMm(edge)];
  const outside: Band[] = zones.outside.map((layer) => ({ layer, fromMm: wax, toMm: rimIsApart(plan) ? rimFrom : top }));
  const parted = own.filter((strip) => strip.first).reduce((bands, strip) => without(bands, ...low(strip)), outside);
  const bands: Band[] = [
    ...own.filter((strip) => strip.under).flatMap(bandsOf),
    ...parted,
    ...zones.rim.map((layer) => ({ layer, fromMm: rimFrom, toMm: top })),
    ...own.filter((strip) => !strip.under).flatMap(bandsOf),
    ...(waxFootMm === 0 ? zones.foot.map((layer) => ({ layer, fromMm: -1, toMm: FOOT_ZONE_MM })) : []),
  ];
  // What was fired before lies beneath; no mask keeps it off, and it melts and runs again.
  const beneath: Band[] = [
    ...(plan.fired?.outside ?? []).map((layer) => ({ layer, fromMm: wax, toMm: top })),
    ...(plan.fired?.rim ?? []).map((layer) => ({ layer, fromMm: rimFrom, toMm: top })),
  ];
  return [...beneath, ...(plan.masks ?? []).filter((mask) => isOutside(mask) && liesOn(mask, panel)).reduce((left, mask) => kept(left, mask), bands)];
}

/** Whether a mask lies on the path down: all round, or over the whole panel whose path it is. Melt runs on between lines. */
/**
 * Of lines, the lowest one runs by itself, at its whole thickness; those above it melt into a sheet that is thinner by what they leave free.
 * A starting guess: nobody measured how trailed lines run.
 */
function laidBands({ layers, linesShare }: Strip, fromMm: number, toMm: number): Band[] {
  if (linesShare === undefined) return layers.map((layer) => ({ layer, fromMm, toMm }));
  const lineMm = Math.min(toMm, fromMm + TRAILED_WIDTH_MM);
  return layers.flatMap((layer) =>
    [
      { layer, fromMm, toMm: lineMm },
      { layer: { ...layer, coatMm: layer.coatMm * linesShare }, fromMm: lineMm, toMm },
    ].filter((band) => band.toMm > band.fromMm),
  );
}

/**
 * Returns the bands down a handle or lug: those of the outside, with its own coats where it is a place of its own.
 *
 * @param plan - the plan
 * @param shape - its form, with a grip
 * @example
 * gripBands({ shapeId: 'mug', zones: { inside: [], outside: [], rim: [], foot: [] }, waxFootMm: 5, rimBandMm: 0, order: [], putAside: [] }, shapeOf({ shapeId: 'mug' }))
 * // []
 */
export function gripBands(plan: PiecePlan, shape: PieceShape): Band[] {
  const around = outsideBands(plan, shape, undefined);
  const own = handleStrip(plan);
  const grip = shape.grip;
  if (!own || !grip || own.layers.length === 0) return around;
  const bands = laidBands(own, grip.lowerMm, grip.upperMm);
  if (own.first) return [...without(around, grip.lowerMm, grip.upperMm), ...bands];
  return own.under ? [...bands, ...around] : [...around, ...bands];
}

const liesOn = ({ where, turn, linesShare }: Mask, panel: Strip | undefined): boolean =>
  linesShare === undefined &&
  (where === 'band' || (where === 'panel' && turn !== undefined && panel?.turn !== undefined && covers(turn, panel.turn)));

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

const without = (bands: readonly Band[], fromMm: number, toMm: number): Band[] =>
  bands.flatMap((band) =>
    [
      { ...band, toMm: Math.min(band.toMm, fromMm) },
      { ...band, fromMm: Math.max(band.fromMm, toMm) },
    ].filter((part) => part.toMm > part.fromMm),
  );

/**
 * Returns bands without what lies above a height.
 *
 * @param bands - from `outsideBands`
 * @param mostMm - height above the shelf
 * @example
 * clipped([{ layer: { id: 'a', bucketId: 'ash', method: 'dip', coatMm: 0.5 }, fromMm: 10, toMm: 80 }], 30)[0].toMm // 30
 */
export const clipped = (bands: readonly Band[], mostMm: number): Band[] =>
  bands.flatMap((band) => (band.fromMm < mostMm ? [{ ...band, toMm: Math.min(band.toMm, mostMm) }] : []));
