import { inject, Injectable } from '@angular/core';
import type { Bucket } from '@cazuela/contract';
import { catchError, firstValueFrom, from, type Observable } from 'rxjs';
import { StudioApi } from './studio-api';

/** What was asked for ahead is good for so long, ms: a bucket's page looks again every few seconds anyway. */
const GOOD_FOR_MS = 5_000;

/**
 * A bucket is asked for while the hand is still on its way to it: a long history is a long way from the records. Only the newest wish is
 * kept; one that failed is forgotten, and the page asks for itself.
 */
@Injectable({ providedIn: 'root' })
export class BucketAhead {
  private readonly api = inject(StudioApi);
  private wish: { id: string; atMs: number; bucket: Promise<Bucket> } | undefined;

  want(id: string): void {
    if (this.wish?.id === id && performance.now() - this.wish.atMs < GOOD_FOR_MS) return;
    const bucket = firstValueFrom(this.api.bucket(id));
    bucket.catch(() => undefined);
    this.wish = { id, atMs: performance.now(), bucket };
  }

  /** The bucket, from the wish when there is one; each wish is used once. */
  take(id: string): Observable<Bucket> {
    const wish = this.wish;
    if (wish?.id !== id || performance.now() - wish.atMs >= GOOD_FOR_MS) return this.api.bucket(id);
    this.wish = undefined;
    return from(wish.bucket).pipe(catchError(() => this.api.bucket(id)));
  }
}
