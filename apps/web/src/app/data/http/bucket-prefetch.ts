import { inject, Injectable } from '@angular/core';
import type { Bucket } from '@cazuela/contract';
import { catchError, firstValueFrom, from, type Observable } from 'rxjs';
import { StudioApi } from './studio-api';

/** What was asked for ahead is good for so long, ms: a bucket's page looks again every few seconds anyway. */
const GOOD_FOR_MS = 5_000;

/**
 * A bucket is asked for while the hand is still on its way to it: a long history is a long way from the records. Only the newest pending is
 * kept; one that failed is forgotten, and the page asks for itself.
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

  /** The bucket, from the pending when there is one; each pending is used once. */
  take(id: string): Observable<Bucket> {
    const pending = this.pending;
    if (pending?.id !== id || performance.now() - pending.atMs >= GOOD_FOR_MS) return this.api.bucket(id);
    this.pending = undefined;
    return from(pending.bucket).pipe(catchError(() => this.api.bucket(id)));
  }
}
