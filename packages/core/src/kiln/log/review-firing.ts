import { attempt, PotterError } from '../../checks/potter-error';
import { CONE_ACTIVATION, coneReached, heatWorkHours, type ConeReached, type FiringPoint } from '../../melt/heat-work';
import { firstAtHours, hottestPoint, lastAtHours, NEAR_PEAK_CELSIUS, nearPeakMinutes } from './curve-times';

/** What was different from what was wanted, when a firing was over. */
export type FiringDifference =
  | { kind: 'cone'; wanted: ConeReached; came: ConeReached }
  | { kind: 'peak'; wantedCelsius: number; cameCelsius: number }
  /** Hours until its hottest. */
  | { kind: 'way'; wantedHours: number; cameHours: number }
  /** Minutes within 10 °C of its hottest. */
  | { kind: 'hold'; wantedMinutes: number; cameMinutes: number }
  /** Hours from 1,000 to 800 °C, where matt surfaces grow. */
  | { kind: 'cooling'; wantedHours: number; cameHours: number }
  /** It fell while it should rise: a power cut or an open door. */
  | { kind: 'fall'; atHours: number; fellCelsius: number }
  | { kind: 'gap'; fromHours: number; hours: number };

const PEAK_CELSIUS = 8;
const CONE_RATIO = 0.15;
const WAY_SHARE = 0.08;
const HOLD_MINUTES = 6;
const COOLING_SHARE = 0.2;
const FALL_CELSIUS = 20;
const GAP_HOURS = 0.25;

/**
 * Returns what was different in a firing from the curve that was wanted, as far as a potter would act on it.
 *
 * @param question - `log`, two readings or more, in order of time; `wanted`
 * @throws PotterError for fewer readings
 * @example
 * reviewFiring({ log: REFERENCE_FIRING, wanted: REFERENCE_FIRING }) // []
 */
export function reviewFiring({ log, wanted }: { log: readonly FiringPoint[]; wanted: readonly FiringPoint[] }): FiringDifference[] {
  if (log.length < 2) throw new PotterError('emptyList', 'log', log.length, 'Too little was read of this firing to compare it.');
  const [came, meant] = [hottestPoint(log), hottestPoint(wanted)];
  const differences: FiringDifference[] = [];
  const cones = attempt(() => ({ wanted: coneReached({ firing: wanted }), came: coneReached({ firing: log }) }));
  const ratio = attempt(() => Math.log(workOf(log) / workOf(wanted)));
  // A cone is some 0.3 to 0.6 apart from the next on this scale.
  if (cones.kind === 'ok' && ratio.kind === 'ok' && Math.abs(ratio.value) > CONE_RATIO) differences.push({ kind: 'cone', ...cones.value });
  if (Math.abs(came.celsius - meant.celsius) > PEAK_CELSIUS)
    differences.push({ kind: 'peak', wantedCelsius: meant.celsius, cameCelsius: came.celsius });
  const [wantedHours, cameHours] = [firstAtHours(wanted, meant.celsius - NEAR_PEAK_CELSIUS), firstAtHours(log, came.celsius - NEAR_PEAK_CELSIUS)];
  if (Math.abs(cameHours - wantedHours) > WAY_SHARE * Math.max(1, wantedHours)) differences.push({ kind: 'way', wantedHours, cameHours });
  const [wantedMinutes, cameMinutes] = [nearPeakMinutes(wanted), nearPeakMinutes(log)];
  if (Math.abs(cameMinutes - wantedMinutes) > HOLD_MINUTES) differences.push({ kind: 'hold', wantedMinutes, cameMinutes });
  const [slow, was] = [coolingHours(wanted), coolingHours(log)];
  if (slow !== undefined && was !== undefined && Math.abs(was - slow) > COOLING_SHARE * slow)
    differences.push({ kind: 'cooling', wantedHours: slow, cameHours: was });
  return [...differences, ...falls(log, came.hours, wanted), ...gaps(log)];
}

const workOf = (firing: readonly FiringPoint[]): number => heatWorkHours({ firing, activationKjPerMol: CONE_ACTIVATION });

function coolingHours(curve: readonly FiringPoint[]): number | undefined {
  if (hottestPoint(curve).celsius < 1_050) return undefined;
  const [from, until] = [lastAtHours(curve, 1_000), lastAtHours(curve, 800)];
  return from === undefined || until === undefined ? undefined : until - from;
}

/** Falls on the way up that nobody wanted: each from its top to its lowest. */
function falls(log: readonly FiringPoint[], peakHours: number, wanted: readonly FiringPoint[]): FiringDifference[] {
  const found: FiringDifference[] = [];
  let top = log[0]!;
  let lowest = top;
  for (const point of log) {
    if (point.hours > peakHours) break;
    if (point.celsius >= top.celsius) {
      if (top.celsius - lowest.celsius > FALL_CELSIUS && !isWanted(wanted, top, lowest)) found.push(fall(top, lowest));
      [top, lowest] = [point, point];
    } else if (point.celsius < lowest.celsius) lowest = point;
  }
  return found;
}

const fall = (top: FiringPoint, lowest: FiringPoint): FiringDifference => ({
  kind: 'fall',
  atHours: top.hours,
  fellCelsius: top.celsius - lowest.celsius,
});

/** The curve goes down there by itself. */
const isWanted = (wanted: readonly FiringPoint[], top: FiringPoint, lowest: FiringPoint): boolean =>
  wanted.some(
    (point, at) =>
      at > 0 && point.celsius < wanted[at - 1]!.celsius - FALL_CELSIUS && point.hours >= top.hours - 1 && wanted[at - 1]!.hours <= lowest.hours + 1,
  );

const gaps = (log: readonly FiringPoint[]): FiringDifference[] =>
  log.flatMap((point, at): FiringDifference[] => {
    const before = log[at - 1];
    return before && point.hours - before.hours > GAP_HOURS ? [{ kind: 'gap', fromHours: before.hours, hours: point.hours - before.hours }] : [];
  });
