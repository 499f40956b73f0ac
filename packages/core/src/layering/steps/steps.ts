import { tallMm } from '../../geometry/piece-form';
import { shapeOf } from '../../geometry/shapes';
import { placeWords } from '../../plan/areas';
import { isDunked, rimIsApart, USUAL_CONE, ZONES, type PiecePlan } from '../../plan/piece-plan';
import type { ApplicationMethod } from '../../coat/methods/application-method';
import { coatingKindOf, type Layer } from '../../plan/layer';
import { LIP_MM, USUAL_RING_MM, type FootBy, type Mask } from '../../plan/mask';
import { isOutside } from '../../plan/strip';

export const STEP_KINDS = [
  'check',
  'wax',
  'soak',
  'tape',
  'waxOver',
  'layer',
  'untape',
  'scrape',
  'spongeOff',
  'wipeFoot',
  'fire',
  'fireLustre',
] as const;
export type StepKind = (typeof STEP_KINDS)[number];
type HandlingStepKind = Exclude<StepKind, 'layer'>;

/** One thing done to a piece. `key` stays the same while the layers of the plan do. */
export interface PieceStep {
  key: string;
  kind: StepKind;
  /** Zones and strips it touches. */
  zones: string[];
  /** On the inside, where its place is a strip or a mask. */
  face?: 'inside';
  /** Where, in words, when it is no zone of its own and not the foot. */
  place?: string;
  layer?: Layer;
  /** Share of the piece that it wets through, 0–1. */
  wetShare?: number;
  laborSeconds: number;
}

/** Labor for one piece, s: starting guesses. A rubbed wash is wiped back in the same step. */
export const LABOR_SECONDS: Record<ApplicationMethod | HandlingStepKind, number> = {
  check: 20,
  wax: 40,
  soak: 25,
  tape: 60,
  waxOver: 40,
  dip: 25,
  halfDips: 50,
  pour: 35,
  brush: 150,
  spray: 60,
  sponge: 90,
  trail: 120,
  rub: 90,
  untape: 20,
  scrape: 120,
  spongeOff: 40,
  wipeFoot: 30,
  // The kiln's hours are not the hands'.
  fire: 0,
  fireLustre: 0,
};

/** Wait before the piece may be touched again, minutes at 0.6 mm: starting guesses. */
export const WAIT_MINUTES: Record<ApplicationMethod | HandlingStepKind, number> = {
  check: 10,
  wax: 20,
  soak: 0,
  tape: 0,
  waxOver: 60,
  dip: 8,
  // The first half is handle-dry before the piece is turned.
  halfDips: 16,
  pour: 10,
  brush: 20,
  spray: 15,
  sponge: 20,
  trail: 20,
  rub: 10,
  untape: 0,
  scrape: 0,
  spongeOff: 5,
  wipeFoot: 0,
  fire: 0,
  fireLustre: 0,
};

/** The foot is kept bare before the glaze, or sponged off after it. */
const FOOT_STEP: Record<FootBy, HandlingStepKind> = { wax: 'wax', soak: 'soak', tape: 'tape', sponge: 'spongeOff' };
const MASK_STEP: Record<Mask['kind'], HandlingStepKind> = { wax: 'wax', tape: 'tape', scrape: 'scrape', sponge: 'spongeOff' };

/**
 * Returns the steps that a plan asks for, in no order yet. When the first coat inside and outside is the same glaze, dipped, one dip does
 * both.
 *
 * @param question - `plan`
 * @example
 * stepsOf({ plan: { shapeId: 'cup', zones: { inside: [], outside: [{ id: 'a', bucketId: 'ash', method: 'dip', coatMm: 0.5 }], rim: [], foot: [] }, waxFootMm: 10, rimBandMm: 0, order: [], putAside: [] } }).map(({ kind }) => kind)
 * // ['check', 'wax', 'layer', 'wipeFoot']
 */
