import { inject, Injectable } from '@angular/core';
import type { BenchEvent } from '@cazuela/contract';
import { v7 as uuid } from 'uuid';
import { Outbox } from './outbox';
import { StudioStore } from '../state/studio-store';

type Without<T, K extends string> = T extends unknown ? Omit<T, K> : never;
export type NewEvent<Stream extends BenchEvent['stream']> = Without<Extract<BenchEvent, { stream: Stream }>['event'], 'id' | 'at' | 'by'>;

/** Records what was done: gives the event its id, time and author, and puts it in the outbox. */
@Injectable({ providedIn: 'root' })
export class BenchLog {
  private readonly outbox = inject(Outbox);
  private readonly store = inject(StudioStore);

  note<Stream extends BenchEvent['stream']>(stream: Stream, streamId: string, event: NewEvent<Stream>): string {
    const id = uuid();
    this.outbox.add({ stream, streamId, event: { ...event, id, at: new Date().toISOString(), by: this.store.by() } } as unknown as BenchEvent);
    return id;
  }
}

/** Returns what the records had when asked, and what was done here since, each event once. */
export function withLocalEvents<Event extends { id: string }>(known: readonly Event[], localEvents: readonly Event[]): Event[] {
  const ids = new Set(known.map((event) => event.id));
  return [...known, ...localEvents.filter((event) => !ids.has(event.id))];
}
