import { ChangeDetectionStrategy, Component } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MatDialogModule } from '@angular/material/dialog';

/** Asked before a screen is left with something typed and not kept. Closes with true for leaving. */
@Component({
  selector: 'cz-leave-dialog',
  imports: [MatButton, MatDialogModule],
  template: `
    <h2 mat-dialog-title>Leave without keeping?</h2>
    <mat-dialog-content>What you typed on this screen is not kept yet.</mat-dialog-content>
    <mat-dialog-actions>
      <button type="button" matButton="filled" [mat-dialog-close]="false">Stay here</button>
      <button type="button" matButton="outlined" [mat-dialog-close]="true">Leave it</button>
    </mat-dialog-actions>
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class LeaveDialog {}
