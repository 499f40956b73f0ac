import { PotterError } from '../../checks/potter-error';
import type { FiringPoint } from '../../melt/heat-work';
import { celsiusAt } from '../../melt/kiln-now';
import { naturalCooling, USUAL_PACE, type KilnPace } from '../firing/schedule';

/** A firing as it was read, and as it goes on from there. */
export interface LoggedCurve {
  points: FiringPoint[];
  /** What comes later is foretold, hours since its start. */
  readUntilHours: number;
}

const COOLED_OVER_ROOM = 20;
/** A kiln that nobody read is hardly so much later than it was wanted, hours: read for the first time then, it cools. */
const LATEST_HOURS = 3;
/** This near to its hottest, °C, it has been there. */
const NEAR_PEAK_CELSIUS = 15;

/**
 * Returns the curve of a firing of which readings are there: what was read; after the last reading as it was wanted, later by what it is behind, or
 * its natural cooling.
 *
 * @param question - `log`, in order of time; `wanted`, the curve that was wanted; `pace` of the kiln
 * @throws PotterError for a log without readings
 * @example
 * curveFromLog({ log: [{ hours: 0, celsius: 1200 }, { hours: 4, celsius: 60 }], wanted: [{ hours: 0, celsius: 1200 }, { hours: 9, celsius: 40 }] }).readUntilHours // 4
 */
export function curveFromLog(question: { log: readonly FiringPoint[]; wanted: readonly FiringPoint[]; pace?: KilnPace | undefined }): LoggedCurve {
  const { log, wanted, pace = USUAL_PACE } = question;
  const [first, last] = [log[0], log.at(-1)];
  if (!first || !last) throw new PotterError('emptyList', 'log', 0, 'Nothing was read of this firing yet.');
  const before = first.hours > 0 ? wanted.filter(({ hours }) => hours < first.hours) : [];
  const points = [...before, ...log];
  const rest = isPastPeak(log, wanted) ? cooling(last, pace) : shifted(wanted, last);
  return { points: [...points, ...rest], readUntilHours: last.hours };
}

function isPastPeak(log: readonly FiringPoint[], wanted: readonly FiringPoint[]): boolean {
  const hottest = (curve: readonly FiringPoint[]): FiringPoint => curve.reduce((best, point) => (point.celsius >= best.celsius ? point : best));
  if (wanted.length === 0) return true;
  const [read, meant, last] = [hottest(log), hottest(wanted), log.at(-1)!];
  // Nobody read it before: what was wanted is taken as done.
  if (log[0]!.hours > meant.hours + LATEST_HOURS) return true;
  return (read.celsius >= meant.celsius - NEAR_PEAK_CELSIUS && last.hours >= meant.hours) || read.celsius - last.celsius > 5 * NEAR_PEAK_CELSIUS;
}

/** What was wanted from this temperature on, from the moment of the last reading. */
function shifted(wanted: readonly FiringPoint[], last: FiringPoint): FiringPoint[] {
  const peak = wanted.reduce((best, point) => (point.celsius >= best.celsius ? point : best));
  const at = wanted.findIndex((point, index) => point.celsius >= last.celsius && point.hours <= peak.hours && index > 0);
  if (at < 1 || celsiusAt(wanted, last.hours) <= last.celsius) return wanted.filter(({ hours }) => hours > last.hours);
  const [a, b] = [wanted[at - 1]!, wanted[at]!];
  const meant = b.celsius > a.celsius ? a.hours + ((b.hours - a.hours) * (last.celsius - a.celsius)) / (b.celsius - a.celsius) : b.hours;
  const late = last.hours - meant;
  return wanted.slice(at).flatMap(({ hours, celsius }) => (hours + late > last.hours ? [{ hours: hours + late, celsius }] : []));
}

function cooling(last: FiringPoint, pace: KilnPace): FiringPoint[] {
  const until = pace.roomCelsius + COOLED_OVER_ROOM;
  return last.celsius <= until ? [] : naturalCooling(last, until, pace);
}
