import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatProgressBar } from '@angular/material/progress-bar';
import type { StudioOutcome } from '@cazuela/contract';
import { createMutation } from '../../../data/http/mutation';
import { StudioApi } from '../../../data/http/studio-api';
import { ErrorBanner } from '../../../ui/error-banner';
import { FileField } from '../../../ui/file-field';

/** Takes a whole studio in, from its zip. */
@Component({
  selector: 'cz-studio-file',
  imports: [ErrorBanner, FileField, MatProgressBar],
  template: `
    <h2>A whole studio</h2>
    <p class="quiet">
      The zip of a studio, this one or another. What is not here yet comes in, with its photos, all of it or nothing; what is here stays as it is.
    </p>
    @if (taking.busy()) {
      <div role="status">
        <p>Taking {{ name() }} in …</p>
        <mat-progress-bar mode="indeterminate" aria-label="Taking in" />
      </div>
    } @else {
      <cz-file-field label="The zip of a studio" accept=".zip" (changed)="choose($event)" />
    }
    <cz-error-banner [failure]="taking.failure()?.problem?.detail" action="Close" (again)="taking.clear()" />
    @if (words(); as told) {
      <p class="good" role="status">{{ told }}</p>
      <ul class="plain-list small">
        @for (line of left(); track $index) {
          <li class="look">{{ line }}</li>
        }
      </ul>
    }
  `,
  styles: `
    h2 {
      margin-top: 1.6rem;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class StudioFile {
  private readonly api = inject(StudioApi);
  protected readonly taking = createMutation();
  protected readonly name = signal('');
  private readonly outcome = signal<StudioOutcome | undefined>(undefined);
  protected readonly left = computed(() => this.outcome()?.left ?? []);
  protected readonly words = computed(() => {
    const outcome = this.outcome();
    if (!outcome) return '';
    const { added, here, photos } = outcome;
    if (added + photos === 0) return `Everything in it was here already: ${here} records.`;
    return `${added} ${added === 1 ? 'record' : 'records'} and ${photos} ${photos === 1 ? 'photo' : 'photos'} came in; ${here} were here already.`;
  });

  protected choose(file: File): void {
    this.name.set(file.name);
    this.outcome.set(undefined);
    this.taking.run(this.api.takeInStudio(file), (outcome) => this.outcome.set(outcome));
  }
}
