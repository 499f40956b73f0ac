import type { FiringPoint } from '../../melt/heat-work';
import { coolingHoursOf } from '../firing/cooling-pace';
import { fullnessFactor, type KilnToModel } from '../firing/kiln-model';
import { USUAL_PACE, type KilnPace } from '../firing/schedule';

/** A firing of this kiln that was read. */
export interface LoggedFiring {
  points: readonly FiringPoint[];
  /** Of what stood in it, without furniture; left out where nobody knows. */
  loadGrams?: number | undefined;
}

/** How a kiln goes, and what that rests on. */
export interface LearntPace extends KilnPace {
  /** Logs that told its cooling; 0: a usual kiln. */
  coolingLogs: number;
  heatingLogs: number;
}

/** The rate over so long counts as the pace of a kiln, hours. */
const LOOK_HOURS = 0.5;
/** Only over this, °C: below, most kilns are held back. */
const FROM_CELSIUS = 600;

/**
 * Returns how a kiln heats and cools, learnt from its logs: its time constant of cooling, each log corrected for how full it was, and the fastest it
 * was seen to go. A kiln without logs is a usual one.
 *
 * Source: science §9, cooling slows with the load.
 *
 * @param kiln - its chamber
 * @param logs - of its firings
 * @param loadGrams - of the load that is asked about
 * @throws PotterError for a weight that is none
 * @example
 * learntPace({ chamber: { kind: 'round', diameterMm: 400, heightMm: 500 } }, []).coolingLogs // 0
 */
export function learntPace(kiln: KilnToModel, logs: readonly LoggedFiring[], loadGrams = 0): LearntPace {
  const cooling = logs.flatMap(({ points, loadGrams: grams = 0 }) => {
    const hours = coolingHoursOf(points);
    return hours === undefined ? [] : [hours / fullnessFactor(kiln, grams)];
  });
  const fastest = logs.map(({ points }) => fastestOf(points)).filter((rate) => rate > 0);
  const empty = cooling.length === 0 ? USUAL_PACE.coolingHours : Math.exp(cooling.reduce((sum, hours) => sum + Math.log(hours), 0) / cooling.length);
  return {
    ...USUAL_PACE,
    coolingHours: empty * fullnessFactor(kiln, loadGrams),
    fastestCelsiusPerHour: Math.max(USUAL_PACE.fastestCelsiusPerHour, ...fastest),
    coolingLogs: cooling.length,
    heatingLogs: fastest.length,
  };
}

function fastestOf(points: readonly FiringPoint[]): number {
  let best = 0;
  let from = 0;
  for (let at = 1; at < points.length; at++) {
    while (points[at]!.hours - points[from + 1]!.hours >= LOOK_HOURS && from + 1 < at) from++;
    const [a, b] = [points[from]!, points[at]!];
    if (a.celsius >= FROM_CELSIUS && b.hours - a.hours >= LOOK_HOURS) best = Math.max(best, (b.celsius - a.celsius) / (b.hours - a.hours));
  }
  return best;
}
