import { PRIOR_KNOWLEDGE, PRIOR_LN_SD, type CoatKnowledge } from '../coat/prediction/knowledge';
import { inverseOf, solveWith, type BorderedInverse } from '../math/bordered-blocks';
import { maximumAPosteriori } from '../math/maximum-a-posteriori';
import {
  costOf,
  missesOf,
  slopesOf,
  usableDip,
  type CoatEvidence,
  type CoatObservation,
  type UsableDip,
  type WallObservation,
} from './coat-evidence';

/** What all measured dips of a studio taught; plain data, so that a worker can pass it on. */
export interface CoatLearning {
  /** Positions of each glaze and each body in what follows. */
  glazes: ReadonlyMap<string, number>;
  bodies: ReadonlyMap<string, number>;
  /** Shifts of ln from the starting guesses: J_cake of each glaze, then f of each glaze, then J_wall of each body. */
  mean: readonly number[];
  /** Their covariance, in parts: glazes meet only through bodies. */
  covariance: BorderedInverse;
  /** How each dip fits, in its own sd. */
  fits: readonly { id: string; sds: number }[];
  /** Dips that no model can use: too thick to dip in, or not a dip. */
  unusable: readonly string[];
  counts: ReadonlyMap<string, number>;
  converged: boolean;
}

/** A dip that misses its prediction by more than this many of its own sd is asked about. */
export const OUTLIER_SDS = 3;

/**
 * Returns what all measured dips of a studio teach together: ln J_cake and ln f of each glaze, ln J_wall of each body, with their covariance.
 * A glaze weighed on one body sharpens what is known of it on every other, and the other way round. The work grows with the count of dips:
 * glazes are solved one by one, and only the bodies that join them together.
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
  const glazes = positions(observations.map((one) => one.glazeId));
  const bodies = positions([...observations, ...walls].map((one) => one.bodyId));
  const dips: UsableDip[] = [];
  const unusable: string[] = [];
  for (const observation of observations) {
    const dip = usableDip(observation, { glaze: glazes.get(observation.glazeId)!, body: bodies.get(observation.bodyId)! });
    if (dip) dips.push(dip);
    else unusable.push(observation.id);
  }
  const evidence: CoatEvidence = {
    dips,
    walls: walls.map(({ bodyId, lnWall, lnSd }) => ({ body: bodies.get(bodyId)!, lnWall, weight: 1 / lnSd ** 2 })),
    glazes: glazes.size,
    bodies: bodies.size,
  };
  const { mean, slopes, converged } = maximumAPosteriori({
    size: 2 * glazes.size + bodies.size,
    cost: (at) => costOf(evidence, at),
    slopesAt: (at) => slopesOf(evidence, at),
    stepFrom: ({ information, push }) => solveWith(information.inverse(), push),
  });
  const fits = missesOf(evidence, mean).map((sds, index) => ({ id: dips[index]!.id, sds }));
  const counts = countsOf(observations, new Set(unusable), walls);
  return { glazes, bodies, mean, covariance: slopes.information.inverse(), fits, unusable, counts, converged };
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
  const { glazes, bodies, mean, counts } = learning;
  const [block, border] = [glazes.get(glazeId), bodies.get(bodyId)];
  if (block === undefined && border === undefined) return PRIOR_KNOWLEDGE;
  const [cake, film, wall] = inverseOf(learning.covariance, { block, border });
  const untold = PRIOR_LN_SD ** 2;
  const count = (key: string): number => counts.get(key) ?? 0;
  return {
    shift: [
      block === undefined ? 0 : mean[block]!,
      border === undefined ? 0 : mean[2 * glazes.size + border]!,
      block === undefined ? 0 : mean[glazes.size + block]!,
    ],
    covariance: [
      [block === undefined ? untold : cake[0], cake[2], cake[1]],
      [wall[0], border === undefined ? untold : wall[2], wall[1]],
      [film[0], film[2], block === undefined ? untold : film[1]],
    ],
    basis: {
      kind: 'learnt',
      pair: count(pairKey(glazeId, bodyId)),
      glaze: count(`glaze ${glazeId}`),
      body: count(`body ${bodyId}`),
      ...(count(`thirst ${bodyId}`) > 0 ? { thirstTest: true } : {}),
    },
  };
}

const pairKey = (glazeId: string, bodyId: string): string => `pair ${glazeId} ${bodyId}`;

const positions = (ids: readonly string[]): Map<string, number> => new Map([...new Set(ids)].map((id, index) => [id, index]));

function countsOf(observations: readonly CoatObservation[], unusable: ReadonlySet<string>, walls: readonly WallObservation[]): Map<string, number> {
  const counts = new Map<string, number>(walls.map(({ bodyId }) => [`thirst ${bodyId}`, 1]));
  for (const { id, glazeId, bodyId } of observations) {
    if (unusable.has(id)) continue;
    for (const key of [pairKey(glazeId, bodyId), `glaze ${glazeId}`, `body ${bodyId}`]) counts.set(key, (counts.get(key) ?? 0) + 1);
  }
  return counts;
}
