import { Matrix } from 'ml-matrix';
import { checkedDipCoat, type Dip } from '../coat/prediction/dip-coat';
import { PRIOR_KNOWLEDGE, PRIOR_LN_SD, type CoatKnowledge } from '../coat/prediction/knowledge';
import { dipFor, type CoatSituation } from '../coat/prediction/predict';
import { attempt } from '../checks/potter-error';
import { maximumAPosteriori } from '../math/maximum-a-posteriori';

/** A dip whose coat was measured. */
export interface CoatObservation {
  id: string;
  /** The glaze that J_cake and f belong to, and the body or tested bisque lot that J_wall belongs to. */
  glazeId: string;
  bodyId: string;
  situation: CoatSituation;
  seconds: number;
  coatMm: number;
  /** Standard deviation of ln(coat) of the measurement alone. */
  lnSd: number;
}

/** A wall measured in water alone: how far ln J_wall lies from its starting guess. */
export interface WallObservation {
  bodyId: string;
  lnWall: number;
  lnSd: number;
}

export interface CoatLearning {
  glazeIds: readonly string[];
  bodyIds: readonly string[];
  /** Shifts of ln from the starting guesses: J_cake of each glaze, then f of each glaze, then J_wall of each body. */
  mean: readonly number[];
  covariance: readonly (readonly number[])[];
  /** How each dip fits, in its own sd. */
  fits: readonly { id: string; sds: number }[];
  /** Dips that no model can use: too thick to dip in, or not a dip. */
  unusable: readonly string[];
  counts: ReadonlyMap<string, number>;
  converged: boolean;
}

/** People count seconds to about 0.3 s. */
const SECONDS_SD = 0.3;
const STEP = 0.05;
/** A dip that misses its prediction by more than this many of its own sd is asked about. */
export const OUTLIER_SDS = 3;

/**
 * Returns what all measured dips of a studio teach together: ln J_cake and ln f of each glaze, ln J_wall of each body, with their covariance.
 * A glaze weighed on one body sharpens what is known of it on every other, and the other way round.
 *
 * Source: maximum a posteriori with priors of sd 0.5; the covariance is Laplace's approximation.
 *
 * @param question - `observations`, measured dips; `walls`, thirst tests
 * @example
 * learnCoats({ observations: [] }).converged // true
 */
export function learnCoats({
  observations,
  walls = [],
}: {
  observations: readonly CoatObservation[];
  walls?: readonly WallObservation[];
}): CoatLearning {
  const usable: Usable[] = [];
  const unusable: string[] = [];
  const glazeIds = [...new Set(observations.map((one) => one.glazeId))];
  const bodyIds = [...new Set([...observations, ...walls].map((one) => one.bodyId))];
  for (const observation of observations) {
    const made = attempt(() => usableFrom(observation, glazeIds, bodyIds));
    if (made.kind === 'ok' && made.value) usable.push(made.value);
    else unusable.push(observation.id);
  }
  const size = 2 * glazeIds.length + bodyIds.length;
  const counts = countsOf(usable, walls);
  const told = walls.map(({ bodyId, lnWall, lnSd }): Told => ({ at: 2 * glazeIds.length + bodyIds.indexOf(bodyId), lnWall, weight: 1 / lnSd ** 2 }));
  if (usable.length === 0 && told.length === 0)
    return { glazeIds, bodyIds, mean: Array<number>(size).fill(0), covariance: prior(size), fits: [], unusable, counts, converged: true };
  const evidence = { usable, told };
  const { mean, covariance, converged } = maximumAPosteriori({
    size,
    cost: (at) => cost(evidence, at),
    slopes: (at) => slopesAt(evidence, at),
  });
  const fits = usable.map((one) => ({ id: one.observation.id, sds: residual(one, mean) / one.sd }));
  return { glazeIds, bodyIds, mean, covariance, fits, unusable, counts, converged };
}

/**
 * Returns what was learnt of one glaze on one body. A parameter without any measurement keeps its starting guess and its full spread.
 *
 * @param learning - from `learnCoats`
 * @param pair - glaze and body
 * @example
 * knowledgeOf(learnCoats({ observations: [] }), { glazeId: 'ash', bodyId: 'clay' }).basis // { kind: 'startingGuess' }
 */
export function knowledgeOf(learning: CoatLearning, { glazeId, bodyId }: { glazeId: string; bodyId: string }): CoatKnowledge {
  const { glazeIds, bodyIds, mean, covariance, counts } = learning;
  const [glaze, body] = [glazeIds.indexOf(glazeId), bodyIds.indexOf(bodyId)];
  if (glaze < 0 && body < 0) return PRIOR_KNOWLEDGE;
  const at = [glaze, body < 0 ? -1 : 2 * glazeIds.length + body, glaze < 0 ? -1 : glazeIds.length + glaze];
  const variance = (i: number, j: number): number => {
    const [row, column] = [at[i]!, at[j]!];
    if (row >= 0 && column >= 0) return covariance[row]![column]!;
    return i === j ? PRIOR_LN_SD ** 2 : 0;
  };
  const count = (key: string): number => counts.get(key) ?? 0;
  return {
    shift: at.map((index) => (index < 0 ? 0 : mean[index]!)) as unknown as CoatKnowledge['shift'],
    covariance: [0, 1, 2].map((i) => [0, 1, 2].map((j) => variance(i, j))),
    basis: {
      kind: 'learnt',
      pair: count(pairKey(glazeId, bodyId)),
      glaze: count(`glaze ${glazeId}`),
      body: count(`body ${bodyId}`),
      ...(count(`thirst ${bodyId}`) > 0 ? { thirstTest: true } : {}),
    },
  };
}

