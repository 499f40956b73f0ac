/** Beats counted in before the piece goes under, and how long each is: as potters count. */
export const COUNT_IN_BEATS = 3;
export const BEAT_MS = 1_000;

/** A shorter "dip" is a key pressed twice, s. */
const LEAST_DIP_SECONDS = 0.3;

/** A timer for dips, one after the other. Times are those of one clock, ms. */
export type DipTimer =
  | { kind: 'ready'; dips: readonly number[] }
  | { kind: 'countIn'; startsAtMs: number; dips: readonly number[] }
  | { kind: 'dipping'; startedAtMs: number; dips: readonly number[] };

export const READY_TIMER: DipTimer = { kind: 'ready', dips: [] };

/**
 * Returns the timer after its one key was pressed: it counts in, gives a count-in up again, or ends a dip and keeps its real seconds.
 * No dip of 0 s is kept: that was a key pressed twice.
 *
 * @param question - `timer`; `atMs`, a monotonic clock
 * @example
 * pressTimer({ timer: READY_TIMER, atMs: 0 }).kind ?? 'counting in' // 'countIn'
 */
export function pressTimer({ timer, atMs }: { timer: DipTimer; atMs: number }): DipTimer {
  const now = timerAt({ timer, atMs });
  switch (now.kind) {
    case 'ready':
      return { kind: 'countIn', startsAtMs: atMs + COUNT_IN_BEATS * BEAT_MS, dips: now.dips };
    case 'countIn':
      return { kind: 'ready', dips: now.dips };
    case 'dipping': {
      const seconds = Number(((atMs - now.startedAtMs) / 1_000).toFixed(1));
      return { kind: 'ready', dips: seconds < LEAST_DIP_SECONDS ? now.dips : [...now.dips, seconds] };
    }
  }
}

/**
 * Returns the timer as time passes. A count-in that is over has become a dip, at the moment it was over.
 *
 * @param question - `timer`; `atMs`, a monotonic clock
 * @example
 * timerShows({ timer: timerAt({ timer: READY_TIMER, atMs: 500 }), atMs: 500 }) // { kind: 'ready' }
 */
export function timerAt({ timer, atMs }: { timer: DipTimer; atMs: number }): DipTimer {
  return timer.kind === 'countIn' && atMs >= timer.startsAtMs ? { kind: 'dipping', startedAtMs: timer.startsAtMs, dips: timer.dips } : timer;
}

/**
 * Returns what to show: the beats left, or the seconds in the glaze.
 *
 * @param question - `timer`; `atMs`, a monotonic clock
 * @example
 * timerShows({ timer: READY_TIMER, atMs: 0 }) // { kind: 'ready' }
 */
export function timerShows({
  timer,
  atMs,
}: {
  timer: DipTimer;
  atMs: number;
}): { kind: 'ready' } | { kind: 'beats'; left: number } | { kind: 'seconds'; seconds: number } {
  const now = timerAt({ timer, atMs });
  if (now.kind === 'ready') return { kind: 'ready' };
  if (now.kind === 'countIn') return { kind: 'beats', left: Math.min(COUNT_IN_BEATS, Math.ceil((now.startsAtMs - atMs) / BEAT_MS)) };
  return { kind: 'seconds', seconds: Math.max(0, (atMs - now.startedAtMs) / 1_000) };
}

/**
 * Returns the timer without its last dip.
 *
 * @param timer - the timer
 * @example
 * timerShows({ timer: withoutLastDip(READY_TIMER), atMs: 0 }) // { kind: 'ready' }
 */
export const withoutLastDip = (timer: DipTimer): DipTimer => ({ ...timer, dips: timer.dips.slice(0, -1) });
