import type { Suspension } from '../../powder/behaviour';

export interface StirringNeed {
  /** Before every piece, every so many minutes, or now and then. */
  every: 'piece' | 'while' | 'nowAndThen';
  /** A reminder is due after so long without stirring, minutes. */
  minutes: number;
}

const NEED: Readonly<Record<Suspension, StirringNeed>> = {
  hardPans: { every: 'piece', minutes: 3 },
  settles: { every: 'while', minutes: 12 },
  holds: { every: 'nowAndThen', minutes: 45 },
};
/** One step better: salts that took hold keep a settling glaze up. A swirl alone, with no salts in it, says nothing of how it settles. */
const BETTER: Readonly<Record<Suspension, Suspension>> = { hardPans: 'settles', settles: 'holds', holds: 'holds' };

/**
 * Returns how often a bucket wants stirring while it is used. A rule of the bench.
 *
 * @param question - `suspension`, how the powder stays up; `flocculated`, whether it is; `epsomGrams` of salts in it, g, 0 when left out
 * @example
 * stirringNeed({ suspension: 'settles', flocculated: true, epsomGrams: 3 }).every // 'nowAndThen'
 */
export function stirringNeed({
  suspension,
  flocculated,
  epsomGrams = 0,
}: {
  suspension: Suspension;
  flocculated: boolean;
  epsomGrams?: number | undefined;
}): StirringNeed {
  return NEED[flocculated && epsomGrams > 0 ? BETTER[suspension] : suspension];
}

/**
 * Returns whether it is time to stir a bucket in use. One that nobody has stirred wants it before anything else.
 *
 * @param question - `need`; `stirredAt` and `nowAt`, UTC, ISO 8601
 * @example
 * stirringDue({ need: { every: 'while', minutes: 12 }, stirredAt: undefined, nowAt: '2026-03-01T09:00:00.000Z' }) // true
 */
export function stirringDue(question: { need: StirringNeed; stirredAt: string | undefined; nowAt: string }): boolean {
  const { need, stirredAt, nowAt } = question;
  return stirredAt === undefined || Date.parse(nowAt) - Date.parse(stirredAt) >= need.minutes * 60_000;
}
