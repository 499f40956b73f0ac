import { ChangeDetectionStrategy, Component, input, model } from '@angular/core';
import { MatExpansionPanel, MatExpansionPanelHeader, MatExpansionPanelTitle } from '@angular/material/expansion';

/** What is rarer, one tap away. */
@Component({
  selector: 'cz-expansion',
  imports: [MatExpansionPanel, MatExpansionPanelHeader, MatExpansionPanelTitle],
  template: `
    <mat-expansion-panel class="mat-elevation-z0" [(expanded)]="open">
      <mat-expansion-panel-header
        ><mat-panel-title>{{ heading() }}<ng-content select="[heading]" /></mat-panel-title
      ></mat-expansion-panel-header>
      <ng-content />
    </mat-expansion-panel>
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class Expansion {
  readonly heading = input('');
  readonly open = model(false);
}
