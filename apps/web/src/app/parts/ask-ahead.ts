import { DestroyRef, Directive, inject, input } from '@angular/core';
import { BucketAhead } from '../data/bucket-ahead';

/** A pointer that rests this long on a link is on its way to press it, ms. */
const RESTS_MS = 60;

/** A link to a bucket that asks for it while it is pointed at, pressed or reached by keys. */
@Directive({
  selector: 'a[czAskAhead]',
  host: { '(pointerenter)': 'point()', '(pointerleave)': 'leave()', '(pointerdown)': 'ask()', '(focus)': 'ask()' },
})
export class AskAhead {
  readonly id = input.required<string>({ alias: 'czAskAhead' });
  private readonly ahead = inject(BucketAhead);
  private timer: ReturnType<typeof setTimeout> | undefined;

  constructor() {
    inject(DestroyRef).onDestroy(() => this.leave());
  }

  protected point(): void {
    this.timer = setTimeout(() => this.ask(), RESTS_MS);
  }

  protected leave(): void {
    clearTimeout(this.timer);
  }

  protected ask(): void {
    this.leave();
    this.ahead.want(this.id());
  }
}
