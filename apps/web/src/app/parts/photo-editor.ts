import { ChangeDetectionStrategy, Component, inject, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MAT_DIALOG_DATA, MatDialogModule, MatDialogRef } from '@angular/material/dialog';
import { ImageCropperComponent, type ImageCroppedEvent } from 'ngx-image-cropper';

export interface EditedPhoto {
  /** Where it lies, and what it is called. */
  url: string;
  label: string;
}

/** What became of it: the part that is kept, or not wanted at all. */
export type PhotoEdit = { kind: 'cropped'; photo: Blob } | { kind: 'taken off' };

/** A photo, turned and cropped by hand before it travels, or after. */
@Component({
  selector: 'cz-photo-editor',
  imports: [ImageCropperComponent, MatButton, MatDialogModule],
  template: `
    <h2 mat-dialog-title>{{ photo.label }}</h2>
    <mat-dialog-content>
      @if (failed()) {
        <p class="field-error" role="alert">This photo cannot be opened here.</p>
      } @else {
        <image-cropper
          [imageURL]="photo.url"
          [maintainAspectRatio]="false"
          [canvasRotation]="quarters()"
          [imageQuality]="90"
          [cropperStaticWidth]="0"
          format="jpeg"
          output="blob"
          backgroundColor="#FCFAF5"
          (imageCropped)="cropped.set($event)"
          (loadImageFailed)="failed.set(true)"
        />
      }
      <p class="small quiet">
        Drag the corners, or move and size the frame with the arrow keys. Its colours are counted from the middle of what you keep.
      </p>
    </mat-dialog-content>
    <mat-dialog-actions>
      <button type="button" matButton="outlined" (click)="turn()">Turn it</button>
      <button type="button" matButton="text" (click)="dialog.close({ kind: 'taken off' })">Take it off</button>
      <button type="button" matButton="text" mat-dialog-close>Leave it as it is</button>
      <button type="button" matButton="filled" [disabled]="!cropped()?.blob" (click)="keep()">Keep this part</button>
    </mat-dialog-actions>
  `,
  styles: `
    image-cropper {
      display: block;
      height: 52vh;
      --cropper-overlay-color: rgb(40 30 24 / 0.5);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PhotoEditor {
  protected readonly photo = inject<EditedPhoto>(MAT_DIALOG_DATA);
  protected readonly dialog = inject<MatDialogRef<PhotoEditor, PhotoEdit>>(MatDialogRef);
  protected readonly quarters = signal(0);
  protected readonly cropped = signal<ImageCroppedEvent | undefined>(undefined);
  protected readonly failed = signal(false);

  protected turn(): void {
    // What was cut out before it was turned is not kept by a quick hand.
    this.cropped.set(undefined);
    this.quarters.update((quarters) => (quarters + 1) % 4);
  }

  protected keep(): void {
    const photo = this.cropped()?.blob;
    if (photo) this.dialog.close({ kind: 'cropped', photo });
  }
}
