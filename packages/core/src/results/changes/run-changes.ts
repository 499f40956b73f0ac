import { withLayers, type PiecePlan } from '../../plan/piece-plan';
import type { GlazeFacts } from '../../plan/facts';
import type { PairFlow, PieceRunQuestion } from '../../run/piece-run';
import { quickRun } from '../../run/quick-run';
import { quickForecast, worstSide } from '../../run/run-forecast';
import { withSafeCoats } from '../../run/safe-coats';
import { quickSafeLine } from '../../run/safe-line';
import type { PieceShape } from '../../geometry/piece-form';
import type { StepKind } from '../../layering/steps/steps';
import { USUAL_HOLD_MINUTES } from '../../melt/kiln-place';
import type { FiredStep } from '../bench-evidence';
import type { FaultRecord } from '../fault-record';
import type { CoatCauses } from './change-facts';
import { bestFirst, KEPT_SECONDS_SHARE, SG_STEP } from './one-change';
import type { ResultChange } from './result-change';

/** What was done to a fired piece otherwise than planned, as far as it moves a run. */
export interface RunDone {
  /** How many times the planned coat, by bucket; those that nobody timed or measured are left out. */
  coatTimes: ReadonlyMap<string, number>;
  /** What of them was the hand's and what the bucket's; left out where nobody knows. */
  coatCauses?: CoatCauses | undefined;
  /** The cone that it saw where it stood; left out where nobody knows. */
  coneReached?: string | undefined;
  /** How much longer it was near its hottest than was wanted, as its log tells, minutes; left out where nobody read it. */
  heldLongerMinutes?: number | undefined;
  /** From where up it was glazed outside, mm; left out where nobody noted it. */
  edgeMm?: number | undefined;
  /** Glazes and pairs as they were thought to flow before tiles and fired pieces told; left out where nothing was learnt. */
  thought?: { glazes?: readonly GlazeFacts[] | undefined; overlaps?: readonly PairFlow[] | undefined } | undefined;
}

/** Why a piece ran, and what would have kept it off the shelf. */
export interface RunCauses {
  reach: NonNullable<FaultRecord['reach']>;
  changes: ResultChange[];
}

/** Coats within this of the plan were kept. */
const KEPT_SHARE = 0.05;
/** A hold within this was kept. */
const KEPT_MINUTES = 6;

/**
 * Returns the chance that a piece reaches its shelf as it was done, how it falls when one thing is set back to the plan, and what could be changed in
 * the plan. By quick looks: within a few percent of the draws.
 *
 * Source: science §6 and §10.
 *
 * @param question - plan, shape and glazes, as for `quickForecast`
 * @param done - what was timed, measured and read
 * @throws PotterError as `quickForecast`
 * @example
 * runCauses({ plan: { shapeId: 'cup', zones: { inside: [], outside: [], rim: [], foot: [] }, waxFootMm: 10, rimBandMm: 0, order: [], putAside: [] }, shape: shapeOf({ shapeId: 'cup' }), glazes: [] }, { coatTimes: new Map() }).reach.chance // 0
 */
export function runCauses(
  question: PieceRunQuestion,
  { coatTimes, coatCauses, coneReached, heldLongerMinutes, edgeMm, thought = {} }: RunDone,
): RunCauses {
  const { shape } = question;
  const chanceOf = (plan: PiecePlan, known: Partial<PieceRunQuestion> = {}): number =>
    worstSide(quickForecast({ ...question, ...known, plan }))?.reachChance ?? 0;
  const coats = (plan: PiecePlan, times = coatTimes): PiecePlan =>
    withLayers(plan, (layer) => ({ ...layer, coatMm: layer.coatMm * (times.get(layer.bucketId) ?? 1) }));
  const heat = (plan: PiecePlan): PiecePlan => (coneReached === undefined ? plan : atCone(plan, coneReached));
  const edge = (plan: PiecePlan): PiecePlan => (edgeMm === undefined ? plan : { ...plan, waxFootMm: edgeMm });
  const asDone = heat(edge(coats(question.plan)));
  const chance = chanceOf(asDone);
  const isOtherCoat = [...coatTimes.values()].some((times) => Math.abs(times - 1) > KEPT_SHARE);
  const without: RunCauses['reach']['without'] = {
    ...(coatTimes.size > 0 ? { coat: isOtherCoat ? chanceOf(heat(edge(question.plan))) : chance } : {}),
    ...(coneReached === undefined ? {} : { cone: chanceOf(edge(coats(question.plan))) }),
    ...(heldLongerMinutes === undefined || coneReached === undefined
      ? {}
      : { hold: heldLongerMinutes > KEPT_MINUTES ? chanceOf(heldShorter(asDone, heldLongerMinutes)) : chance }),
    ...(edgeMm === undefined ? {} : { edge: edgeMm < question.plan.waxFootMm ? chanceOf(heat(coats(question.plan))) : chance }),
    handle: shape.grip ? chanceOf(asDone, { shape: withoutGrip(shape) }) : chance,
    grooves: isTextured(asDone) ? chanceOf(smooth(asDone)) : chance,
    ...(thought.glazes ? { flow: chanceOf(asDone, { glazes: thought.glazes }) } : {}),
    ...(thought.overlaps ? { overlap: chanceOf(asDone, { overlaps: thought.overlaps }) } : {}),
  };
  const before = { chanceBefore: chance };
  const changes: ResultChange[] = [];
  const withCoats = (times: ReadonlyMap<string, number>): number => chanceOf(heat(edge(coats(question.plan, times))));
  const { secondsShare: share = 1, sgOff = 0 } = coatCauses ?? {};
  if (coatCauses && Math.abs(share - 1) >= KEPT_SECONDS_SHARE)
    changes.push({ kind: 'keepSeconds', from: share, to: 1, ...before, chanceAfter: withCoats(coatCauses.inTime) });
  if (coatCauses && Math.abs(sgOff) >= SG_STEP)
    changes.push({ kind: 'bringSg', from: sgOff, to: 0, ...before, chanceAfter: withCoats(coatCauses.inRange) });
  if (without.cone !== undefined) changes.push({ kind: 'coolerPlace', ...before, chanceAfter: without.cone });
  // What the plan itself could be, with coats kept to it and at the heat that it saw.
  const meant = heat(question.plan);
  const line = quickSafeLine({ ...question, plan: meant });
  if (line !== undefined && line > meant.waxFootMm)
    changes.push({
      kind: 'higherEdge',
      from: meant.waxFootMm,
      to: line,
      ...before,
      chanceAfter: chanceOf(heat(coats({ ...question.plan, waxFootMm: line }))),
    });
  const thinner = thinnerCoats(question, meant);
  if (thinner) changes.push({ kind: 'thinnerCoat', ...thinner.figures, ...before, chanceAfter: chanceOf(heat(coats(thinner.plan))) });
  return { reach: { chance, without }, changes: bestFirst(changes) };
}

