import type { FlowGuess } from '../chemistry/flow-guess';
import { PotterError } from '../checks/potter-error';
import type { PieceShape } from '../geometry/piece-form';
import { isTurnedOver, rimIsApart, type PiecePlan } from '../plan/piece-plan';
import { lnToReach, quickRun } from '../run/quick-run';
import { normalHazard } from '../math/normal';
import { coatingKindOf } from '../plan/layer';
import type { GlazeFacts } from '../plan/facts';

/** What a fired foot says of the one glaze above it: whether its edge came down to the shelf, and at which flow it would. */
export interface FootSeen {
  glazeId: string;
  /** ln of the flow figure, 1/mm at the usual firing, at which the edge just comes to the shelf. */
  lnReach: number;
  /** Whether the foot stayed clean. */
  isClean: boolean;
}

/** Sd of ln F around that edge for one fired piece: its coat as planned, the kiln, and what a result leaves out. */
export const FOOT_LN_SD = 0.5;

/**
 * Returns the flow at which the outside of a plan just reaches the shelf, if one glaze alone decides it: bare foot, no rim or strip over it,
 * not fired before or upside down. Undefined where it cannot tell: a run that never comes so far says nothing of a clean foot.
 *
 * @param question - `plan`, `shape`, `glazes`; `firingRatio`, how many times as much its firing flowed as the usual one
 * @example
 * footToTell({ plan: { ...{ shapeId: 'cup', zones: { inside: [], outside: [{ id: 'a', bucketId: 'ash', method: 'dip', coatMm: 0.5 }], rim: [], foot: [] }, waxFootMm: 10, rimBandMm: 0, order: [], putAside: [] }, waxFootMm: 0 }, shape: shapeOf({ shapeId: 'cup' }), glazes: [{ bucketId: 'ash', name: 'Ash', lightness: 0.7, sg: 1.45, density: 2.6, packing: 0.5, filmMm: 0.15, slurryState: 'normal', shrinkShare: 15, loiPercent: 8, flow: { flow: 60, lnSd: 0.5, basis: 'pottersWord' }, surface: 'gloss', foodTested: true, firedPercent: {}, unity: {} }], firingRatio: 1 })
 * // undefined
 */
export function footToTell(question: {
  plan: PiecePlan;
  shape: PieceShape;
  glazes: readonly GlazeFacts[];
  /** How many times as much its firing flowed as the usual one. */
  firingRatio: number;
}): { bucketId: string; lnReach: number } | undefined {
  const { plan, shape, glazes } = question;
  const layers = plan.zones.outside.filter((layer) => coatingKindOf(layer) === 'glaze');
  const [only] = layers;
  const covered = (plan.zones.rim.length > 0 && !rimIsApart(plan)) || (plan.strips ?? []).some((strip) => strip.layers.length > 0);
  if (!only || layers.length > 1 || covered || plan.waxFootMm <= 0 || plan.refire || isTurnedOver(plan)) return undefined;
  const glaze = glazes.find((facts) => facts.bucketId === only.bucketId);
  if (!glaze) return undefined;
  const alone = { ...plan, zones: { ...plan.zones, rim: [] } };
  const quick = quickRun({ plan: alone, shape, glazes: [glaze], side: 'outside', firingRatio: question.firingRatio });
  const more = quick && lnToReach(quick, quick.side.endMm);
  return more === undefined ? undefined : { bucketId: only.bucketId, lnReach: Math.log(glaze.flow.flow) + more };
}

/**
 * Returns what is known of a glaze's flow once fired feet were looked at. Each says only on which side of its edge the flow lies: the normal
 * in ln F is cut there, softly, and made a normal again by its first two moments.
 *
 * Source: expectation propagation (Minka, 2001).
 *
 * @param prior - the flow before
 * @param glazeId - whose feet count
 * @param feet - from `feetSeen`
 * @throws PotterError for a foot without the flow at which its edge reaches the shelf
 * @example
 * learnFromFeet({ flow: 60, lnSd: 0.5, basis: 'pottersWord' }, 'ash', [{ glazeId: 'ash', lnReach: Math.log(60), isClean: true }]).flow
 * // 45.252131
 */
export function learnFromFeet(prior: FlowGuess, glazeId: string, feet: readonly FootSeen[]): FlowGuess {
  const own = feet.filter((foot) => foot.glazeId === glazeId);
  if (own.length === 0) return prior;
  let [mean, sd] = [Math.log(prior.flow), prior.lnSd];
  for (const { lnReach, isClean } of own) {
    if (!Number.isFinite(lnReach))
      throw new PotterError('notANumber', 'lnReach', lnReach, 'A foot needs the flow at which its edge comes to the shelf.');
    const wide = Math.hypot(sd, FOOT_LN_SD);
    // From the edge towards the side that was seen, in sd.
    const away = ((isClean ? 1 : -1) * (lnReach - mean)) / wide;
    const pull = normalHazard(away);
    mean -= (isClean ? 1 : -1) * (sd ** 2 / wide) * pull;
    sd *= Math.sqrt(Math.max(1e-6, 1 - (sd / wide) ** 2 * pull * (away + pull)));
  }
  return { ...prior, flow: Math.exp(mean), lnSd: sd, feet: own.length };
}
