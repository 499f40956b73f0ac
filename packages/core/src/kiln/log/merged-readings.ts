import type { FiringPoint } from '../../melt/heat-work';
import { GAP_SECONDS } from './log-reading';

const NEAR_HOURS = GAP_SECONDS / 3_600;

/**
 * Returns what machines and hands read of a firing, in order of time. Where a machine read within a quarter of an hour, the hand is not needed.
 *
 * @param machine - in order of time
 * @param hand - in any order; the last of one moment counts
 * @example
 * mergedReadings([{ hours: 0, celsius: 20 }], [{ hours: 5, celsius: 600 }, { hours: 0.1, celsius: 25 }]) // [{ hours: 0, celsius: 20 }, { hours: 5, celsius: 600 }]
 */
export function mergedReadings(machine: readonly FiringPoint[], hand: readonly FiringPoint[]): FiringPoint[] {
  const needed = new Map(
    hand
      .filter(({ hours }) => hours >= 0 && !machine.some((point) => Math.abs(point.hours - hours) <= NEAR_HOURS))
      .map((point) => [point.hours, point]),
  );
  return [...machine, ...needed.values()].sort((a, b) => a.hours - b.hours);
}
