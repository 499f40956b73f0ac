const IN_A_ROW = 5;
const HEALTHY_MS = 60_000;

/** A program that dies is started again, but not for ever: five times in a row, counted anew after a minute without a failure. */
export class RestartBudget {
  private spent = 0;
  private startedMs: number;

  constructor(
    private readonly what: string,
    private readonly nowMs: () => number = () => performance.now(),
  ) {
    this.startedMs = nowMs();
  }

  /** Counts one more start. Throws when there were too many. */
  spend(): void {
    const now = this.nowMs();
    this.spent = now - this.startedMs >= HEALTHY_MS ? 1 : this.spent + 1;
    this.startedMs = now;
    if (this.spent > IN_A_ROW) throw new Error(`${this.what} keeps stopping. Its words are above.`);
  }
}