interface Usable {
  observation: CoatObservation;
  lnCoat: number;
  /** Of the measurement and of counting seconds together. */
  sd: number;
  /** Positions of its three parameters. */
  at: readonly [cake: number, wall: number, film: number];
}

/** A wall measured in water: the position of its parameter, and its weight. */
interface Told {
  at: number;
  lnWall: number;
  weight: number;
}

interface Evidence {
  usable: readonly Usable[];
  told: readonly Told[];
}

const pairKey = (glazeId: string, bodyId: string): string => `pair ${glazeId} ${bodyId}`;

function usableFrom(observation: CoatObservation, glazeIds: readonly string[], bodyIds: readonly string[]): Usable | undefined {
  const { situation, seconds, coatMm, lnSd } = observation;
  const dip = dipFor(situation, [0, 0, 0]);
  const [before, after] = [lnCoatOf(dip, Math.max(0, seconds - SECONDS_SD)), lnCoatOf(dip, seconds + SECONDS_SD)];
  if (before === undefined || after === undefined || !(coatMm > 0) || !(lnSd > 0)) return undefined;
  const glaze = glazeIds.indexOf(observation.glazeId);
  const fromSeconds = (after - before) / 2;
  return {
    observation,
    lnCoat: Math.log(coatMm),
    sd: Math.hypot(lnSd, fromSeconds),
    at: [glaze, 2 * glazeIds.length + bodyIds.indexOf(observation.bodyId), glazeIds.length + glaze],
  };
}

/** Returns undefined where the glaze is too thick to dip in, or nothing would cling. */
function lnCoatOf(dip: Omit<Dip, 'seconds'>, seconds: number): number | undefined {
  const coat = checkedDipCoat(dip, seconds);
  return coat.kind === 'ok' && coat.coatMm > 0 ? Math.log(coat.coatMm) : undefined;
}

function lnCoatAt({ observation, at }: Usable, mean: readonly number[], axis = -1, by = 0): number {
  const shift = at.map((index, which) => mean[index]! + (which === axis ? by : 0)) as [number, number, number];
  return lnCoatOf(dipFor(observation.situation, shift), observation.seconds) ?? 0;
}

const residual = (one: Usable, mean: readonly number[]): number => one.lnCoat - lnCoatAt(one, mean);

function cost({ usable, told }: Evidence, mean: readonly number[]): number {
  let sum = 0;
  for (const { at, lnWall, weight } of told) sum += weight * (lnWall - mean[at]!) ** 2;
  for (const one of usable) sum += (residual(one, mean) / one.sd) ** 2;
  for (const value of mean) sum += (value / PRIOR_LN_SD) ** 2;
  return sum;
}

/** Information matrix, and the gradient of residuals and priors, at a point. */
function slopesAt({ usable, told }: Evidence, mean: readonly number[]): { information: Matrix; push: number[] } {
  const information = Matrix.eye(mean.length, mean.length, 1 / PRIOR_LN_SD ** 2);
  const push = mean.map((value) => -value / PRIOR_LN_SD ** 2);
  for (const { at, lnWall, weight } of told) {
    information.set(at, at, information.get(at, at) + weight);
    push[at]! += weight * (lnWall - mean[at]!);
  }
  for (const one of usable) {
    const weight = 1 / one.sd ** 2;
    const left = residual(one, mean);
    const slopes = [0, 1, 2].map((axis) => (lnCoatAt(one, mean, axis, STEP) - lnCoatAt(one, mean, axis, -STEP)) / (2 * STEP));
    for (let i = 0; i < 3; i++) {
      push[one.at[i]!]! += weight * slopes[i]! * left;
      for (let j = 0; j <= i; j++) {
        const [row, column] = [one.at[i]!, one.at[j]!];
        const value = information.get(row, column) + weight * slopes[i]! * slopes[j]!;
        // Both entries at once, so that rounding never makes the matrix asymmetric.
        information.set(row, column, value);
        information.set(column, row, value);
      }
    }
  }
  return { information, push };
}

function countsOf(usable: readonly Usable[], walls: readonly WallObservation[]): Map<string, number> {
  const counts = new Map<string, number>(walls.map(({ bodyId }) => [`thirst ${bodyId}`, 1]));
  for (const { observation } of usable) {
    for (const key of [pairKey(observation.glazeId, observation.bodyId), `glaze ${observation.glazeId}`, `body ${observation.bodyId}`]) {
      counts.set(key, (counts.get(key) ?? 0) + 1);
    }
  }
  return counts;
}

const prior = (size: number): number[][] =>
  Array.from({ length: size }, (_, i) => Array.from({ length: size }, (_each, j) => (i === j ? PRIOR_LN_SD ** 2 : 0)));
