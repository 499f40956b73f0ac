import { CholeskyDecomposition, Matrix } from 'ml-matrix';

const MOST_ROUNDS = 40;
/** A step smaller than this in every parameter ends the search. */
const SMALL_ENOUGH = 1e-7;
/** A step is halved down to this share of itself, while it makes the cost worse. */
const LEAST_SHARE = 1e-4;

/** A posterior that is to be made as likely as possible, as a sum of squares. */
export interface Posterior {
  /** How many parameters there are. */
  size: number;
  /** Twice the negative log posterior, up to a constant. */
  cost: (mean: readonly number[]) => number;
  /** The information matrix (the inverse covariance) and the descent direction before it is scaled, at a point. */
  slopes: (mean: readonly number[]) => { information: Matrix; push: number[] };
}

export interface MaximumAPosteriori {
  mean: number[];
  /** Laplace's approximation: the inverse of the information matrix at the mean. */
  covariance: number[][];
  /** False when 40 rounds were not enough. */
  converged: boolean;
}

/**
 * Finds the most likely parameters, from zeros, by Gauss–Newton with halved steps.
 *
 * @param posterior - its parameters are expected to be near 0 on a scale of about 1
 * @returns the parameters, their covariance, and whether the search came to its end (no step above 1e-7)
 * @example
 * // One parameter with the prior N(0, 1) that was measured as 1 with an sd of 1: halfway, and surer.
 * maximumAPosteriori({
 *   size: 1,
 *   cost: ([x]) => x! ** 2 + (x! - 1) ** 2,
 *   slopes: ([x]) => ({ information: new Matrix([[2]]), push: [1 - 2 * x!] }),
 * }) // { mean: [0.5], covariance: [[0.5]], converged: true }
 */
export function maximumAPosteriori({ size, cost, slopes }: Posterior): MaximumAPosteriori {
  let mean = Array<number>(size).fill(0);
  let best = cost(mean);
  let { information, push } = slopes(mean);
  let converged = false;
  for (let round = 0; round < MOST_ROUNDS && !converged; round++) {
    const step = new CholeskyDecomposition(information).solve(Matrix.columnVector(push)).to1DArray();
    let share = 1;
    let next = mean.map((value, index) => value + step[index]!);
    let found = cost(next);
    while (found > best && share > LEAST_SHARE) {
      share /= 2;
      next = mean.map((value, index) => value + share * step[index]!);
      found = cost(next);
    }
    const isBetter = found <= best;
    if (isBetter) {
      mean = next;
      best = found;
    }
    ({ information, push } = slopes(mean));
    converged = !isBetter || share * Math.max(...step.map(Math.abs)) < SMALL_ENOUGH;
  }
  const covariance = new CholeskyDecomposition(information).solve(Matrix.eye(size)).to2DArray();
  return { mean, covariance, converged };
}
