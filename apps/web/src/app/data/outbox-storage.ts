import { Injectable } from '@angular/core';
import { benchEventSchema, type BenchEvent } from '@cazuela/contract';

const PREFIX = 'cazuela.outbox.';

/**
 * Bench work not yet acknowledged, one entry an event in localStorage: written before anything is sent, there again after
 * a reload, and safe with two tabs, since each event has its own key. Ids are time-ordered, so the keys sort by age.
 */
@Injectable({ providedIn: 'root' })
export class OutboxStorage {
  put(event: BenchEvent): void {
    localStorage.setItem(PREFIX + event.event.id, JSON.stringify(event));
  }

  remove(ids: readonly string[]): void {
    for (const id of ids) localStorage.removeItem(PREFIX + id);
  }

  all(): BenchEvent[] {
    return Object.keys(localStorage)
      .filter((key) => key.startsWith(PREFIX))
      .sort()
      .flatMap((key) => {
        const read = benchEventSchema.safeParse(JSON.parse(localStorage.getItem(key) ?? 'null'));
        return read.success ? [read.data] : [];
      });
  }
}
