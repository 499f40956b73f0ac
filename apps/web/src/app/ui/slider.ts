import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import { MatSlider, MatSliderThumb } from '@angular/material/slider';
import { FieldControl } from './field-control';

/** A number by sliding, told while it moves. It stands beside a number field that takes the exact figure. */
@Component({
  selector: 'cz-slider',
  imports: [MatSlider, MatSliderThumb],
  template: `
    <mat-slider [min]="least()" [max]="most()" [step]="step()" [disabled]="isDisabled()">
      <input #thumb matSliderThumb [attr.aria-label]="label()" [value]="current() ?? least()" (input)="take(thumb.valueAsNumber)" (blur)="leave()" />
    </mat-slider>
  `,
  styles: `
    mat-slider {
      width: calc(100% - 16px);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class Slider extends FieldControl<number> {
  readonly least = input.required<number>();
  readonly most = input.required<number>();
  readonly step = input(1);
}
