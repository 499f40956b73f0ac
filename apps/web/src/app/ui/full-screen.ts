import { afterNextRender, ChangeDetectionStrategy, Component, DestroyRef, inject, input, viewChild, type TemplateRef } from '@angular/core';
import { MatDialog } from '@angular/material/dialog';

/**
 * What fills the whole screen for as long as it is there, for hands that are busy: a Material dialog, so that the focus stays inside and returns
 * to where it was. Whoever shows it also takes it away.
 */
@Component({
  selector: 'cz-full-screen',
  template: '<ng-template #content><ng-content /></ng-template>',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class FullScreen {
  readonly label = input.required<string>();
  private readonly content = viewChild.required<TemplateRef<unknown>>('content');

  constructor() {
    const dialog = inject(MatDialog);
    const destroyRef = inject(DestroyRef);
    afterNextRender(() => {
      const shown = dialog.open(this.content(), {
        ariaLabel: this.label(),
        panelClass: 'full-screen',
        width: '100vw',
        maxWidth: '100vw',
        height: '100dvh',
        maxHeight: '100dvh',
        autoFocus: '[cdkFocusInitial]',
        disableClose: true,
        hasBackdrop: false,
        enterAnimationDuration: 0,
        exitAnimationDuration: 0,
      });
      destroyRef.onDestroy(() => shown.close());
    });
  }
}
