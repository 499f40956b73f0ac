import type { FlowGuess } from '../chemistry/flow-guess';
import { meltedMm } from '../coat/weight/from-weight';
import { tallMm, type PieceShape } from '../geometry/piece-form';
import { edgeDipMm } from '../plan/edge-line';
import { rimIsApart, type PiecePlan } from '../plan/piece-plan';
import { stackRun, type MeltedLayer } from '../run/stack-flow';
import { coatingKindOf, type Layer } from '../plan/layer';
import type { BodyFacts, GlazeFacts } from '../plan/facts';

export interface PieceQuestion {
  plan: PiecePlan;
  shape: PieceShape;
  glazes: readonly GlazeFacts[];
  body?: BodyFacts;
}

/** Kept free between the 95 % run and the shelf, mm (M4). */
export const SHELF_MARGIN_MM = 2;

export interface OutsideRun {
  edgeMm: number;
  runMm: number;
  run95Mm: number;
  /** Whether the flow of one of its glazes was neither measured nor told. */
  guess: boolean;
  /** The weakest basis among its glazes' flows, and how many fired feet are part of it. */
  basis: FlowGuess['basis'];
  feet: number;
}

/**
 * Returns where the lowest edge of glaze on the outside starts, and how far its thickest stack runs; undefined where nothing runs.
 *
 * @param question - plan, shape, glazes
 * @example
 * outsideRun({ plan: { shapeId: 'cup', zones: { inside: [], outside: [{ id: 'a', bucketId: 'ash', method: 'dip', coatMm: 0.5 }], rim: [], foot: [] }, waxFootMm: 10, rimBandMm: 0, order: [], putAside: [] }, shape: shapeOf({ shapeId: 'cup' }), glazes: [{ bucketId: 'ash', name: 'Ash', lightness: 0.7, sg: 1.45, density: 2.6, packing: 0.5, filmMm: 0.15, slurryState: 'normal', shrinkShare: 15, loiPercent: 8, flow: { flow: 60, lnSd: 0.5, basis: 'pottersWord' }, surface: 'gloss', foodTested: true, firedPercent: {}, unity: {} }], body: { name: 'Clay', bisqueCone: '05', earthenware: false } }).edgeMm
 * // 10
 */
export function outsideRun({ plan, shape, glazes }: PieceQuestion): OutsideRun | undefined {
  const layers = meltedLayers(plan.zones.outside, glazes);
  if (layers.length === 0) return undefined;
  const topMm = tallMm(shape);
  const bandMm = Math.max(1, topMm - plan.waxFootMm);
  const alone = stackRun({ layers, bandMm });
  const rim = rimIsApart(plan) ? [] : meltedLayers([...plan.zones.outside, ...plan.zones.rim], glazes);
  const overlapEdgeMm = Math.max(plan.waxFootMm, topMm - plan.rimBandMm);
  const rimRun = rim.length > layers.length ? stackRun({ layers: rim, bandMm: Math.max(1, plan.rimBandMm) }) : undefined;
  // The edge of the rim starts higher: it matters only when it runs past the edge below it.
  const reach95 = Math.max(alone.run95Mm, rimRun ? rimRun.run95Mm - (overlapEdgeMm - plan.waxFootMm) : 0);
  const used = new Set([...plan.zones.outside, ...plan.zones.rim].filter((layer) => coatingKindOf(layer) === 'glaze').map((layer) => layer.bucketId));
  const flows = glazes.flatMap((glaze) => (used.has(glaze.bucketId) ? [glaze.flow] : []));
  const basis = BASES.find((one) => flows.some((flow) => flow.basis === one)) ?? 'startingGuess';
  const feet = flows.reduce((sum, flow) => sum + (flow.feet ?? 0), 0);
  // An edge that is not level comes nearest to the shelf at its lowest place.
  return {
    edgeMm: Math.max(0, plan.waxFootMm - edgeDipMm(plan.edges?.wax)),
    runMm: alone.runMm,
    run95Mm: reach95,
    guess: basis === 'startingGuess',
    basis,
    feet,
  };
}

/** Weakest first. */
const BASES: readonly FlowGuess['basis'][] = ['startingGuess', 'pottersWord', 'runnerTile'];

function meltedLayers(layers: readonly Layer[], glazes: readonly GlazeFacts[]): MeltedLayer[] {
  return layers.flatMap((layer) => {
    const glaze = glazes.find((facts) => facts.bucketId === layer.bucketId);
    if (!glaze || coatingKindOf(layer) !== 'glaze') return [];
    const { packing, density, loiPercent, flow } = glaze;
    return [{ meltedMm: meltedMm({ coatMm: layer.coatMm, packing, density, loiPercent }), flow }];
  });
}
