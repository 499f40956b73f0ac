import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { BenchLog } from '../../../data/offline/bench-log';
import { keyedResource } from '../../../data/http/api-resource';
import { Outbox } from '../../../data/offline/outbox';
import { stepWords } from '../../../data/offline/step-words';
import { StudioApi } from '../../../data/http/studio-api';
import { formatWhen } from '../../../data/units/times';
import { ErrorBanner } from '../../../ui/error-banner';

/** How many steps are shown, newest first: what spoiled a bucket was done lately. */
const NEWEST = 30;

/** A bucket whose state cannot be read: its last steps, each with a button to take it back, so that anybody can mend it. */
@Component({
  selector: 'cz-unreadable-bucket',
  imports: [ErrorBanner, MatButton],
  template: `
    <cz-error-banner [failure]="all.failure()" (again)="all.reload()" />
    @if (all.value(); as bucket) {
      <h1>{{ bucket.code }} {{ bucket.body.name }}</h1>
      <p role="alert" class="look">
        This bucket cannot be read: one of its last steps makes figures no bucket can have. Take that one back, then look again. Nothing of it is
        lost.
      </p>
      <table class="sheet">
        @for (step of steps(); track step.id) {
          <tr>
            <td class="quiet small nowrap">{{ step.when }}</td>
            <td class="small nowrap">{{ step.by }}</td>
            <td>{{ step.words }}</td>
            <td class="nowrap">
              @if (step.isBack) {
                <span class="quiet">taken back</span>
              } @else {
                <button type="button" matButton="text" [attr.aria-label]="'Take back: ' + step.words" (click)="undo(step.id)">Take back</button>
              }
            </td>
          </tr>
        }
      </table>
      <button type="button" matButton="filled" [disabled]="waits()" (click)="again.emit()">Look again</button>
    }
  `,
  styles: `
    :host {
      display: grid;
      gap: 0.8rem;
      justify-items: start;
    }
    button {
      white-space: nowrap;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class UnreadableBucket {
  readonly id = input.required<string>();
  readonly again = output<void>();
  private readonly api = inject(StudioApi);
  private readonly log = inject(BenchLog);
  private readonly outbox = inject(Outbox);
  protected readonly all = keyedResource(
    () => this.id(),
    (id) => this.api.bucketSteps(id),
  );
  protected readonly waits = computed(() => this.outbox.isWaiting(this.id()));
  protected readonly steps = computed(() => {
    const events = this.all.value()?.events ?? [];
    const here = this.outbox.localEvents('bucket', this.id());
    const undone = new Set([...events, ...here].flatMap((event) => (event.type === 'undone' && event.eventId ? [event.eventId] : [])));
    return events
      .filter((event) => event.type !== 'undone')
      .slice(-NEWEST)
      .reverse()
      .map((event) => ({
        id: event.id,
        by: event.by,
        words: stepWords(event),
        when: Number.isNaN(Date.parse(event.at)) ? event.at : formatWhen(event.at),
        isBack: undone.has(event.id),
      }));
  });

  protected undo(eventId: string): void {
    this.log.note('bucket', this.id(), { type: 'undone', eventId });
  }
}
