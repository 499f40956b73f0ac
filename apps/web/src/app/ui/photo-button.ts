import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import { MatIcon } from '@angular/material/icon';

/** Photos from the camera or from files, as many as are chosen; the same one can be chosen twice. */
@Component({
  selector: 'cz-photo-button',
  imports: [MatIcon],
  template: `
    <label [class.busy]="busy()">
      <mat-icon svgIcon="camera" aria-hidden="true" />
      <span aria-hidden="true">{{ busy() ? 'a moment…' : 'Photo' }}</span>
      <input #box type="file" accept="image/*" multiple [attr.aria-label]="label()" (change)="choose(box)" />
    </label>
  `,
  styles: `
    label {
      position: relative;
      display: grid;
      place-items: center;
      align-content: center;
      width: 72px;
      height: 72px;
      border: 2px dashed var(--cobalt);
      border-radius: 6px;
      color: var(--cobalt);
      font-weight: 600;
      font-size: 0.85rem;
      cursor: pointer;
      &:focus-within {
        outline: 3px solid var(--cobalt);
        outline-offset: 2px;
      }
    }
    input {
      position: absolute;
      inset: 0;
      opacity: 0;
      cursor: pointer;
    }
    .busy {
      opacity: 0.6;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PhotoButton {
  readonly label = input.required<string>();
  readonly busy = input(false);
  readonly chosen = output<File[]>();

  protected choose(box: HTMLInputElement): void {
    const files = [...(box.files ?? [])];
    box.value = '';
    if (files.length > 0) this.chosen.emit(files);
  }
}
