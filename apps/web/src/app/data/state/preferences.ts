import { effect, Injectable, signal } from '@angular/core';
import * as z from 'zod';

const KEY = 'cazuela.preferences';
const preferencesSchema = z.object({
  mass: z.enum(['g', 'oz', 'lb']).default('g'),
  volume: z.enum(['metric', 'US', 'imp']).default('metric'),
  coat: z.enum(['mm', 'thou']).default('mm'),
  /** Sizes of pieces: heights, walls, edges. */
  length: z.enum(['mm', 'in']).default('mm'),
  temperature: z.enum(['C', 'F']).default('C'),
  /** Signals at the bench of a day: silence unless they are wanted. */
  daySound: z.boolean().default(false),
  dayVibration: z.boolean().default(false),
  theme: z.enum(['auto', 'light', 'dark']).default('auto'),
});
export type Preferences = z.infer<typeof preferencesSchema>;

/** Units and looks of this device. Quantities are stored as they were entered; this only decides how others are shown. */
@Injectable({ providedIn: 'root' })
export class PreferencesStore {
  private readonly state = signal(read());
  readonly value = this.state.asReadonly();

  constructor() {
    effect(() => {
      const { theme } = this.state();
      if (theme === 'auto') document.documentElement.removeAttribute('data-theme');
      else document.documentElement.setAttribute('data-theme', theme);
    });
  }

  set(change: Partial<Preferences>): void {
    this.state.update((value) => ({ ...value, ...change }));
    localStorage.setItem(KEY, JSON.stringify(this.state()));
  }
}

function read(): Preferences {
  try {
    return preferencesSchema.parse(JSON.parse(localStorage.getItem(KEY) ?? '{}'));
  } catch {
    return preferencesSchema.parse({});
  }
}
