const MOST_ROUNDS = 40;
/** A step smaller than this in every parameter ends the search. */
const SMALL_ENOUGH = 1e-7;
/** A step is halved down to this share of itself, while it makes the cost worse. */
const LEAST_SHARE = 1e-4;

/** A posterior that is to be made as likely as possible, as a sum of squares. */
export interface Posterior<Slopes> {
  /** How many parameters there are. */
  size: number;
  /** Twice the negative log posterior, up to a constant. */
  cost: (mean: readonly number[]) => number;
  /** What `stepFrom` needs at a point, the information matrix (the inverse covariance) among it. */
  slopesAt: (mean: readonly number[]) => Slopes;
  /** The step of Gauss and Newton. */
  stepFrom: (slopes: Slopes) => readonly number[];
}

export interface MaximumAPosteriori<Slopes> {
  mean: number[];
  /** At the mean. The inverse of its information matrix is Laplace's approximation of the covariance. */
  slopes: Slopes;
  /** False when 40 rounds were not enough. */
  converged: boolean;
}

/**
 * Finds the most likely parameters, from zeros, by Gauss–Newton with halved steps.
 *
 * @param posterior - its parameters are expected to be near 0 on a scale of about 1
 * @returns the parameters, the slopes there, and whether the search came to its end (no step above 1e-7)
 * @example
 * // One parameter with the prior N(0, 1) that was measured as 1 with an sd of 1: halfway.
 * maximumAPosteriori({
 *   size: 1,
 *   cost: ([x]) => x! ** 2 + (x! - 1) ** 2,
 *   slopesAt: ([x]) => ({ information: 2, push: 1 - 2 * x! }),
 *   stepFrom: ({ information, push }) => [push / information],
 * }).mean // [0.5]
 */
export function maximumAPosteriori<Slopes>({ size, cost, slopesAt, stepFrom }: Posterior<Slopes>): MaximumAPosteriori<Slopes> {
  let mean = Array<number>(size).fill(0);
  let best = cost(mean);
  let slopes = slopesAt(mean);
  for (let round = 0; round < MOST_ROUNDS; round++) {
    const step = stepFrom(slopes);
    let share = 1;
    const after = (): number[] => mean.map((value, index) => value + share * step[index]!);
    let next = after();
    let found = cost(next);
    while (found > best && share > LEAST_SHARE) {
      share /= 2;
      next = after();
      found = cost(next);
    }
    if (found > best) return { mean, slopes, converged: true };
    mean = next;
    best = found;
    slopes = slopesAt(mean);
    if (share * step.reduce((most, one) => Math.max(most, Math.abs(one)), 0) < SMALL_ENOUGH) return { mean, slopes, converged: true };
  }
  return { mean, slopes, converged: false };
}
