import { tallMm, type PieceShape } from '../geometry/piece-form';
import { NARROWEST_ZONE_MM } from '../plan/check-plan';
import { coatingKindOf, type Layer } from '../plan/layer';
import { isTurnedOver, type PiecePlan } from '../plan/piece-plan';
import { isOnWall, isOutside } from '../plan/strip';
import type { PieceRunQuestion } from './piece-run';
import { quickRun } from './quick-run';
import type { RunSide } from './run-path';
import { startForEdge } from './safe-line';
import { heightAlong } from './strip-heights';

/** A lower edge of glaze that runs towards the shelf or the floor, and that starts where the potter puts it. */
export interface PlaceEdge {
  /** A zone or strip. */
  placeId: string;
  side: RunSide;
  panelId?: string;
  /** The coat whose edge it is: the lowest that melts. */
  layerId: string;
  startMm: number;
}

/**
 * Returns the edges of a plan that can be wanted somewhere: of the outside, the rim band and every strip and panel. None where the piece is
 * fired rim down.
 *
 * @param question - `plan` and its `shape`
 * @example
 * placeEdges({ plan: { shapeId: 'cup', zones: { inside: [], outside: [{ id: 'a', bucketId: 'ash', method: 'dip', coatMm: 0.5 }], rim: [], foot: [] }, waxFootMm: 10, rimBandMm: 0, order: [], putAside: [] }, shape: shapeOf({ shapeId: 'cup' }) })[0].startMm
 * // 10
 */
export function placeEdges({ plan, shape }: { plan: PiecePlan; shape: PieceShape }): PlaceEdge[] {
  if (isTurnedOver(plan)) return [];
  const { zones, strips = [], waxFootMm, rimBandMm } = plan;
  const edge = (placeId: string, layers: readonly Layer[], startMm: number, at: { side: RunSide; panelId?: string }): PlaceEdge[] => {
    const layer = layers.find((one) => coatingKindOf(one) === 'glaze');
    return layer ? [{ placeId, layerId: layer.id, startMm, ...at }] : [];
  };
  return [
    ...edge('outside', zones.outside, waxFootMm, { side: 'outside' }),
    ...edge('rim', zones.rim, tallMm(shape) - rimBandMm, { side: 'outside' }),
    ...strips.flatMap((strip) => {
      if (strip.on || (!isOutside(strip) && strip.turn)) return [];
      const panel = isOnWall(strip) && strip.turn !== undefined;
      return edge(
        strip.id,
        strip.layers,
        strip.fromMm,
        panel ? { side: 'panel', panelId: strip.id } : { side: isOutside(strip) ? 'outside' : 'inside' },
      );
    }),
  ];
}

/**
 * Returns the plan's fields that let an edge start at a height; undefined where the place has no room for it.
 *
 * @param plan - the plan
 * @param at - `placeId` of the edge; `startMm` above the shelf; the `shape`
 * @example
 * withEdgeStart({ shapeId: 'cup', zones: { inside: [], outside: [], rim: [], foot: [] }, waxFootMm: 10, rimBandMm: 0, order: [], putAside: [] }, { placeId: 'outside', startMm: 20, shape: shapeOf({ shapeId: 'cup' }) })
 * // { waxFootMm: 20 }
 */
export function withEdgeStart(
  plan: PiecePlan,
  { placeId, startMm, shape }: { placeId: string; startMm: number; shape: PieceShape },
): Partial<PiecePlan> | undefined {
  const top = tallMm(shape);
  if (startMm < 0 || startMm > top - NARROWEST_ZONE_MM) return undefined;
  if (placeId === 'outside') return { waxFootMm: startMm };
  if (placeId === 'rim') return { rimBandMm: top - startMm };
  const strip = plan.strips?.find(({ id }) => id === placeId);
  if (!strip || startMm > strip.toMm - NARROWEST_ZONE_MM) return undefined;
  return { strips: plan.strips!.map((one) => (one.id === placeId ? { ...one, fromMm: startMm } : one)) };
}

const ROUNDS = 4;

/**
 * Returns where an edge has to start so that it ends where it is wanted, in the middle case of the quick look, mm above the shelf; undefined
 * where its place has no room for that.
 *
 * @param question - as for a run, with the `edge` from `placeEdges` and `wantedMm` above the shelf
 * @example
 * startForPlaceEdge({ plan: { shapeId: 'cup', zones: { inside: [], outside: [], rim: [], foot: [] }, waxFootMm: 10, rimBandMm: 0, order: [], putAside: [] }, shape: shapeOf({ shapeId: 'cup' }), glazes: [], edge: { placeId: 'outside', side: 'outside', layerId: 'a', startMm: 10 }, wantedMm: 20 })
 * // 20
 */
export function startForPlaceEdge({ edge, wantedMm, ...question }: PieceRunQuestion & { edge: PlaceEdge; wantedMm: number }): number | undefined {
  const { plan, shape } = question;
  // The edge of the outside is that of all the film.
  if (edge.placeId === 'outside') return startForEdge(question, wantedMm);
  let startMm = wantedMm;
  for (let round = 0; round < ROUNDS; round++) {
    const change = withEdgeStart(plan, { placeId: edge.placeId, startMm, shape });
    if (!change) return undefined;
    startMm = wantedMm + runOfPlaceEdge({ ...question, plan: { ...plan, ...change } }, { ...edge, startMm });
  }
  return withEdgeStart(plan, { placeId: edge.placeId, startMm, shape }) && startMm;
}

/** How far a coat's own edge comes down in the middle case, mm of height. */
function runOfPlaceEdge(question: PieceRunQuestion, { side, panelId, layerId, startMm }: PlaceEdge): number {
  const quick = quickRun({ ...question, side, panelId });
  const at = quick?.side.layers.findIndex(({ layer }) => layer.id === layerId) ?? -1;
  const front = quick?.middle.layerFrontMm[at];
  return front === undefined ? 0 : Math.max(0, startMm - heightAlong(quick!.side.strip, front));
}
