import type { Firing, FiringEvent, Kiln } from '@cazuela/contract';
import {
  attempt,
  curveFromLog,
  disputedBy,
  HOUR_MS,
  mergedReadings,
  scheduleCurve,
  USUAL_PACE,
  type FiringPoint,
  type KilnPace,
  type MeterReading,
} from '@cazuela/core';

/** A firing as far as it was read, by machine and by hand; all hours since it was lit. */
export interface FiringRead {
  /** As it was wanted. */
  wanted: readonly FiringPoint[];
  /** As it was read. */
  log: readonly FiringPoint[];
  /** What was read, and what follows; as wanted where nobody read it. */
  curve: readonly FiringPoint[];
  /** What is later is foretold; undefined where nobody read it. */
  readUntilHours: number | undefined;
  meter: readonly MeterReading[];
  /** Its log is being written. */
  isRunning: boolean;
}

/** What was read off a kiln or its meter by hand. */
export type FiringNote = Extract<FiringEvent, { type: 'kilnRead' | 'meterRead' }>;

/** Notes by hand that were not taken back, newest last. */
export function notesOf(events: readonly FiringEvent[] = []): FiringNote[] {
  const undone = new Set(events.flatMap((event) => (event.type === 'undone' ? [event.eventId] : [])));
  return events.filter(isNote).filter(({ id }) => !undone.has(id));
}

const isNote = (event: FiringEvent): event is FiringNote => event.type === 'kilnRead' || event.type === 'meterRead';

/** Returns what was read of a firing beside what was wanted of it. */
export function firingRead({ body, log, events }: Omit<Firing, 'id' | 'version'>, pace: KilnPace = USUAL_PACE): FiringRead {
  const startMs = Date.parse(body.startedAt);
  const hoursAt = (at: string): number => (Date.parse(at) - startMs) / HOUR_MS;
  const notes = notesOf(events);
  const hand = notes.flatMap((note) => (note.type === 'kilnRead' ? [{ hours: hoursAt(note.readAt), celsius: note.celsius }] : []));
  const meter = notes.flatMap((note) => (note.type === 'meterRead' ? [{ hours: hoursAt(note.readAt), kilowattHours: note.kilowattHours }] : []));
  const read = mergedReadings(machineRead({ body, log }), hand);
  const planned = body.schedule && attempt(() => scheduleCurve(body.schedule!, pace));
  const wanted = planned?.kind === 'ok' ? planned.value : body.points;
  const made = attempt(() => curveFromLog({ log: read, wanted, pace }));
  const isRunning = log?.endedAt === null;
  if (made.kind !== 'ok') return { wanted, log: [], curve: wanted, readUntilHours: undefined, meter, isRunning };
  return { wanted, log: read, curve: made.value.points, readUntilHours: made.value.readUntilHours, meter, isRunning };
}

/** What its log read, by hours since it was lit. */
function machineRead({ body, log }: Pick<Firing, 'body' | 'log'>): FiringPoint[] {
  const shift = log ? (Date.parse(log.beganAt) - Date.parse(body.startedAt)) / HOUR_MS : 0;
  return (log?.points ?? []).map(({ hours, celsius }) => ({ hours: hours + shift, celsius })).filter(({ hours }) => hours >= 0);
}

/** What its log read about the same time, where a reading off its display cannot be true beside it; `minutes` from then. */
export function readingDisputedBy(
  firing: Pick<Firing, 'body' | 'log'>,
  celsius: number,
  readAt: string,
): { celsius: number; minutes: number } | undefined {
  const hours = (Date.parse(readAt) - Date.parse(firing.body.startedAt)) / HOUR_MS;
  const disputing = disputedBy(machineRead(firing), { hours, celsius });
  return disputing && { celsius: disputing.celsius, minutes: Math.round(60 * Math.abs(hours - disputing.hours)) };
}

/** The curve of a firing by all that is known of it. */
export const curveOf = (firing: Firing, pace?: KilnPace): readonly FiringPoint[] => firingRead(firing, pace).curve;

/** Below this its kiln is opened, °C; undefined where nobody set it. */
export const openBelowOf = ({ body }: Pick<Firing, 'body'>, kilns: readonly Kiln[]): number | undefined =>
  kilns.find(({ id }) => id === body.kilnId)?.body.openBelowCelsius;
