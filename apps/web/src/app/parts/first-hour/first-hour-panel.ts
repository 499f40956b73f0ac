import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MatIcon } from '@angular/material/icon';
import { RouterLink } from '@angular/router';
import { createMutation } from '../../data/http/mutation';
import { StudioApi } from '../../data/http/studio-api';
import { NOW } from '../../data/state/clock';
import { FirstHourStore } from '../../data/state/first-hour-store';
import { StudioStore } from '../../data/state/studio-store';
import { Notice } from '../../ui/notice';
import { firstStepWords } from './first-step-words';

/** The way of a new studio, with what is done of it, and an example to look around in. */
@Component({
  selector: 'cz-first-hour-panel',
  imports: [MatButton, MatIcon, RouterLink],
  template: `
    @if (store.hour(); as hour) {
      @if (!store.isHidden()) {
        <section aria-labelledby="first-hour">
          <div class="spread">
            <h2 id="first-hour">{{ hour.next ? 'The first hour' : 'That was the first hour' }}</h2>
            <button type="button" matButton="text" (click)="store.hide(true)">Not now</button>
          </div>
          <ol class="plain-list">
            @for (row of rows(); track row.step) {
              <li [class.done]="row.done" [attr.aria-current]="row.isNext ? 'step' : null">
                <span class="mark" aria-hidden="true">
                  @if (row.done) {
                    <mat-icon svgIcon="check" />
                  } @else {
                    {{ $index + 1 }}
                  }
                </span>
                <span class="what"
                  ><strong>{{ row.what }}</strong
                  ><span class="quiet">{{ row.done ? 'Done.' : row.why }}</span></span
                >
                @if (!row.done) {
                  <a [matButton]="row.isNext ? 'filled' : 'outlined'" [routerLink]="row.path" [queryParams]="row.query">{{ row.action }}</a>
                }
              </li>
            }
          </ol>
          @if (changing.failure(); as failure) {
            <p class="field-error" role="alert">{{ failure.problem.detail }}</p>
          }
          <p class="row">
            @if (store.exampleIsThere()) {
              <span>An example is in your studio: a clay, a white glaze, its bucket, twelve cups.</span>
              <button type="button" matButton="outlined" [disabled]="changing.busy()" (click)="change(false)">Take the example out</button>
            } @else if (nothingYet()) {
              <button type="button" matButton="text" [disabled]="changing.busy()" (click)="change(true)">Put an example in, to look around</button>
              <span class="quiet small">One tap takes it out again.</span>
            }
          </p>
        </section>
      } @else {
        <p class="quiet small"><button type="button" matButton="text" (click)="store.hide(false)">Show the first hour again</button></p>
      }
    }
  `,
  styleUrl: './first-hour-panel.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class FirstHourPanel {
  protected readonly store = inject(FirstHourStore);
  private readonly api = inject(StudioApi);
  private readonly by = inject(StudioStore).by;
  private readonly now = inject(NOW);
  private readonly notice = inject(Notice);
  protected readonly changing = createMutation();
  protected readonly rows = computed(() => {
    const hour = this.store.hour();
    return (hour?.steps ?? []).map(({ step, done }) => ({ step, done, isNext: step === hour!.next, ...firstStepWords(step, this.store.links()) }));
  });
  protected readonly nothingYet = computed(() => this.rows().some((row) => row.step === 'recipe' && !row.done));

  constructor() {
    this.store.reload();
  }

  protected change(there: boolean): void {
    this.changing.run(this.api.changeExample({ there, at: this.now().toISOString(), by: this.by() }), ({ putAway }) => {
      this.store.reload();
      if (!there)
        this.notice.tell(putAway.length === 0 ? 'The example is out.' : `Needed by work of your own, and kept: ${[...new Set(putAway)].join(', ')}.`);
    });
  }
}
