import { BreakpointObserver } from '@angular/cdk/layout';
import { afterNextRender, ChangeDetectionStrategy, Component, DestroyRef, inject, input, output, viewChild, type TemplateRef } from '@angular/core';
import { MatBottomSheet } from '@angular/material/bottom-sheet';
import { MatDialog } from '@angular/material/dialog';
import type { Observable } from 'rxjs';

const PHONE = '(max-width: 600px)';

/** What both ways of asking can do. */
interface Shown {
  closed: Observable<unknown>;
  close: () => void;
}

/**
 * A question asked over the screen for as long as it is there: a dialog, on a phone a sheet from below, where the thumb is. The focus stays inside,
 * the keys of the screen rest, and Escape or a tap beside it leaves.
 */
@Component({
  selector: 'cz-question',
  template: `<ng-template #content
    ><div class="question"><ng-content /></div
  ></ng-template>`,
  styles: `
    .question {
      padding: 1.2rem 1.4rem;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class Question {
  readonly label = input.required<string>();
  /** Left without an answer. */
  readonly left = output();
  private readonly content = viewChild.required<TemplateRef<unknown>>('content');
  private readonly dialog = inject(MatDialog);
  private readonly bottomSheet = inject(MatBottomSheet);

  constructor() {
    const isPhone = inject(BreakpointObserver).isMatched(PHONE);
    const destroyRef = inject(DestroyRef);
    afterNextRender(() => {
      const shown = isPhone ? this.asSheet() : this.asDialog();
      let isGone = false;
      shown.closed.subscribe(() => !isGone && this.left.emit());
      destroyRef.onDestroy(() => {
        isGone = true;
        shown.close();
      });
    });
  }

  private asDialog(): Shown {
    const dialog = this.dialog.open(this.content(), {
      ariaLabel: this.label(),
      width: '36rem',
      maxWidth: '94vw',
      autoFocus: 'first-tabbable',
      enterAnimationDuration: 0,
      exitAnimationDuration: 0,
    });
    return { closed: dialog.beforeClosed(), close: () => dialog.close() };
  }

  private asSheet(): Shown {
    const sheet = this.bottomSheet.open(this.content(), { ariaLabel: this.label(), autoFocus: 'first-tabbable' });
    return { closed: sheet.afterDismissed(), close: () => sheet.dismiss() };
  }
}
