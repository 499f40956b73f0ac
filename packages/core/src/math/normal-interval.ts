import { PotterError } from '../checks/potter-error';
import { simpson } from './quadrature';
import { normalDensity } from './normal';

/** Past this many nats below its largest value a density adds nothing. */
const NOTHING_LEFT = 32;
const PARTS = 80;

export interface IntervalLikelihood {
  /** ln of the probability that a normal value lies in the interval. */
  ln: number;
  /** Its first derivative by the mean, and minus its second: how much the mean is pulled, and how firmly it is held. */
  slope: number;
  hold: number;
}

/**
 * Returns how likely a normal value lies between two bounds, with derivatives by its mean. It stays exact where both bounds lie far out on one
 * side, and for narrow intervals.
 *
 * @param bounds - `low` and `high`, -∞ to ∞, low below high; `mean` and `sd` above 0
 * @throws PotterError `wrongSide` where low is not below high
 * @example
 * normalInterval({ low: 0, high: Infinity, mean: 0, sd: 1 }).ln // -0.69314718
 */
export function normalInterval({ low, high, mean, sd }: { low: number; high: number; mean: number; sd: number }): IntervalLikelihood {
  if (!(low < high)) throw new PotterError('wrongSide', 'high', high, 'What was still wet cannot have been dry before.');
  const [a, b] = [(low - mean) / sd, (high - mean) / sd];
  // Both on the left: mirrored, so that the nearer bound is at or right of the middle.
  if (b < 0) {
    const { ln, slope, hold } = inUpperHalf(-b, -a);
    return { ln, slope: -slope / sd, hold: hold / sd ** 2 };
  }
  if (a >= 0) {
    const { ln, slope, hold } = inUpperHalf(a, b);
    return { ln, slope: slope / sd, hold: hold / sd ** 2 };
  }
  const share = normalDensity(0) * (fromNear(0, b) + fromNear(0, -a));
  return from(Math.log(share), ratioAt(a, share), ratioAt(b, share), a, b, sd);
}

/** Both bounds right of the middle, `a` the nearer: in units of the density there, which may be too small for a number. */
function inUpperHalf(a: number, b: number): IntervalLikelihood {
  const whole = fromNear(a, b);
  const far = b === Infinity ? 0 : Math.exp((a * a - b * b) / 2);
  const ln = Math.log(whole) - (a * a) / 2 - 0.5 * Math.log(2 * Math.PI);
  return from(ln, 1 / whole, far / whole, a, b, 1);
}

/** ∫ exp(-(a t + t²/2)) dt from 0 to b - a: the probability over the density at a. */
function fromNear(a: number, b: number): number {
  const to = Math.min(b - a, Math.sqrt(a * a + 2 * NOTHING_LEFT) - a);
  return to * simpson((share) => Math.exp(-share * to * (a + (share * to) / 2)), PARTS);
}

const ratioAt = (z: number, share: number): number => (Number.isFinite(z) ? normalDensity(z) / share : 0);

/** From the densities at both bounds over the probability. */
function from(ln: number, atLow: number, atHigh: number, a: number, b: number, sd: number): IntervalLikelihood {
  const pull = atLow - atHigh;
  const bend = (Number.isFinite(b) ? b * atHigh : 0) - (Number.isFinite(a) ? a * atLow : 0);
  return { ln, slope: pull / sd, hold: Math.max(0, bend + pull * pull) / sd ** 2 };
}
