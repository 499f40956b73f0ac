import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';

/**
 * Returns a source of uniform numbers from 0 (included) to 1 (excluded) that repeats for a seed. Good for simulation, not for secrets.
 *
 * Source: xoroshiro128+ (Blackman and Vigna, 2018), by the package pure-rand.
 *
 * @param seed - a whole number from −2³¹ to 2³¹ − 1
 * @example
 * seededUniform(7)() === seededUniform(7)() // true
 */
export function seededUniform(seed: number): () => number {
  const generator = xoroshiro128plus(seed);
  return () => uniformFloat64(generator);
}
