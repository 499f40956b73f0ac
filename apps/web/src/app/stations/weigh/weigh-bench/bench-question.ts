import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { MatButton } from '@angular/material/button';
import type { StudioPowder } from '@cazuela/contract';
import type { BatchLineState } from '@cazuela/core';
import { Question } from '../../../ui/question';
import { SentenceForm } from '../../../ui/sentence-form';
import { AnotherPowder } from './another-powder';

/** What can be asked in the middle of a line: a note, its lot, or another powder for it. */
export type Asked = 'note' | 'lot' | 'powder';

/** A question asked over the weighing bench. */
@Component({
  selector: 'cz-bench-question',
  imports: [AnotherPowder, MatButton, Question, SentenceForm],
  template: `
    <cz-question [label]="words()" (left)="left.emit()">
      @if (asked() === 'powder' && line()) {
        <cz-another-powder [line]="line()!" [lines]="lines()" (taken)="taken.emit($event)" (left)="left.emit()" />
      } @else {
        <cz-sentence-form [label]="words()" action="Keep it" (kept)="kept.emit($event)">
          <button type="button" matButton="outlined" (click)="left.emit()">Leave it</button>
        </cz-sentence-form>
      }
    </cz-question>
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class BenchQuestion {
  readonly asked = input.required<Asked>();
  readonly line = input<BatchLineState>();
  readonly lines = input.required<readonly BatchLineState[]>();
  /** The note or the lot. */
  readonly kept = output<string>();
  readonly taken = output<StudioPowder>();
  readonly left = output();
  protected readonly words = computed(() => {
    const name = this.line()?.name ?? 'the powder';
    return { note: 'Note', lot: `Lot of ${name}`, powder: `Another powder for ${name}` }[this.asked()];
  });
}
