import { ChangeDetectionStrategy, Component, input, viewChild, type ElementRef } from '@angular/core';
import { Field } from './field';
import { FieldControl } from './field-control';

/** A file from the device. The same file can be chosen twice. */
@Component({
  selector: 'cz-file-field',
  imports: [Field],
  template: `
    <cz-field [of]="this">
      <input
        #box
        type="file"
        [id]="id"
        [accept]="accept()"
        [disabled]="isDisabled()"
        [attr.aria-describedby]="describedBy() || null"
        (click)="box.value = ''"
        (change)="choose(box.files)"
      />
    </cz-field>
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class FileField extends FieldControl<File> {
  readonly accept = input('');
  private readonly box = viewChild.required<ElementRef<HTMLInputElement>>('box');

  clear(): void {
    this.box().nativeElement.value = '';
  }

  protected choose(files: FileList | null): void {
    const file = files?.[0];
    if (file) this.take(file);
  }
}
