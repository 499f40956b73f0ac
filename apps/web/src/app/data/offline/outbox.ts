import { computed, inject, Injectable, signal } from '@angular/core';
import type { BenchEvent, EventsAnswer } from '@cazuela/contract';
import {
  BehaviorSubject,
  catchError,
  concatMap,
  exhaustMap,
  first,
  fromEvent,
  map,
  merge,
  of,
  Subject,
  switchMap,
  timer,
  type Observable,
} from 'rxjs';
import { toFailure, type ApiFailure } from '../http/api';
import { NOW } from '../state/clock';
import { OutboxStorage, type Refusal } from './outbox-storage';
import { StudioApi } from '../http/studio-api';

/** Waits between tries while nothing is accepted, ms: short at first, then longer. */
const RETRY_MS = [500, 1_000, 2_000, 4_000, 8_000, 15_000, 30_000];
const MOST_IN_ONE_SEND = 100;

/** Answers of our server about the events; any other answer is about the connection. */
const ABOUT_CONTENT: ReadonlySet<string> = new Set(['checkInput', 'tooLarge', 'notReadable']);

export type EventOf<Stream extends BenchEvent['stream']> = Extract<BenchEvent, { stream: Stream }>['event'];

/**
 * Bench events on their way to the records: stored on this device at once, sent at once, sent again until the records name them. Safe to send twice,
 * because every event has its own id. Only two things remove an event from what waits: an answer that names it as acknowledged, and one that names
 * it as refused; a refused one stays on the device until the potter puts it aside.
 */
@Injectable({ providedIn: 'root' })
export class Outbox {
  private readonly storage = inject(OutboxStorage);
  private readonly api = inject(StudioApi);
  private readonly now = inject(NOW);
  private readonly wake = new BehaviorSubject<void>(undefined);
  private readonly nudge = new Subject<void>();
  private readonly waiting = signal<BenchEvent[]>([]);
  /** Acknowledged since the page was opened: screens show them before they have asked the records again. */
  private readonly taken = signal<BenchEvent[]>([]);
  private readonly trouble = signal<ApiFailure | undefined>(undefined);
  private readonly refusals = signal<Refusal[]>([]);
  /** Ids of events for which the device had no room: only this page keeps them. */
  private readonly unkeptIds = signal<ReadonlySet<string>>(new Set());
  private failures = 0;
  /** How many are sent at once: halved while a request is refused as a whole, so that one bad event is found. */
  private batchSize = MOST_IN_ONE_SEND;
  /** Ids of events that failed alone without an answer about them: they wait until the others are through. */
  private readonly deferredIds = new Set<string>();

  /** Not yet acknowledged, oldest first. */
  readonly pending = this.waiting.asReadonly();
  readonly pendingCount = computed(() => this.waiting().length);
  /** Why nothing is accepted at the moment. */
  readonly paused = this.trouble.asReadonly();
  readonly refused = this.refusals.asReadonly();
  /** How many waiting events are not stored on the device, because it is full. */
  readonly unkeptCount = computed(() => this.waiting().filter(({ event }) => this.unkeptIds().has(event.id)).length);

  /** Runs for as long as the app is open; the shell starts it. */
  readonly run$: Observable<void> = this.wake.pipe(
    exhaustMap(() => this.sendAll()),
    map(() => undefined),
  );

  /** Takes in what this device kept when the app was last open. Called once, before the first screen is drawn. */
  async open(): Promise<void> {
    const { waiting, refused } = await this.storage.all();
    this.waiting.update((added) => {
      const ids = new Set(added.map(({ event }) => event.id));
      return [...waiting.filter(({ event }) => !ids.has(event.id)), ...added];
    });
    this.refusals.update((added) => [...refused, ...added]);
    this.wake.next();
  }

  add(event: BenchEvent): void {
    this.waiting.update((events) => [...events, event]);
    // Both at once: a server that answers sooner than this device's disk is as good.
    this.store([event]);
    this.wake.next();
  }

  /** Tries now, not at the end of the wait. */
  tryNow(): void {
    this.nudge.next();
    this.wake.next();
  }

  /** Returns what was done here on one batch, bucket or day, acknowledged or not yet. */
  localEvents<Stream extends BenchEvent['stream']>(stream: Stream, streamId: string): EventOf<Stream>[] {
    const here: readonly BenchEvent[] = [...this.taken(), ...this.waiting()];
    return here.filter((entry) => entry.stream === stream && entry.streamId === streamId).map((entry) => entry.event as unknown as EventOf<Stream>);
  }

  isWaiting(streamId: string): boolean {
    return this.waiting().some((event) => event.streamId === streamId);
  }

  /** Deletes a refused event that the potter has seen and does not want. */
  putAside(refusals: readonly Refusal[]): void {
    const keys = new Set(refusals.map(({ key }) => key));
    void this.storage.remove([...keys]);
    this.refusals.update((list) => list.filter(({ key }) => !keys.has(key)));
  }

