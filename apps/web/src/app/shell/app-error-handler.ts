import { ErrorHandler, inject, Injectable, signal, untracked } from '@angular/core';

/** What went wrong in the app itself: a part that could not be fetched, or a fault of ours. */
export type AppFault = 'notFetched' | 'ours';

/** How the browsers say that a chunk could not be fetched: Chromium and Firefox, Safari. */
const NOT_FETCHED = /dynamically imported module|Importing a module script failed/i;

/** The latest fault that no screen handled; undefined when all is well. */
@Injectable({ providedIn: 'root' })
export class AppFaults {
  private readonly latest = signal<AppFault | undefined>(undefined);
  readonly fault = this.latest.asReadonly();

  tell(fault: AppFault): void {
    this.latest.set(fault);
  }

  clear(): void {
    this.latest.set(undefined);
  }
}

/**
 * Logs every error that no screen handled, and tells the potter: a page that stopped working without a word would go on taking steps that are
 * never noted. A part that could not be fetched is no fault of the code, so it stands in the log as a warning.
 */
@Injectable()
export class AppErrorHandler extends ErrorHandler {
  private readonly faults = inject(AppFaults);

  override handleError(error: unknown): void {
    const fault = NOT_FETCHED.test(error instanceof Error ? error.message : String(error)) ? 'notFetched' : 'ours';
    if (fault === 'notFetched') console.warn(error);
    else super.handleError(error);
    // An error may come out of a template or an effect, where signals are not written.
    untracked(() => this.faults.tell(fault));
  }
}
