import { inject, Injectable, InjectionToken, type Signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { map, timer } from 'rxjs';

const TICK_MS = 10_000;
export const NOW = new InjectionToken<() => Date>('now', { providedIn: 'root', factory: () => () => new Date() });

/** The time as a signal that changes every ten seconds; drying bars and kilns follow it. */
@Injectable({ providedIn: 'root' })
export class Clock {
  private readonly now = inject(NOW);
  readonly at: Signal<string> = toSignal(timer(0, TICK_MS).pipe(map(() => this.now().toISOString())), { initialValue: this.now().toISOString() });
}
