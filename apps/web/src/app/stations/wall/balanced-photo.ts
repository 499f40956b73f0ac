import { booleanAttribute, ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import type { PhotoColours } from '@cazuela/contract';
import { StudioApi } from '../../data/http/studio-api';

/** A photo whose grey patch, where one was tapped, makes its colours comparable with those of others. */
@Component({
  selector: 'cz-balanced-photo',
  template: `
    @if (matrix(); as values) {
      <svg width="0" height="0" aria-hidden="true">
        <filter [attr.id]="filterId()" color-interpolation-filters="linearRGB"><feColorMatrix type="matrix" [attr.values]="values" /></filter>
      </svg>
    }
    <img
      [src]="isSmall() ? api.thumbnailUrl(photoId()) : api.photoUrl(photoId())"
      [alt]="alt()"
      loading="lazy"
      draggable="false"
      [style.filter]="matrix() ? 'url(#' + filterId() + ')' : null"
      [style.transform]="transform() || null"
    />
  `,
  styles: `
    :host {
      display: block;
      position: relative;
    }
    svg {
      position: absolute;
    }
    img {
      display: block;
      width: 100%;
      height: 100%;
      object-fit: var(--photo-fit, cover);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class BalancedPhoto {
  readonly photoId = input.required<string>();
  readonly alt = input.required<string>();
  readonly colours = input<PhotoColours>();
  readonly transform = input('');
  /** On a card. */
  readonly isSmall = input(false, { transform: booleanAttribute });
  protected readonly api = inject(StudioApi);
  protected readonly filterId = computed(() => `balance-${this.photoId()}`);
  protected readonly matrix = computed(() => {
    const gains = this.colours()?.gains;
    if (!gains) return undefined;
    return [0, 1, 2].map((row) => [0, 1, 2, 3, 4].map((column) => (column === row ? gains[row] : 0)).join(' ')).join(' ') + ' 0 0 0 1 0';
  });
}