export function stepsOf({ plan }: { plan: PiecePlan }): PieceStep[] {
  const steps: PieceStep[] = [simple('check', 'check', [])];
  const { strips = [], masks = [], footBy = 'wax', waxFootMm } = plan;
  if (waxFootMm > 0) {
    const kind = FOOT_STEP[footBy];
    const wet = footBy === 'soak' ? { wetShare: Math.min(1, waxFootMm / Math.max(1, tallMm(shapeOf(plan)))) } : {};
    steps.push({ ...simple('wax', kind, ['foot']), ...wet });
    if (kind === 'tape') steps.push(simple('unmask:foot', 'untape', ['foot']));
  }
  const joint = jointDip(plan);
  if (joint) steps.push(layerStep(`layer:${joint.inside.id}+${joint.outside.id}`, joint.outside, ['inside', 'outside']));
  for (const zone of ZONES) {
    plan.zones[zone].forEach((layer, index) => {
      const joined = joint && index === 0 && (zone === 'inside' || zone === 'outside');
      if (!joined) steps.push(layerStep(`layer:${layer.id}`, layer, [zone]));
    });
  }
  for (const strip of strips) {
    const at = { place: placeWords(strip.id, plan), ...(isOutside(strip) ? {} : { face: 'inside' as const }) };
    for (const layer of strip.layers) steps.push({ ...layerStep(`layer:${layer.id}`, layer, [strip.id]), ...at });
    if (strip.first && strip.layers.length > 0) steps.push({ ...simple(`waxOver:${strip.id}`, 'waxOver', [strip.id]), ...at });
  }
  if (rimIsApart(plan)) steps.push(simple('waxOver', 'waxOver', ['rim']));
  for (const mask of masks) {
    const place = maskWords(mask, plan);
    const kind = MASK_STEP[mask.kind];
    const zone = isOutside(mask) ? 'outside' : 'inside';
    steps.push({ ...simple(`mask:${mask.id}`, kind, [zone]), place });
    if (kind === 'tape') steps.push({ ...simple(`unmask:${mask.id}`, 'untape', [zone]), place });
  }
  steps.push({ ...simple('wipeFoot', 'wipeFoot', ['foot']), ...(plan.setting === 'onRim' ? { place: 'the seat' } : {}) });
  if (steps.some(isLustre)) {
    steps.push({ ...simple('fire', 'fire', []), place: `cone ${plan.cone ?? USUAL_CONE}` });
    steps.push(simple('fireLustre', 'fireLustre', []));
  }
  return steps;
}

const isLustre = ({ layer }: PieceStep): boolean => layer !== undefined && coatingKindOf(layer) === 'lustre';

/**
 * Returns whether a step comes after the glaze firing: lustre, and its own firing.
 *
 * @param step - its `kind` and `layer`
 * @example
 * isAfterFiring({ key: 'wipeFoot', kind: 'wipeFoot', zones: ['foot'], laborSeconds: 30 }) // false
 */
export const isAfterFiring = (step: PieceStep): boolean => step.kind === 'fire' || step.kind === 'fireLustre' || isLustre(step);

/** What is kept bare, in the words of the bench. */
function maskWords({ where, kind, fromMm, toMm, linesShare, face, ringMm = USUAL_RING_MM }: Mask, plan: PiecePlan): string {
  const isAtRim = where === 'band' && toMm >= tallMm(shapeOf(plan)) - LIP_MM;
  if (isAtRim && plan.setting === 'onRim') return `the seat, ${Math.round(toMm - fromMm)} mm`;
  const isGallery = plan.lid === true && isAtRim;
  if (where === 'hole') return kind === 'tape' ? 'the drain hole' : `a ring of ${Math.round(ringMm)} mm round the drain hole`;
  if (where === 'handle') return 'the handle';
  if (face && isGallery) return `the gallery, ${Math.round(toMm - fromMm)} mm`;
  const band = `the ${where} ${Math.round(fromMm)}–${Math.round(toMm)} mm up${face ? ' inside' : ''}`;
  return linesShare === undefined ? band : `lines on ${band}`;
}

const simple = (key: string, kind: HandlingStepKind, zones: string[]): PieceStep => ({ key, kind, zones, laborSeconds: LABOR_SECONDS[kind] });

function jointDip(plan: PiecePlan): { inside: Layer; outside: Layer } | undefined {
  const inside = plan.zones.inside[0];
  const outside = plan.zones.outside[0];
  return inside && outside && isDunked(plan) ? { inside, outside } : undefined;
}

const layerStep = (key: string, layer: Layer, zones: string[]): PieceStep => ({
  key,
  kind: 'layer',
  zones,
  layer,
  laborSeconds: LABOR_SECONDS[layer.method],
});

/**
 * Returns the plan with the layers that lie on the piece after its first steps.
 *
 * @param question - `plan`; its `steps` in order; `done`, how many
 * @example
 * layersOf(planAfter({ plan: { shapeId: 'cup', zones: { inside: [], outside: [{ id: 'a', bucketId: 'ash', method: 'dip', coatMm: 0.5 }], rim: [], foot: [] }, waxFootMm: 10, rimBandMm: 0, order: [], putAside: [] }, steps: [], done: 0 })).length
 * // 0
 */
export function planAfter({ plan, steps, done }: { plan: PiecePlan; steps: readonly PieceStep[]; done: number }): PiecePlan {
  const keys = steps.slice(0, done).map((step) => step.key);
  const on = (layers: readonly Layer[]): Layer[] => layers.filter((layer) => keys.some((key) => key.includes(layer.id)));
  const { inside, outside, rim, foot } = plan.zones;
  return {
    ...plan,
    zones: { inside: on(inside), outside: on(outside), rim: on(rim), foot: on(foot) },
    ...(plan.strips ? { strips: plan.strips.map((strip) => ({ ...strip, layers: on(strip.layers) })) } : {}),
    ...(plan.masks ? { masks: plan.masks.filter((mask) => keys.includes(`mask:${mask.id}`) && !keys.includes(`unmask:${mask.id}`)) } : {}),
    waxFootMm: keys.includes('wax') ? plan.waxFootMm : 0,
  };
}
