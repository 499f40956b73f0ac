import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MatDialogModule } from '@angular/material/dialog';
import { Keys } from '../data/devices/keys';

const SPOKEN: Record<string, string> = { ' ': 'Space', enter: 'Enter', backspace: 'Backspace', escape: 'Esc', arrowup: '↑', arrowdown: '↓' };

@Component({
  selector: 'cz-key-help',
  imports: [MatButton, MatDialogModule],
  template: `
    <h2 mat-dialog-title>Keys of this screen</h2>
    <mat-dialog-content>
      <table class="sheet">
        @for (row of rows(); track row.keys) {
          <tr>
            <td>
              <kbd>{{ row.keys }}</kbd>
            </td>
            <td>{{ row.words }}</td>
          </tr>
        }
      </table>
    </mat-dialog-content>
    <mat-dialog-actions align="end"><button type="button" matButton="outlined" mat-dialog-close>Back to work</button></mat-dialog-actions>
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class KeyHelp {
  private readonly keys = inject(Keys);
  protected readonly rows = computed(() =>
    this.keys
      .bindings()
      .flat()
      .map((binding) => ({ keys: binding.keys.map((key) => SPOKEN[key] ?? key.toUpperCase()).join(' or '), words: binding.words })),
  );
}
