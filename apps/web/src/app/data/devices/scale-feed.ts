import { computed, inject, Injectable, signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { readScaleLine, settle, UNSETTLED, type Settling } from '@cazuela/core';
import { SCALE_SOCKET, type Scale, type ScaleCommand } from '@cazuela/contract';
import { catchError, concat, defer, map, merge, of, retry, scan, Subject, switchMap, throwError, timeout, timer, type Observable } from 'rxjs';
import { webSocket, type WebSocketSubject } from 'rxjs/webSocket';
import { StudioStore } from '../state/studio-store';

/** What the scale says now. Away and silent are values like a weight: screens show them, nothing breaks. */
export type ScaleNow =
  | { kind: 'none' }
  | { kind: 'connecting' }
  /** The connection broke; it is opened again by itself. */
  | { kind: 'away' }
  /** The connection is open, and its first reading has not come yet. */
  | { kind: 'opened' }
  /** The connection is open and nothing comes: the scale is unplugged, or its battery is empty. */
  | { kind: 'silent' }
  | { kind: 'overload' }
  | { kind: 'reading'; settling: Settling };

const KEY = 'cazuela.here.scale';
/** A scale sends ten readings a second: after this long without one it is silent, ms. */
const SILENT_AFTER_MS = 1_500;
const RETRY_MS = 1_000;
/** A connection that is not open after this long is opened anew, ms. */
const OPEN_WITHIN_MS = 4_000;

/** What comes from the connection: that it opened, that it broke, and what the scale sends. */
type SocketMessage = { kind: 'opened' } | { kind: 'away' } | { kind: 'line'; text: string };

/**
 * The scale of this device. Any scale that sends lines of text (a number, a unit, a word for stable) is read here and only here. Another
 * connection, a cable for instance, is another source of `lines` beside `socketLines`.
 */
@Injectable({ providedIn: 'root' })
export class ScaleFeed {
  private readonly store = inject(StudioStore);
  private readonly chosenId = signal(localStorage.getItem(KEY));
  private socket: WebSocketSubject<ScaleCommand | string> | undefined;
  /** The scale that this device reads; undefined when its display is read by eye. */
  readonly scale = computed(() => this.store.studio()?.scales.find((scale) => scale.id === this.chosenId()));
  private readonly asked = computed(() => {
    const [studio, scale] = [this.store.studio(), this.scale()];
    return studio && scale ? { url: urlOf(studio.id, scale), divisionGrams: scale.divisionGrams } : undefined;
  });
  readonly now = toSignal(toObservable(this.asked).pipe(switchMap((asked) => (asked ? this.readings(asked) : of<ScaleNow>({ kind: 'none' })))), {
    initialValue: { kind: 'none' } as ScaleNow,
  });

  /** Whether commands reach the practice scale: a tap while the connection is not open would be lost. */
  readonly acceptsCommands = computed(() => !['none', 'connecting', 'away'].includes(this.now().kind));

  listenTo(scaleId: string | null): void {
    if (scaleId) localStorage.setItem(KEY, scaleId);
    else localStorage.removeItem(KEY);
    this.chosenId.set(scaleId);
  }

  /** Commands to the practice scale. Not sent while the connection is not open: the socket would keep them, and send them when nobody expects it. */
  send(command: ScaleCommand): void {
    if (this.acceptsCommands()) this.socket?.next(command);
  }

  private readings({ url, divisionGrams }: { url: string; divisionGrams: number }): Observable<ScaleNow> {
    const connecting: ScaleNow = { kind: 'connecting' };
    const silent: ScaleNow = { kind: 'silent' };
    return concat(of(connecting), this.overSocket(url)).pipe(
      scan((before: ScaleNow, message): ScaleNow => (message.kind === 'line' ? after(before, message.text, divisionGrams) : message), connecting),
      switchMap((now) =>
        now.kind === 'connecting' || now.kind === 'away' ? of(now) : concat(of(now), timer(SILENT_AFTER_MS).pipe(map(() => silent))),
      ),
    );
  }

  /** Emits what comes from the socket, and opens it again while there is a subscriber. Unsubscribing closes it. */
  private overSocket(url: string): Observable<SocketMessage> {
    return defer(() => {
      const opened = new Subject<SocketMessage>();
      const socket = webSocket<ScaleCommand | string>({
        url,
        deserializer: ({ data }) => String(data),
        openObserver: { next: () => opened.next({ kind: 'opened' }) },
      });
      this.socket = socket;
      const lines = socket.pipe(map((text): SocketMessage => ({ kind: 'line', text: text as string })));
      // A line that the server ended is as good as broken.
      const broken = throwError(() => new Error('closed'));
      const away = (): Observable<SocketMessage> => concat(of<SocketMessage>({ kind: 'away' }), broken);
      return merge(opened, concat(lines, broken).pipe(catchError(away)));
    }).pipe(timeout({ first: OPEN_WITHIN_MS }), retry({ delay: () => timer(RETRY_MS) }));
  }
}

function after(before: ScaleNow, line: string, divisionGrams: number): ScaleNow {
  const read = readScaleLine(line);
  switch (read.kind) {
    case 'overload':
      return { kind: 'overload' };
    case 'unreadable':
      return before;
    case 'reading': {
      const settling = before.kind === 'reading' ? before.settling : UNSETTLED;
      return {
        kind: 'reading',
        settling: settle(settling, { atMs: performance.now(), grams: read.grams, saysStable: read.saysStable }, { divisionGrams }),
      };
    }
  }
}

function urlOf(studioId: string, scale: Scale): string {
  const { protocol, host } = location;
  return `${protocol === 'https:' ? 'wss' : 'ws'}://${host}${SCALE_SOCKET}?studio=${studioId}&scale=${scale.id}`;
}
