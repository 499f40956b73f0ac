import type { Suspension } from '../../powder/behaviour';

export interface StirringNeed {
  /** Before every piece, every so many minutes, or now and then. */
  every: 'piece' | 'while' | 'nowAndThen';
  /** After so long without stirring a reminder is due, minutes. */
  minutes: number;
}

const NEED: Readonly<Record<Suspension, StirringNeed>> = {
  hardPans: { every: 'piece', minutes: 3 },
  settles: { every: 'while', minutes: 12 },
  holds: { every: 'nowAndThen', minutes: 45 },
};
/** One step better: salts that took hold keep a settling glaze up. */
const BETTER: Readonly<Record<Suspension, Suspension>> = { hardPans: 'settles', settles: 'holds', holds: 'holds' };

/** How often a bucket wants stirring while it is used. */
export function stirringNeed({ suspension, flocculated }: { suspension: Suspension; flocculated: boolean }): StirringNeed {
  return NEED[flocculated ? BETTER[suspension] : suspension];
}

/** Whether it is time, for a bucket in use. A bucket nobody stirred today wants it before anything else. */
export function stirringDue(question: { need: StirringNeed; stirredAt: string | undefined; nowAt: string }): boolean {
  const { need, stirredAt, nowAt } = question;
  return stirredAt === undefined || Date.parse(nowAt) - Date.parse(stirredAt) >= need.minutes * 60_000;
}
