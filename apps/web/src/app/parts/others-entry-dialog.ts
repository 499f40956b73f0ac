import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MAT_DIALOG_DATA, MatDialogModule } from '@angular/material/dialog';

/** Asked before somebody else's entry is taken back. Closes with true for taking it. */
@Component({
  selector: 'cz-others-entry-dialog',
  imports: [MatButton, MatDialogModule],
  template: `
    <h2 mat-dialog-title>That was {{ by }}</h2>
    <mat-dialog-content>The last entry is {{ by }}’s, not yours. Take it back all the same?</mat-dialog-content>
    <mat-dialog-actions>
      <button type="button" matButton="filled" [mat-dialog-close]="false">Leave it</button>
      <button type="button" matButton="outlined" [mat-dialog-close]="true">Take it back</button>
    </mat-dialog-actions>
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class OthersEntryDialog {
  protected readonly by = inject<string>(MAT_DIALOG_DATA);
}
