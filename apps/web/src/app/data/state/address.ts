import { effect, inject, Injectable, linkedSignal } from '@angular/core';
import { Title } from '@angular/platform-browser';
import { Router } from '@angular/router';

/** What is chosen on a page stands in its address, so that reload, Back and a sent link show the same. */
@Injectable({ providedIn: 'root' })
export class Address {
  private readonly router = inject(Router);

  /** Puts choices into the address of the page that is open; empty ones are taken out. `step`: Back leads to what was chosen before. */
  choose(choices: Readonly<Record<string, string | number | undefined>>, { step = false } = {}): void {
    const queryParams = Object.fromEntries(Object.entries(choices).map(([key, value]) => [key, value || null]));
    void this.router.navigate([], { queryParams, queryParamsHandling: 'merge', replaceUrl: !step });
  }
}

export interface Addressed {
  (): string;
  choose: (next: string) => void;
}

/**
 * A choice that follows the address and stands in it: shown at once when it is made, and again after Back, a reload or in a sent link. `from` is
 * the input of that name. Call it where fields are initialised.
 */
export function addressed(key: string, from: () => string | undefined, options: { step?: boolean } = {}): Addressed {
  const address = inject(Address);
  const value = linkedSignal(() => from() ?? '');
  const choose = (next: string): void => {
    value.set(next);
    address.choose({ [key]: next }, options);
  };
  return Object.assign(() => value(), { choose });
}

/** Names the page in the browser's tab and history after what is on it. Call it where fields are initialised. */
export function titleOf(name: () => string | undefined): void {
  const title = inject(Title);
  effect(() => {
    const named = name();
    if (named) title.setTitle(`${named} · Cazuela`);
  });
}
