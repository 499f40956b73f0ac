/** Half width of the interval that holds 80 % of a normal distribution, in standard deviations: Φ⁻¹(0.9). */
export const EIGHTY_PERCENT_Z = 1.2816;
/** Standard deviations below which 95 % of a normal distribution lies: Φ⁻¹(0.95). */
export const NINETY_FIVE_PERCENT_Z = 1.6449;

/**
 * Returns the share of a normal distribution that lies below so many standard deviations, 0–1.
 *
 * Accuracy: 7.5e-8. Source: Abramowitz and Stegun, 26.2.17, 1964.
 *
 * @param sds - distance from the mean, in standard deviations
 * @example
 * normalShareBelow(1.2816) // 0.9000084
 */
export function normalShareBelow(sds: number): number {
  const t = 1 / (1 + 0.2316419 * Math.abs(sds));
  const tail = normalDensity(sds) * t * (0.31938153 + t * (-0.356563782 + t * (1.781477937 + t * (-1.821255978 + t * 1.330274429))));
  return sds >= 0 ? 1 - tail : tail;
}

/**
 * Returns the standard deviations below which a share of a normal distribution lies.
 *
 * Accuracy: 4.5e-4. Source: Abramowitz and Stegun, 26.2.23, 1964.
 *
 * @param share - between 0 and 1, neither of them
 * @example
 * normalSdsBelow(0.9) // 1.2817288
 */
export function normalSdsBelow(share: number): number {
  const t = Math.sqrt(-2 * Math.log(Math.min(share, 1 - share)));
  const sds = t - (2.515517 + t * (0.802853 + t * 0.010328)) / (1 + t * (1.432788 + t * (0.189269 + t * 0.001308)));
  return share < 0.5 ? -sds : sds;
}

/**
 * Returns the density of the standard normal distribution.
 *
 * @param sds - distance from the mean, in standard deviations
 * @example
 * normalDensity(0) // 0.3989423
 */
export const normalDensity = (sds: number): number => Math.exp((-sds * sds) / 2) / Math.sqrt(2 * Math.PI);

/**
 * Returns density over share below, φ(x)/Φ(x). It moves the mean of a normal that is cut off at x.
 *
 * Below −6 both are too small to divide; there it is −x − 1/x, which is exact to 1e-3.
 *
 * @param sds - distance from the mean, in standard deviations
 * @example
 * normalHazard(0) // 0.7978846
 */
export const normalHazard = (sds: number): number => (sds < -6 ? -sds - 1 / sds : normalDensity(sds) / normalShareBelow(sds));

/**
 * Returns one draw from the standard normal distribution.
 *
 * Source: Box and Muller, 1958.
 *
 * @param random - gives uniform numbers from 0 to 1; two are used
 * @example
 * normalDraw(() => 0.25) // 0
 */
export const normalDraw = (random: () => number): number => Math.sqrt(-2 * Math.log(1 - random() * (1 - 1e-12))) * Math.cos(2 * Math.PI * random());

/** A value known as a normal distribution. */
export interface NormalEstimate {
  mean: number;
  /** Standard deviation, above 0. */
  sd: number;
}

/**
 * Returns independent estimates of one value as one: the mean weighted by 1/sd², and its standard deviation.
 *
 * @param estimates - one or more, each with an sd above 0
 * @example
 * combineEstimates([{ mean: 1, sd: 1 }, { mean: 3, sd: 1 }]) // { mean: 2, sd: 0.70710678 }
 */
export function combineEstimates(estimates: readonly NormalEstimate[]): NormalEstimate {
  let [weights, sum] = [0, 0];
  for (const { mean, sd } of estimates) {
    weights += 1 / sd ** 2;
    sum += mean / sd ** 2;
  }
  return { mean: sum / weights, sd: Math.sqrt(1 / weights) };
}
