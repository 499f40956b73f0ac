import { ChangeDetectionStrategy, Component, input } from '@angular/core';

/** Placeholder bars while something is fetched. */
@Component({
  selector: 'cz-loading',
  template: `<div role="status" aria-label="Fetching"></div>
    @for (line of lines(); track $index) {
      <span class="bar" [style.width.%]="line" aria-hidden="true"></span>
    }`,
  styles: `
    :host {
      display: grid;
      gap: 1rem;
      padding: 1rem 0;
    }
    .bar {
      height: 1.5rem;
      border-radius: 6px;
      background: var(--slip);
      animation: breathe 1.4s infinite alternate;
    }
    @keyframes breathe {
      to {
        opacity: 0.45;
      }
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class Loading {
  readonly lines = input<readonly number[]>([45, 90, 85, 88, 60]);
}
