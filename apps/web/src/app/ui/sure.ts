import { ChangeDetectionStrategy, Component, computed, input, linkedSignal } from '@angular/core';
import { Checkbox } from './checkbox';

/** What cannot be, or hardly, is asked about in words; whoever knows better says so with one tap, for this amount and not for the next. */
@Component({
  selector: 'cz-sure',
  imports: [Checkbox],
  template: `
    @if (odd(); as words) {
      <p class="look" role="status">{{ words }}</p>
      <cz-checkbox label="It is right all the same" [value]="isSure()" (changed)="isSure.set($event)" />
    }
  `,
  styles: `
    :host {
      display: contents;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class Sure {
  /** What speaks against it; nothing is shown without. */
  readonly odd = input<string | undefined>();
  /** What it is about: another amount is asked about anew, though in the same words. */
  readonly about = input<unknown>();
  protected readonly isSure = linkedSignal({ source: () => [this.odd(), this.about()], computation: () => false });
  readonly mayGoOn = computed(() => !this.odd() || this.isSure());
}
