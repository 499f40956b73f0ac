import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { attempt, PIECE_RULES } from '@cazuela/core';
import { catchError, of } from 'rxjs';
import { PieceQuestions } from '../data/state/piece-questions';

/** What speaks against food on it. */
const FOOD_RULE = 'H4';

/** Where a result is read: whether what is inside may touch food. It never says that it may. */
@Component({
  selector: 'cz-liner-caution',
  template: `
    @for (warning of warnings(); track warning.what) {
      <p [class]="warning.severity + ' small'">
        <strong>{{ warning.what }}</strong> {{ warning.why }}
      </p>
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class LinerCaution {
  readonly pieceId = input.required<string>();
  private readonly questionOf = toSignal(
    inject(PieceQuestions)
      .all()
      .pipe(catchError(() => of(() => undefined))),
  );
  protected readonly warnings = computed(() => {
    const question = this.questionOf()?.({ pieceId: this.pieceId() });
    const made = question && attempt(() => PIECE_RULES.filter(({ id }) => id === FOOD_RULE).flatMap(({ check }) => check(question)));
    return made?.kind === 'ok' ? made.value : [];
  });
}
