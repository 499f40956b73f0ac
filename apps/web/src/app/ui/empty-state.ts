import { ChangeDetectionStrategy, Component, input } from '@angular/core';

/** What stands where a list or a record would be: why nothing is there, and inside it what to do about that. */
@Component({
  selector: 'cz-empty-state',
  template: `
    @if (heading()) {
      <h2>{{ heading() }}</h2>
    }
    <p>{{ words() }}</p>
    <ng-content />
  `,
  styles: `
    :host {
      display: grid;
      gap: 0.8rem;
      justify-items: start;
      max-width: 44rem;
      margin: 1.2rem 0;
      padding: 1.2rem 1.4rem;
      border: 2px dashed var(--line);
      border-radius: var(--round);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class EmptyState {
  readonly heading = input('');
  readonly words = input.required<string>();
}
