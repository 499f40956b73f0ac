import type { FiringPoint } from '../../melt/heat-work';
import { GAP_SECONDS } from './log-reading';

const NEAR_HOURS = GAP_SECONDS / 3_600;

/** No closed kiln changes faster, °C in an hour; a display and a log may differ by so much. Our own guesses, both on the safe side. */
const FASTEST_CELSIUS_PER_HOUR = 900;
const APART_CELSIUS = 25;

/**
 * Returns what machines and hands read of a firing, in order of time. A reading by hand is left out where a machine read within a quarter of an hour of
 * it, unless it is newer than all that the machine read.
 *
 * @param machine - in order of time
 * @param hand - in any order; the last of one moment counts
 * @example
 * mergedReadings([{ hours: 0, celsius: 20 }], [{ hours: 5, celsius: 600 }, { hours: -1, celsius: 25 }]) // [{ hours: 0, celsius: 20 }, { hours: 5, celsius: 600 }]
 */
export function mergedReadings(machine: readonly FiringPoint[], hand: readonly FiringPoint[]): FiringPoint[] {
  const lastHours = machine.at(-1)?.hours ?? -Infinity;
  const needed = new Map(
    hand
      .filter((reading) => reading.hours >= 0 && (reading.hours > lastHours || !nearestOf(machine, reading.hours)))
      .map((reading) => [reading.hours, reading]),
  );
  return [...machine, ...needed.values()].sort((a, b) => a.hours - b.hours);
}

/**
 * Returns the reading of a machine that a reading by hand cannot follow, or go before: within a quarter of an hour no kiln gets that far. Undefined
 * where both may be true.
 *
 * @param machine - in order of time
 * @param hand - of the same firing
 * @example
 * disputedBy([{ hours: 13.3, celsius: 997 }], { hours: 13.45, celsius: 70 }) // { hours: 13.3, celsius: 997 }
 */
export function disputedBy(machine: readonly FiringPoint[], hand: FiringPoint): FiringPoint | undefined {
  const near = nearestOf(machine, hand.hours);
  if (!near) return undefined;
  const most = APART_CELSIUS + FASTEST_CELSIUS_PER_HOUR * Math.abs(hand.hours - near.hours);
  return Math.abs(hand.celsius - near.celsius) > most ? near : undefined;
}

function nearestOf(machine: readonly FiringPoint[], hours: number): FiringPoint | undefined {
  let nearest: FiringPoint | undefined;
  for (const point of machine)
    if (Math.abs(point.hours - hours) <= Math.min(NEAR_HOURS, Math.abs((nearest?.hours ?? Infinity) - hours))) nearest = point;
  return nearest;
}
