/** A seeded source of numbers (mulberry32), so that what went wrong can be drawn again. */
export class Random {
  private state: number;

  constructor(readonly seed: number) {
    this.state = seed >>> 0;
  }

  /** From 0 up to, and without, 1. */
  next(): number {
    this.state = (this.state + 0x6d2b79f5) >>> 0;
    let t = this.state;
    t = Math.imul(t ^ (t >>> 15), t | 1);
    t ^= t + Math.imul(t ^ (t >>> 7), t | 61);
    return ((t ^ (t >>> 14)) >>> 0) / 4_294_967_296;
  }

  between(low: number, high: number): number {
    return low + (high - low) * this.next();
  }

  int(low: number, high: number): number {
    return Math.floor(this.between(low, high + 1));
  }

  /** True so often, from 0 to 1. */
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
