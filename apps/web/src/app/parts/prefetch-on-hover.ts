import { DestroyRef, Directive, inject, input } from '@angular/core';
import { BucketPrefetch } from '../data/http/bucket-prefetch';

/** A pointer that rests this long on a link is about to press it, ms. */
const RESTS_MS = 60;

/** Prefetches a bucket when its link is hovered, pressed or reached by keys. */
@Directive({
  selector: 'a[czPrefetchOnHover]',
  host: { '(pointerenter)': 'enter()', '(pointerleave)': 'leave()', '(pointerdown)': 'start()', '(focus)': 'start()' },
})
export class PrefetchOnHover {
  readonly id = input.required<string>({ alias: 'czPrefetchOnHover' });
  private readonly prefetch = inject(BucketPrefetch);
  private timer: ReturnType<typeof setTimeout> | undefined;

  constructor() {
    inject(DestroyRef).onDestroy(() => this.leave());
  }

  protected enter(): void {
    this.timer = setTimeout(() => this.start(), RESTS_MS);
  }

  protected leave(): void {
    clearTimeout(this.timer);
  }

  protected start(): void {
    this.leave();
    this.prefetch.start(this.id());
  }
}
