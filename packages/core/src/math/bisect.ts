/** No interval is halved more often: 60 halvings leave less than a quintillionth of its width. */
const MOST_HALVINGS = 60;

export interface Bracket {
  /** Largest value tried that is not past the point. */
  low: number;
  /** Smallest value tried that is past it. */
  high: number;
  middle: number;
}

/**
 * Finds by halving where `isPast` turns from false to true as its argument rises.
 *
 * @param search - where to look
 * @param search.low - where `isPast` is false, or taken to be
 * @param search.high - where `isPast` is true, or taken to be; not below `low`
 * @param search.isPast - false below the point and true above it; asked at most 60 times
 * @param search.width - the search ends when the bracket is no wider, in the unit of `low`; 0 for as narrow as 60 halvings make it
 * @returns the bracket around the point and its middle. Where `isPast` never turns, an end of the interval.
 * @example
 * bisect({ low: 0, high: 2, isPast: (x) => x * x > 2 }).middle // 1.4142135623730951
 */
export function bisect({ low, high, isPast, width = 0 }: { low: number; high: number; isPast: (value: number) => boolean; width?: number }): Bracket {
  for (let round = 0; round < MOST_HALVINGS && high - low > width; round++) {
    const middle = (low + high) / 2;
    if (isPast(middle)) high = middle;
    else low = middle;
  }
  return { low, high, middle: (low + high) / 2 };
}

/**
 * Finds by halving the least whole number for which `isPast` is true.
 *
 * @param search - where to look
 * @param search.low - whole, with `isPast` false
 * @param search.high - whole, with `isPast` true, above `low`
 * @param search.isPast - false below the number and true from it on
 * @returns the least whole number above `low` for which `isPast` is true
 * @example
 * bisectWhole({ low: 0, high: 100, isPast: (n) => n * n >= 50 }) // 8
 */
export function bisectWhole({ low, high, isPast }: { low: number; high: number; isPast: (value: number) => boolean }): number {
  while (high - low > 1) {
    const middle = Math.floor((low + high) / 2);
    if (isPast(middle)) high = middle;
    else low = middle;
  }
  return high;
}
