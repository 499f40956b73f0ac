import { BreakpointObserver } from '@angular/cdk/layout';
import type { Provider } from '@angular/core';
import { of } from 'rxjs';

/** jsdom has no width: a page that is laid out by it stands on a wide screen. */
export const WIDE_SCREEN: Provider = {
  provide: BreakpointObserver,
  useValue: { observe: () => of({ matches: true, breakpoints: {} }), isMatched: () => false },
};
