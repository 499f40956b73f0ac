import { DRY_THROUGH_HOURS } from '../../coat/wall/wall-state';
import type { FiringSchedule, FiringSegment } from '../../kiln/firing/schedule';
import type { PiecePlan, Zone } from '../../plan/piece-plan';
import type { FaultPlace } from '../fired-coat';
import type { ResultChange } from './result-change';

const STARTS_CELSIUS = 20;

/**
 * Returns a plan with one change made; undefined where this change is none of the plan.
 *
 * @param plan - of the piece
 * @param change - from `changesFor` or `runCauses`
 * @param where - the place of the fault
 * @example
 * planWithChange({ shapeId: 'cup', zones: { inside: [], outside: [{ id: 'a', bucketId: 'ash', method: 'dip', coatMm: 0.9 }], rim: [], foot: [] }, waxFootMm: 10, rimBandMm: 0, order: [], putAside: [] }, { kind: 'thinnerCoat', from: 0.9, to: 0.5, chanceBefore: 0.4, chanceAfter: 0.1 }, 'outside').zones.outside[0].coatMm // 0.5
 */
export function planWithChange(plan: PiecePlan, { kind, from, to }: ResultChange, where: FaultPlace): PiecePlan | undefined {
  const zone = zoneOf(plan, where);
  switch (kind) {
    case 'thinnerCoat':
    case 'thickerCoat':
      if (!from || !to) return undefined;
      return withZone(plan, zone, (layers) => layers.map((layer) => ({ ...layer, coatMm: roundMm((layer.coatMm * to) / from) })));
    case 'evenCoats':
      return evened(plan);
    case 'otherOrder':
      return plan.zones[zone].length < 2 ? undefined : withZone(plan, zone, (layers) => [...layers.slice(0, -2), layers.at(-1)!, layers.at(-2)!]);
    case 'higherEdge':
      return to === undefined ? undefined : { ...plan, waxFootMm: Math.ceil(to) };
    case 'dryLonger':
      return { ...plan, dryHours: Math.max(plan.dryHours ?? 0, DRY_THROUGH_HOURS) };
    case 'coolerPlace':
    case 'hotterPlace': {
      const { placeCelsius: _celsius, kilnId: _kiln, shelfId: _shelf, ...firing } = plan.firing ?? {};
      return { ...plan, firing: { ...firing, place: kind === 'coolerPlace' ? 'cool' : 'hot' } };
    }
    default:
      return undefined;
  }
}

/**
 * Returns a schedule with one change made; undefined where this change is none of a schedule, or the schedule has no such part.
 *
 * @param schedule - by which it was fired
 * @param change - from `changesFor`
 * @example
 * scheduleWithChange({ segments: [{ celsiusPerHour: 150, toCelsius: 1220, holdMinutes: 0 }] }, { kind: 'holdLonger', to: 15, chanceBefore: 0.4, chanceAfter: 0.1 }).segments[0].holdMinutes // 15
 */
export function scheduleWithChange<Schedule extends FiringSchedule>(schedule: Schedule, { kind, to }: ResultChange): Schedule | undefined {
  const { segments } = schedule;
  const peakAt = segments.reduce((best, { toCelsius }, at) => (toCelsius >= segments[best]!.toCelsius ? at : best), 0);
  if (to === undefined || segments.length === 0) return undefined;
  const made = (next: readonly FiringSegment[]): Schedule => ({ ...schedule, segments: [...next] });
  switch (kind) {
    case 'holdLonger':
      return made(segments.map((segment, at) => (at === peakAt ? { ...segment, holdMinutes: Math.max(segment.holdMinutes, to) } : segment)));
    case 'slowerOver1000':
      return made(
        slowed(segments.slice(0, peakAt + 1), { fromCelsius: 1_000, untilCelsius: Infinity, perHour: to }).concat(segments.slice(peakAt + 1)),
      );
    case 'slowerAt570': {
      const up = slowed(segments.slice(0, peakAt + 1), { fromCelsius: 520, untilCelsius: 620, perHour: to });
      return made([...up, ...segments.slice(peakAt + 1)]);
    }
    case 'slowerFromPeak':
      return made(cooled(segments, peakAt, { downTo: 1_100, perHour: to }));
    case 'fasterCooling':
      // As the kiln falls by itself: what held it up goes.
      return made(segments.filter(({ toCelsius }, at) => at <= peakAt || toCelsius < 900));
    default:
      return undefined;
  }
}

function slowed(
  segments: readonly FiringSegment[],
  { fromCelsius, untilCelsius, perHour }: { fromCelsius: number; untilCelsius: number; perHour: number },
): FiringSegment[] {
  let at = STARTS_CELSIUS;
  return segments.flatMap((segment): FiringSegment[] => {
    const [low, high] = [at, segment.toCelsius];
    at = high;
    const isSlow = segment.celsiusPerHour !== undefined && segment.celsiusPerHour <= perHour;
    if (isSlow || high <= fromCelsius || low >= untilCelsius) return [segment];
    const rest = { ...segment, holdMinutes: 0 };
    return [
      ...(low < fromCelsius ? [{ ...rest, toCelsius: fromCelsius }] : []),
      ...(high > untilCelsius
        ? [{ celsiusPerHour: perHour, toCelsius: untilCelsius, holdMinutes: 0 }, segment]
        : [{ ...segment, celsiusPerHour: perHour }]),
    ];
  });
}

/** The first piece of the way down at a rate that the kiln keeps. */
function cooled(segments: readonly FiringSegment[], peakAt: number, { downTo, perHour }: { downTo: number; perHour: number }): FiringSegment[] {
  const [up, down] = [segments.slice(0, peakAt + 1), segments.slice(peakAt + 1)];
  const rest = down.filter(({ toCelsius }) => toCelsius < downTo);
  const first = down.find(({ toCelsius }) => toCelsius >= downTo);
  const rate = Math.min(perHour, first?.celsiusPerHour ?? Infinity);
  return [...up, { celsiusPerHour: rate, toCelsius: downTo, holdMinutes: first?.holdMinutes ?? 0 }, ...rest];
}

/** The thicker of inside and outside as thick as 1.3 times the thinner. */
function evened(plan: PiecePlan): PiecePlan | undefined {
  const sum = (zone: 'inside' | 'outside'): number => plan.zones[zone].reduce((all, { coatMm }) => all + coatMm, 0);
  const [inside, outside] = [sum('inside'), sum('outside')];
  if (inside <= 0 || outside <= 0) return undefined;
  const thick = inside > outside ? 'inside' : 'outside';
  const times = (1.3 * Math.min(inside, outside)) / Math.max(inside, outside);
  return times >= 1 ? undefined : withZone(plan, thick, (layers) => layers.map((layer) => ({ ...layer, coatMm: roundMm(layer.coatMm * times) })));
}

/** The rim has the coats of the outside where it has none of its own. */
function zoneOf({ zones }: PiecePlan, where: FaultPlace): Zone {
  return zones[where].length > 0 || where === 'inside' ? where : 'outside';
}

const withZone = (plan: PiecePlan, zone: Zone, change: (layers: PiecePlan['zones'][Zone]) => PiecePlan['zones'][Zone]): PiecePlan => ({
  ...plan,
  zones: { ...plan.zones, [zone]: change(plan.zones[zone]) },
});

const roundMm = (mm: number): number => Number(mm.toFixed(2));
