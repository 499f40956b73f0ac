import { DAY_MS } from '../../units/time';
import type { BucketEvent } from '../events/bucket-events';

export type Lid = 'open' | 'closed';

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
  private unknown = false;

  /** Starts a new spell. */
  restart(atMs: number): void {
    this.sinceMs = atMs;
    this.openDays = 0;
    this.unknown = this.lid === undefined;
  }

  setLid(lid: Lid, atMs: number): void {
    this.openDays += this.daysTo(atMs);
    this.sinceMs = atMs;
    this.lid = lid;
  }

  /** Returns the open days since the spell began, and whether the lid was known all the time. */
  read(atMs: number): { openDays: number; lidKnown: boolean } {
    return { openDays: this.openDays + this.daysTo(atMs), lidKnown: !this.unknown };
  }

  private daysTo(atMs: number): number {
    return (Math.max(0, atMs - this.sinceMs) / DAY_MS) * exposureOf(this.lid);
  }
}

/**
 * Returns whether anybody ever said how the lid stands.
 *
 * @param events - of the bucket
 * @example
 * lidIsTold([]) // false
 */
export const lidIsTold = (events: readonly BucketEvent[]): boolean => events.some((event) => event.type === 'lidSet');
