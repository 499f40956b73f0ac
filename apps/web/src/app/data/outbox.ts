import { computed, inject, Injectable, signal } from '@angular/core';
import type { BenchEvent } from '@cazuela/contract';
import { BehaviorSubject, catchError, concatMap, exhaustMap, map, of, switchMap, timer, type Observable } from 'rxjs';
import { toFailure } from './api';
import { OutboxStorage } from './outbox-storage';
import { StudioApi } from './studio-api';

/** Waits between tries while the server is away, ms: soon at first, then every few seconds. */
const RETRY_MS = [500, 1_000, 2_000, 4_000, 5_000];
const MOST_IN_ONE_SEND = 100;

export type EventOf<Stream extends BenchEvent['stream']> = Extract<BenchEvent, { stream: Stream }>['event'];

export interface Refusal {
  event: BenchEvent;
  detail: string;
}

/**
 * Bench work on its way to the records: kept on this device first, sent at once, sent again until acknowledged. Safe to
 * send twice, because every event has its own id.
 */
@Injectable({ providedIn: 'root' })
export class Outbox {
  private readonly storage = inject(OutboxStorage);
  private readonly api = inject(StudioApi);
  private readonly wake = new BehaviorSubject<void>(undefined);
  private readonly waiting = signal<BenchEvent[]>(this.storage.all());
  /** Acknowledged since the page was opened: screens show them before they have asked the records again. */
  private readonly taken = signal<BenchEvent[]>([]);
  private readonly awaySignal = signal(false);
  private readonly refusals = signal<Refusal[]>([]);
  private failures = 0;

  /** Not yet acknowledged, oldest first. */
  readonly pending = this.waiting.asReadonly();
  readonly pendingCount = computed(() => this.waiting().length);
  /** True while the server or its database cannot be reached. */
  readonly away = this.awaySignal.asReadonly();
  readonly refused = this.refusals.asReadonly();

  /** Runs for as long as the app is open; the shell starts it. */
  readonly run$: Observable<void> = this.wake.pipe(
    exhaustMap(() => this.sendAll()),
    map(() => undefined),
  );

  add(event: BenchEvent): void {
    this.storage.put(event);
    this.waiting.update((events) => [...events, event]);
    this.wake.next();
  }

  /** What was done here on one batch, bucket or day, taken over by the records or not yet. */
  doneHere<Stream extends BenchEvent['stream']>(stream: Stream, streamId: string): EventOf<Stream>[] {
    const here: readonly BenchEvent[] = [...this.taken(), ...this.waiting()];
    return here.filter((entry) => entry.stream === stream && entry.streamId === streamId).map((entry) => entry.event as unknown as EventOf<Stream>);
  }

  isWaiting(streamId: string): boolean {
    return this.waiting().some((event) => event.streamId === streamId);
  }

  dismissRefusals(): void {
    this.refusals.set([]);
  }

  /** Sends until nothing waits: what is added meanwhile is taken up by the next round. */
  private sendAll(): Observable<unknown> {
    const batch = this.waiting().slice(0, MOST_IN_ONE_SEND);
    if (batch.length === 0) return of(undefined);
    return this.api.sendEvents(batch).pipe(
      concatMap(({ acknowledged, refused }) => {
        this.failures = 0;
        this.awaySignal.set(false);
        this.settle(batch, acknowledged, refused);
        return this.sendAll();
      }),
      catchError((error: unknown) => {
        const failure = toFailure(error);
        if (!failure.isAway) {
          this.settle(
            batch,
            [],
            batch.map((event) => ({ id: event.event.id, detail: failure.problem.detail })),
          );
          return this.sendAll();
        }
        this.awaySignal.set(true);
        const wait = RETRY_MS[Math.min(this.failures++, RETRY_MS.length - 1)]!;
        return timer(wait).pipe(switchMap(() => this.sendAll()));
      }),
    );
  }

  private settle(batch: readonly BenchEvent[], acknowledged: string[], refused: { id: string; detail: string }[]): void {
    const gone = new Set([...acknowledged, ...refused.map((entry) => entry.id)]);
    this.storage.remove([...gone]);
    this.refusals.update((list) => [...list, ...refused.map(({ id, detail }) => ({ event: batch.find((event) => event.event.id === id)!, detail }))]);
    const acknowledgedIds = new Set(acknowledged);
    this.taken.update((events) => [...events, ...batch.filter((event) => acknowledgedIds.has(event.event.id))]);
    this.waiting.update((events) => events.filter((event) => !gone.has(event.event.id)));
  }
}
