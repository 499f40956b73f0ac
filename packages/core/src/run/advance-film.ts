import type { Flow } from './film-flow';
import { flowsAt, heightAt, movingFilm, putBack } from './film-record';
import type { WallStrip } from './wall-strip';
import { carry, fluxes } from './carry-film';

/** Courant number of the explicit steps: below 1, so that no cell gives more than it has. */
const COURANT = 0.9;

/**
 * Moves the film on through part of the firing, in place, and returns the steps it took. The layers move as one: ln F is their mean by share,
 * plus ln ω · 4x₁x₂ for every pair. The fastest cell decides the step; a cell's speed is three times its flux over its height.
 *
 * @param moving - mm by layer, then by cell; changed in place
 * @param strip - the wall
 * @param flow - of the layers and pairs
 * @param until - the share of the firing; the height at the lower end that is enough; the most steps
 * @param off - what left the lower end, mm³ by layer; added to in place
 * @example
 * advance(new Float64Array(3), uprightStrip({ lengthMm: 3, cellMm: 1 }), flowOf([{ meltedMm: new Float64Array(3), flow: 60 }], undefined, new Float64Array(3).fill(1)), { share: 1, endMm: Infinity, mostSteps: 10 }, new Float64Array(1))
 * // 0
 */
export function advance(
  moving: Float64Array,
  strip: WallStrip,
  flow: Flow,
  until: { share: number; endMm: number; mostSteps: number },
  off: Float64Array,
): number {
  const { count } = strip;
  const film = movingFilm(moving, strip, flow);
  let left = until.share;
  let steps = 0;
  let first = 0;
  while (first < count && heightAt(film, first) === 0) first += 1;
  let last = count - 1;
  while (last >= first && heightAt(film, last) === 0) last -= 1;
  let fastest = fluxes(film, first, last);
  while (left > 0 && steps < until.mostSteps && last >= first) {
    const step = fastest > 0 ? Math.min(left, COURANT / (3 * fastest)) : left;
    // What leaves the lowest cell that moves goes to the next one, or off the strip at its end.
    if (last + 1 < count && flowsAt(film, last)) last += 1;
    fastest = carry(film, step, first, last, off);
    left -= step;
    steps += 1;
    if (last === count - 1 && heightAt(film, last) > until.endMm) break;
  }
  putBack(film, moving);
  return steps;
}
