import { inject, Injectable } from '@angular/core';
import type { Bucket } from '@cazuela/contract';
import { catchError, firstValueFrom, from, type Observable } from 'rxjs';
import { StudioApi } from './studio-api';

/** A prefetched bucket is used for this long, ms: its page checks again every few seconds anyway. */
const GOOD_FOR_MS = 5_000;

/**
 * Asks for a bucket while the pointer is still on its way to the link: a long history takes long to load. Only the newest request is kept; one
 * that failed is dropped, and the page asks for itself.
 */
@Injectable({ providedIn: 'root' })
export class BucketPrefetch {
  private readonly api = inject(StudioApi);
  private pending: { id: string; atMs: number; bucket: Promise<Bucket> } | undefined;

  start(id: string): void {
    if (this.pending?.id === id && performance.now() - this.pending.atMs < GOOD_FOR_MS) return;
    const bucket = firstValueFrom(this.api.bucket(id));
    bucket.catch(() => undefined);
    this.pending = { id, atMs: performance.now(), bucket };
  }

  /** Returns the bucket, from the pending request when there is one; each is used once. */
  take(id: string): Observable<Bucket> {
    const pending = this.pending;
    if (pending?.id !== id || performance.now() - pending.atMs >= GOOD_FOR_MS) return this.api.bucket(id);
    this.pending = undefined;
    return from(pending.bucket).pipe(catchError(() => this.api.bucket(id)));
  }
}
