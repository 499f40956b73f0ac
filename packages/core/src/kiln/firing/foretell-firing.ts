import type { FiringPoint } from '../../melt/heat-work';
import { celsiusAt } from '../../melt/kiln-now';
import type { KilnModel } from './kiln-model';
import { scheduleCurve, type FiringSchedule, type KilnPace, USUAL_PACE } from './schedule';
import { SimulatedKiln } from './simulated-kiln';

/** How a firing would go in a kiln, by its model. */
export interface FiringForetold {
  /** As wanted, and as the kiln would follow, until its last step is done. */
  wanted: FiringPoint[];
  followed: FiringPoint[];
  /** What its elements take, kWh. */
  kilowattHours: number;
  /** Where it falls behind: it is wanted to go faster than it can there, °C per hour. */
  behind?: { fromCelsius: number; wantedPerHour: number; canPerHour: number } | undefined;
}

/** A reading so often, s; and how far behind is behind, °C. */
const READ_SECONDS = 120;
const BEHIND_CELSIUS = 25;

/**
 * Returns how a schedule would go in a kiln: its curve, its energy, and what the kiln cannot follow. It rests on the model, which is a guess until
 * logs correct it.
 *
 * @param schedule - its segments
 * @param model - of the kiln with its load
 * @param pace - how it goes where no rate is given
 * @throws PotterError as `scheduleCurve`
 * @example
 * foretellFiring({ segments: [{ celsiusPerHour: 100, toCelsius: 1000, holdMinutes: 10 }] }, kilnModel({ chamber: { kind: 'round', diameterMm: 400, heightMm: 500 }, powerWatts: 9000 }, 8_000)).behind
 * // undefined
 */
export function foretellFiring(schedule: FiringSchedule, model: KilnModel, pace: KilnPace = USUAL_PACE): FiringForetold {
  const wanted = scheduleCurve(schedule, pace);
  const last = scheduleEnd(schedule, wanted);
  const kiln = new SimulatedKiln(model, wanted);
  const followed: FiringPoint[] = [{ hours: 0, celsius: model.roomCelsius }];
  let behind: FiringForetold['behind'];
  for (let seconds = READ_SECONDS; seconds <= last * 3_600; seconds += READ_SECONDS) {
    kiln.run(READ_SECONDS);
    const [before, hours] = [followed.at(-1)!, seconds / 3_600];
    followed.push({ hours, celsius: kiln.now.wareCelsius });
    const target = celsiusAt(wanted, hours);
    const wantedPerHour = (target - celsiusAt(wanted, before.hours)) / (hours - before.hours);
    if (!behind && wantedPerHour > 0 && target - kiln.now.wareCelsius > BEHIND_CELSIUS)
      behind = { fromCelsius: kiln.now.wareCelsius, wantedPerHour, canPerHour: (kiln.now.wareCelsius - before.celsius) / (hours - before.hours) };
  }
  return { wanted, followed, kilowattHours: kiln.now.inJoule / 3.6e6, ...(behind ? { behind } : {}) };
}

/** When its last step is done, hours: from there it only cools. */
function scheduleEnd({ segments }: FiringSchedule, wanted: readonly FiringPoint[]): number {
  const { toCelsius } = segments.at(-1)!;
  const at = wanted.findLastIndex(({ celsius }) => Math.abs(celsius - toCelsius) < 1e-9);
  return wanted[Math.max(0, at)]!.hours;
}
