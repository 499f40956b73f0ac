/** Times of the demo count back from the moment it is loaded, so that "What now?" always shows something. */
export class DemoClock {
  constructor(private readonly now: Date) {}

  ago({ days = 0, hours = 0, minutes = 0 }: { days?: number; hours?: number; minutes?: number }): string {
    return new Date(this.now.getTime() - ((days * 24 + hours) * 60 + minutes) * 60_000).toISOString();
  }

  /** A time of today on the clock, so many hours from now, no earlier than the day's first minute and no later than its last. */
  clockTime(hoursFromNow: number): string {
    const at = new Date(this.now.getTime() + hoursFromNow * 3_600_000);
    if (at.getDate() !== this.now.getDate()) return hoursFromNow < 0 ? '00:00' : '23:59';
    return `${String(at.getHours()).padStart(2, '0')}:${String(at.getMinutes()).padStart(2, '0')}`;
  }

  /** The studio's calendar day, local. */
  localDate(daysAgo: number): string {
    const day = new Date(this.now.getTime() - daysAgo * 86_400_000);
    return `${day.getFullYear()}-${String(day.getMonth() + 1).padStart(2, '0')}-${String(day.getDate()).padStart(2, '0')}`;
  }
}
