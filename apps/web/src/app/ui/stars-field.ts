import { ChangeDetectionStrategy, Component, ElementRef, inject } from '@angular/core';
import { NG_VALUE_ACCESSOR } from '@angular/forms';
import { MatIcon } from '@angular/material/icon';
import { FieldControl } from './field-control';

const STARS = [1, 2, 3, 4, 5] as const;

/** One to five stars, 0 while none is given. One stop for Tab; arrows give and take a star. */
@Component({
  selector: 'cz-stars-field',
  imports: [MatIcon],
  template: `
    <span class="named" [id]="id">{{ label() }}</span>
    <span class="stars" role="radiogroup" [attr.aria-labelledby]="id" tabindex="-1" (keydown)="press($event)">
      @for (star of stars; track star) {
        <button
          type="button"
          role="radio"
          [attr.aria-checked]="current() === star"
          [attr.aria-label]="star + (star === 1 ? ' star' : ' stars')"
          [attr.tabindex]="star === (current() || 1) ? 0 : -1"
          [disabled]="isDisabled()"
          (click)="take(star)"
        >
          <mat-icon [svgIcon]="star <= (current() ?? 0) ? 'star' : 'star-empty'" aria-hidden="true" />
        </button>
      }
    </span>
  `,
  styles: `
    :host {
      display: grid;
      gap: 0.2rem;
      align-content: start;
    }
    .stars {
      display: flex;
    }
    button {
      display: grid;
      place-items: center;
      width: 44px;
      height: 44px;
      padding: 0;
      border: 0;
      background: none;
      color: var(--rutile);
      cursor: pointer;
    }
  `,
  providers: [{ provide: NG_VALUE_ACCESSOR, useExisting: StarsField, multi: true }],
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class StarsField extends FieldControl<number> {
  protected readonly stars = STARS;
  private readonly element = inject<ElementRef<HTMLElement>>(ElementRef);

  protected press(event: KeyboardEvent): void {
    const by = { ArrowRight: 1, ArrowUp: 1, ArrowLeft: -1, ArrowDown: -1 }[event.key];
    if (!by) return;
    event.preventDefault();
    const stars = Math.min(5, Math.max(1, (this.current() ?? 0) + by));
    this.take(stars);
    this.element.nativeElement.querySelectorAll('button')[stars - 1]?.focus();
  }
}
