import { seededUniform } from '@cazuela/core';

/** Random values from a seed, so that what went wrong can be drawn again. */
export class Random {
  /** Returns a number from 0 up to, but not including, 1. */
  readonly next: () => number;

  constructor(readonly seed: number) {
    this.next = seededUniform(seed);
  }

  between(low: number, high: number): number {
    return low + (high - low) * this.next();
  }

  int(low: number, high: number): number {
    return Math.floor(this.between(low, high + 1));
  }

  /** Returns true with this chance, 0–1. */
  chance(share: number): boolean {
    return this.next() < share;
  }

  pick<T>(of: readonly T[]): T {
    return of[this.int(0, of.length - 1)]!;
  }

  uuid(): string {
    const hex = Array.from({ length: 32 }, () => this.int(0, 15).toString(16));
    hex[12] = '7';
    hex[16] = this.pick(['8', '9', 'a', 'b']);
    const text = hex.join('');
    return [text.slice(0, 8), text.slice(8, 12), text.slice(12, 16), text.slice(16, 20), text.slice(20)].join('-');
  }
}
