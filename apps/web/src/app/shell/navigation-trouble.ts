import { inject, Injectable, signal } from '@angular/core';
import type { NavigationError } from '@angular/router';

/** A page that could not be opened, because its chunk could not be fetched. */
@Injectable({ providedIn: 'root' })
export class NavigationTrouble {
  private readonly target = signal<string | undefined>(undefined);
  /** The address that was wanted; undefined when all is well. */
  readonly wanted = this.target.asReadonly();

  tell(url: string): void {
    this.target.set(url);
  }

  clear(): void {
    this.target.set(undefined);
  }
}

/** Pages are fetched when they are first opened: when the server is away that fails, and the open page stays. */
export function tellNavigationTrouble(error: NavigationError): void {
  inject(NavigationTrouble).tell(error.url);
}
