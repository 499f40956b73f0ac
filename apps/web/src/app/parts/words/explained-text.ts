import { CdkConnectedOverlay, CdkOverlayOrigin } from '@angular/cdk/overlay';
import { ChangeDetectionStrategy, Component, computed, input, signal } from '@angular/core';
import { explained } from './explain';

/** A text whose words of the craft explain themselves at a tap. Escape or a tap elsewhere closes the explanation. */
@Component({
  selector: 'cz-explained',
  imports: [CdkConnectedOverlay, CdkOverlayOrigin],
  template: `
    @for (part of parts(); track $index) {
      @if (part.meaning) {
        <button
          type="button"
          class="term"
          cdkOverlayOrigin
          #origin="cdkOverlayOrigin"
          [attr.aria-expanded]="open() === $index"
          (click)="toggle($event, $index)"
        >
          {{ part.text }}</button><ng-template
          cdkConnectedOverlay
          [cdkConnectedOverlayOrigin]="origin"
          [cdkConnectedOverlayOpen]="open() === $index"
          (overlayOutsideClick)="left($event, origin)"
          (detach)="open.set(undefined)"
        >
          <p class="meaning" role="status">
            <strong>{{ part.text }}</strong> {{ part.meaning }}
          </p>
        </ng-template>
      } @else {
        <span>{{ part.text }}</span>
      }
    }
  `,
  styles: `
    :host {
      display: inline;
    }
    .term {
      display: inline;
      padding: 0;
      border: 0;
      border-bottom: 2px dotted var(--iron-wash);
      background: none;
      color: inherit;
      font: inherit;
      letter-spacing: inherit;
      text-align: left;
      cursor: help;
    }
    .meaning {
      max-width: 22rem;
      margin: 0.3rem;
      padding: 0.7rem 0.9rem;
      border: 1px solid var(--line);
      border-radius: var(--round);
      background: var(--paper, var(--slip));
      color: var(--iron);
      box-shadow: 0 4px 18px #0003;
      font-size: 1rem;
      line-height: 1.4;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ExplainedText {
  readonly text = input.required<string>();
  protected readonly open = signal<number | undefined>(undefined);
  protected readonly parts = computed(() => explained(this.text()));

  protected toggle(event: Event, index: number): void {
    // Inside a heading that folds, or a link, only the word is meant.
    event.preventDefault();
    event.stopPropagation();
    this.open.update((before) => (before === index ? undefined : index));
  }

  protected left(event: MouseEvent, { elementRef }: CdkOverlayOrigin): void {
    if (!(elementRef.nativeElement as Element).contains(event.target as Node)) this.open.set(undefined);
  }
}
