import { DAY_MS } from '../../units/time';

export type Lid = 'open' | 'closed';

/** Days a bucket stood, by what was told of its lid. */
export interface StandingDays {
  untold: number;
  open: number;
  closed: number;
}

/** Water that leaves by itself, mL a day for each cm² of surface: starting guesses, learnt per bucket. */
export const EVAPORATION_GUESS: Readonly<Record<Lid, number>> = { open: 0.15, closed: 0.005 };

/**
 * Returns what a day counts against a day without a lid, 0–1. A lid that nobody spoke of counts as the bucket has always stood.
 *
 * @param lid - how it stands
 * @example
 * exposureOf('open') // 1
 */
export const exposureOf = (lid: Lid | undefined): number => (lid === 'closed' ? EVAPORATION_GUESS.closed / EVAPORATION_GUESS.open : 1);

/** Adds up open days between readings as the lid comes off and on. */
export class ExposureClock {
  private lid: Lid | undefined;
  private sinceMs = 0;
  private openDays = 0;
  private lidTold: 'all' | 'none' | 'some' = 'none';

  /** Starts a new spell. */
  restart(atMs: number): void {
    this.sinceMs = atMs;
    this.openDays = 0;
    this.lidTold = this.lid === undefined ? 'none' : 'all';
  }

  setLid(lid: Lid, atMs: number): void {
    this.openDays += this.daysTo(atMs);
    if (this.lid === undefined && atMs > this.sinceMs) this.lidTold = 'some';
    this.sinceMs = atMs;
    this.lid = lid;
  }

  /** Returns the open days since the spell began, and whether the lid was told for all of them; untold days count as open ones. */
  read(atMs: number): { openDays: number; lidTold: 'all' | 'none' | 'some' } {
    return { openDays: this.openDays + this.daysTo(atMs), lidTold: this.lidTold };
  }

  private daysTo(atMs: number): number {
    return (Math.max(0, atMs - this.sinceMs) / DAY_MS) * exposureOf(this.lid);
  }
}