/**
 * Returns a plan with the coats outside so thin that they stay on it, and the thickest of them before and after; undefined where none is.
 *
 * @param question - plan, shape and glazes
 * @param plan - at the heat that is meant
 * @example
 * thinnerCoats({ plan: { shapeId: 'cup', zones: { inside: [], outside: [], rim: [], foot: [] }, waxFootMm: 10, rimBandMm: 0, order: [], putAside: [] }, shape: shapeOf({ shapeId: 'cup' }), glazes: [] }, { shapeId: 'cup', zones: { inside: [], outside: [], rim: [], foot: [] }, waxFootMm: 10, rimBandMm: 0, order: [], putAside: [] }) // undefined
 */
export function thinnerCoats(question: PieceRunQuestion, plan: PiecePlan): { plan: PiecePlan; figures: { from: number; to: number } } | undefined {
  const quick = quickRun({ ...question, plan, side: 'outside' });
  const thinner = quick && withSafeCoats(question.plan, quick);
  if (!thinner) return undefined;
  const thickest = (of: PiecePlan): number => Math.max(0, ...of.zones.outside.map(({ coatMm }) => coatMm));
  return { plan: thinner, figures: { from: thickest(question.plan), to: thickest(thinner) } };
}

/** The same plan in the heat that it saw: a cone that was read holds its place and its hold already. */
const atCone = (plan: PiecePlan, cone: string): PiecePlan => ({
  ...plan,
  cone,
  firing: plan.firing?.cooling ? { cooling: plan.firing.cooling } : {},
});

/** The same peak, held for less: a cone that was read is reached with the usual hold. */
const heldShorter = (asDone: PiecePlan, minutes: number): PiecePlan => ({
  ...asDone,
  firing: { ...asDone.firing, holdMinutes: Math.max(0, USUAL_HOLD_MINUTES - minutes) },
});

function withoutGrip({ grip: _grip, ...shape }: PieceShape): PieceShape {
  return shape;
}

const isTextured = ({ textures, strips = [] }: PiecePlan): boolean =>
  [textures?.outside, textures?.rim, ...strips.map(({ texture }) => texture)].some((one) => one !== undefined && one.kind !== 'smooth');

const smooth = ({ textures: _textures, strips, ...plan }: PiecePlan): PiecePlan => ({
  ...plan,
  ...(strips ? { strips: strips.map(({ texture: _texture, ...strip }) => strip) } : {}),
});

/**
 * Returns from where up a piece was glazed outside, as its steps tell, mm: 0 where its foot was neither kept bare nor wiped, the planned height where it
 * was; undefined where nobody ticked it.
 *
 * @param plan - `waxFootMm`
 * @param steps - of its lot
 * @example
 * edgeDoneMm({ waxFootMm: 12 }, [{ bucketId: null, doneAt: null, record: { kind: 'wax', isSkipped: true } }]) // 0
 */
export function edgeDoneMm({ waxFootMm }: Pick<PiecePlan, 'waxFootMm'>, steps: readonly FiredStep[]): number | undefined {
  const bare = steps.flatMap(({ record }) => (record && KEEPS_BARE.includes(record.kind) && record.isSkipped !== undefined ? [record] : []));
  if (bare.length === 0) return undefined;
  return bare.every(({ isSkipped }) => isSkipped) ? 0 : waxFootMm;
}

const KEEPS_BARE: readonly StepKind[] = ['wax', 'soak', 'tape', 'wipeFoot', 'spongeOff'];
