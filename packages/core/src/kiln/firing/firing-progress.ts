import { attempt, PotterError } from '../../checks/potter-error';
import { coneReached, type ConeReached, type FiringPoint } from '../../melt/heat-work';
import { celsiusAt, OPEN_BELOW_CELSIUS } from '../../melt/kiln-now';
import { hoursToCool, type KilnPace, USUAL_PACE } from './schedule';

/** What is wrong with a firing that runs. */
export type FiringTrouble =
  /** It goes slower than it is wanted, °C per hour: an element, or its power. */
  | { kind: 'slow'; wantedPerHour: number; comePerHour: number }
  | { kind: 'behind'; byCelsius: number }
  | { kind: 'over'; byCelsius: number }
  /** It cools where it should not. */
  | { kind: 'cooling'; perHour: number }
  /** Nothing was read for so long, hours. */
  | { kind: 'gap'; fromHours: number; hours: number };

/** A firing as far as it was read. */
export interface FiringProgress {
  hours: number;
  celsius: number;
  /** Of the last half hour, °C per hour. */
  perHour: number;
  /** What its heat-work so far amounts to; left out below the lowest cone. */
  cone?: ConeReached | undefined;
  /** When its last heating is done at the pace of now, hours since its start; left out once it is over. */
  doneAtHours?: number | undefined;
  /** When it is cool enough to be opened. */
  opensAtHours: number;
  trouble: FiringTrouble[];
}

const LOOK_BACK_HOURS = 0.5;
const GAP_HOURS = 0.25;
const OFF_CELSIUS = 25;
/** Below this share of the wanted rate it is slow. */
const SLOW_SHARE = 0.7;
const LEAST_RATE = 10;

/**
 * Returns where a firing stands by what was read of it, beside what was wanted: the cone so far, when it is done and may be opened, and what is wrong.
 *
 * @param question - `log` of readings, in order of time; `wanted`, its curve; `pace` of the kiln; `openCelsius`, where the potter opens it
 * @throws PotterError for a log without readings
 * @example
 * firingProgress({ log: [{ hours: 0, celsius: 20 }, { hours: 1, celsius: 120 }], wanted: [{ hours: 0, celsius: 20 }, { hours: 12, celsius: 1220 }] }).perHour // 100
 */
export function firingProgress(question: {
  log: readonly FiringPoint[];
  wanted: readonly FiringPoint[];
  pace?: KilnPace | undefined;
  openCelsius?: number | undefined;
}): FiringProgress {
  const { log, wanted, pace = USUAL_PACE, openCelsius = OPEN_BELOW_CELSIUS } = question;
  const last = log.at(-1);
  if (!last) throw new PotterError('emptyList', 'log', 0, 'Nothing was read of this firing yet.');
  const perHour = rateOf(log, last.hours);
  const peak = peakOf(wanted);
  const cone = log.length > 1 ? attempt(() => coneReached({ firing: log })) : undefined;
  const isHeating = last.hours < peak.hours || (last.celsius < peak.celsius - OFF_CELSIUS && perHour > 0);
  const doneAtHours = isHeating ? doneAt(last, wanted, { perHour, peak }) : undefined;
  const from = doneAtHours === undefined ? last : { hours: doneAtHours, celsius: peak.celsius };
  return {
    hours: last.hours,
    celsius: last.celsius,
    perHour,
    ...(cone?.kind === 'ok' && cone.value.kind !== 'below' ? { cone: cone.value } : {}),
    ...(doneAtHours === undefined ? {} : { doneAtHours }),
    opensAtHours: from.hours + hoursToCool(from.celsius, openCelsius, pace),
    trouble: troubleOf(log, wanted, perHour),
  };
}

function rateOf(log: readonly FiringPoint[], hours: number): number {
  const [from, to] = [log.find((point) => point.hours >= hours - LOOK_BACK_HOURS)!, log.at(-1)!];
  const before = from === to ? log.at(-2) : from;
  return before && to.hours > before.hours ? (to.celsius - before.celsius) / (to.hours - before.hours) : 0;
}

/** The end of the hold at the hottest. */
const peakOf = (curve: readonly FiringPoint[]): FiringPoint => curve.reduce((best, point) => (point.celsius >= best.celsius ? point : best));

/** As wanted where it keeps up; later by what it is behind, at the pace of now. */
function doneAt(last: FiringPoint, wanted: readonly FiringPoint[], { perHour, peak }: { perHour: number; peak: FiringPoint }): number {
  const first = wanted.find(({ celsius }) => celsius >= peak.celsius) ?? peak;
  const hold = peak.hours - first.hours;
  const wantedPerHour = rateOfCurve(wanted, last.hours);
  const left = peak.celsius - last.celsius;
  const planned = wanted.find((point) => point.hours > last.hours && point.celsius >= last.celsius);
  const isKept = celsiusAt(wanted, last.hours) - last.celsius < OFF_CELSIUS && (wantedPerHour <= 0 || perHour >= SLOW_SHARE * wantedPerHour);
  if (isKept || !planned || perHour < LEAST_RATE) return Math.max(peak.hours, last.hours);
  return last.hours + left / perHour + hold;
}

function rateOfCurve(curve: readonly FiringPoint[], hours: number): number {
  const before = Math.max(0, hours - LOOK_BACK_HOURS);
  return hours > before ? (celsiusAt(curve, hours) - celsiusAt(curve, before)) / (hours - before) : 0;
}

function troubleOf(log: readonly FiringPoint[], wanted: readonly FiringPoint[], perHour: number): FiringTrouble[] {
  const last = log.at(-1)!;
  const wantedPerHour = rateOfCurve(wanted, last.hours);
  const lacks = celsiusAt(wanted, last.hours) - last.celsius;
  const isHeating = last.hours <= peakOf(wanted).hours;
  const gaps = log.flatMap((point, at): FiringTrouble[] => {
    const before = log[at - 1];
    const hours = before ? point.hours - before.hours : 0;
    return hours > GAP_HOURS ? [{ kind: 'gap', fromHours: before!.hours, hours }] : [];
  });
  if (!isHeating) return gaps;
  const isCooling = wantedPerHour >= 0 && perHour < -LEAST_RATE;
  const isSlow = !isCooling && wantedPerHour > LEAST_RATE && perHour < SLOW_SHARE * wantedPerHour && lacks > OFF_CELSIUS / 2;
  return [
    ...(isCooling ? [{ kind: 'cooling' as const, perHour: -perHour }] : []),
    ...(isSlow ? [{ kind: 'slow' as const, wantedPerHour, comePerHour: perHour }] : []),
    ...(lacks > OFF_CELSIUS ? [{ kind: 'behind' as const, byCelsius: lacks }] : []),
    ...(-lacks > OFF_CELSIUS ? [{ kind: 'over' as const, byCelsius: -lacks }] : []),
    ...gaps,
  ];
}
