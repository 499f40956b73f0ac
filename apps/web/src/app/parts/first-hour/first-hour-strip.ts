import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { RouterLink } from '@angular/router';
import { FirstHourStore } from '../../data/state/first-hour-store';
import { firstStepWords } from './first-step-words';

/** On every page of the first hour: how far it is, what comes next, and the way back to the list. */
@Component({
  selector: 'cz-first-hour-strip',
  imports: [RouterLink],
  template: `
    @if (next(); as step) {
      <p class="no-print">
        <a routerLink="/">First hour: {{ step.doneCount }} of {{ step.count }}</a>
        <span
          >Next: <a [routerLink]="step.path" [queryParams]="step.query">{{ step.what }}</a></span
        >
      </p>
    }
  `,
  styles: `
    p {
      display: flex;
      flex-wrap: wrap;
      gap: 0.2rem 1.4rem;
      margin: 0;
      padding: 0.5rem 1.8rem;
      background: var(--slip);
      font-size: 0.95rem;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class FirstHourStrip {
  readonly url = input.required<string>();
  private readonly store = inject(FirstHourStore);
  protected readonly next = computed(() => {
    const hour = this.store.hour();
    // The first page has the whole list.
    if (!hour?.next || this.store.isHidden() || this.url().split('?')[0] === '/') return undefined;
    const doneCount = hour.steps.filter((one) => one.done).length;
    return { ...firstStepWords(hour.next, this.store.links()), doneCount, count: hour.steps.length };
  });
}