  /** Keeps it after all, a moment later. */
  bringBack(refusals: readonly Refusal[]): void {
    for (const refusal of refusals) this.storage.bringBack(refusal, this.now());
    this.refusals.update((list) => [...list, ...refusals]);
  }

  /** Sends a refused event once more, e.g. when the record it belongs to is there again. */
  sendAgain(refusal: Refusal): void {
    const { entry, key } = refusal;
    if (!entry) return;
    this.refusals.update((list) => list.filter((one) => one.key !== key));
    this.add(entry);
  }

  /** Sends until nothing waits; events added meanwhile go with the next request. */
  private sendAll(): Observable<unknown> {
    const batch = this.nextBatch();
    if (batch.length === 0) return of(undefined);
    return this.api.sendEvents(batch).pipe(
      map((answer): Outcome => ({ kind: 'answered', answer })),
      catchError((error: unknown) => of<Outcome>({ kind: 'failed', failure: toFailure(error) })),
      concatMap((outcome) => (outcome.kind === 'answered' ? this.settle(batch, outcome.answer) : this.recover(batch, outcome.failure))),
    );
  }

  private nextBatch(): BenchEvent[] {
    const before = this.waiting().filter(({ event }) => !this.deferredIds.has(event.id));
    // One alone, so that it cannot hold up another one like it.
    return before.length > 0 ? before.slice(0, this.batchSize) : this.waiting().slice(0, 1);
  }

  /** Only what the answer names is removed. */
  private settle(batch: readonly BenchEvent[], { acknowledged, refused }: EventsAnswer): Observable<unknown> {
    const sent = new Map(batch.map((entry) => [entry.event.id, entry]));
    const kept = acknowledged.flatMap((id) => sent.get(id) ?? []);
    const lost = refused.flatMap(({ id, detail }) => (sent.has(id) ? [this.storage.refuse(sent.get(id)!, detail, this.now())] : []));
    const named = new Set([...kept.map(({ event }) => event.id), ...lost.map(({ entry }) => entry!.event.id)]);
    if (named.size === 0) return this.pause(toFailure(undefined));
    void this.storage.remove(kept.map(({ event }) => event.id));
    this.refusals.update((list) => [...list, ...lost]);
    this.taken.update((events) => [...events, ...kept]);
    this.waiting.update((events) => events.filter(({ event }) => !named.has(event.id)));
    this.storeUnkept();
    this.failures = 0;
    this.batchSize = Math.min(MOST_IN_ONE_SEND, this.batchSize * 2);
    for (const id of named) this.deferredIds.delete(id);
    if (this.deferredIds.size === 0) this.trouble.set(undefined);
    return this.sendAll();
  }

  /** Nothing was named, so everything stays. Sending fewer finds the bad one; the rest waits. */
  private recover(batch: readonly BenchEvent[], failure: ApiFailure): Observable<unknown> {
    const isOurs = failure.kind === 'problem';
    const isAboutContent = isOurs && ABOUT_CONTENT.has(failure.problem.code);
    const mayBeOneEvent = isAboutContent || (isOurs && failure.problem.code === 'broken') || failure.problem.status === 413;
    if (mayBeOneEvent && batch.length > 1) {
      this.batchSize = Math.ceil(batch.length / 2);
      return this.sendAll();
    }
    if (mayBeOneEvent) {
      const [{ event }] = batch as [BenchEvent];
      // For a single event our server's refusal is about this event; a failure of the server is not, and the others go first from now on.
      if (isAboutContent) return this.settle(batch, { acknowledged: [], refused: [{ id: event.id, detail: failure.problem.detail }] });
      this.deferredIds.add(event.id);
      this.batchSize = MOST_IN_ONE_SEND;
      if (this.waiting().some((entry) => !this.deferredIds.has(entry.event.id))) return this.sendAll();
    }
    return this.pause(failure);
  }

  private pause(failure: ApiFailure): Observable<unknown> {
    this.trouble.set(failure);
    const wait = RETRY_MS[Math.min(this.failures++, RETRY_MS.length - 1)]!;
    return merge(timer(wait), this.nudge, fromEvent(window, 'online')).pipe(
      first(),
      switchMap(() => this.sendAll()),
    );
  }

  /** Acknowledged events made room: events without a place are stored now. */
  private storeUnkept(): void {
    this.store(this.waiting().filter(({ event }) => this.unkeptIds().has(event.id)));
  }

  private store(entries: readonly BenchEvent[]): void {
    for (const entry of entries) {
      const { id } = entry.event;
      void this.storage.put(entry).then((isKept) => {
        if (isKept === !this.unkeptIds().has(id)) return;
        this.unkeptIds.update((ids) => (isKept ? new Set([...ids].filter((one) => one !== id)) : new Set([...ids, id])));
      });
    }
  }
}

type Outcome = { kind: 'answered'; answer: EventsAnswer } | { kind: 'failed'; failure: ApiFailure };
