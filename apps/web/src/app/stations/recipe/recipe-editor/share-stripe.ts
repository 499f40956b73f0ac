import { ChangeDetectionStrategy, Component, computed, ElementRef, inject, input, output } from '@angular/core';

/** The full width of the field is this many percent: no line of a base is much more. */
const FULL_PERCENT = 60;
const STEP = 0.5;

export interface Slide {
  percent: number;
  /** True while the same drag goes on: one step to undo, not a hundred. */
  goesOn: boolean;
}

/** A line's share as a stripe of that length: drag its end, or use the arrow keys. */
@Component({
  selector: 'cz-share-stripe',
  template: `
    <span
      class="stripe"
      role="slider"
      tabindex="0"
      [attr.aria-label]="label()"
      [attr.aria-valuenow]="percent()"
      [attr.aria-valuetext]="percent() + ' percent'"
      aria-valuemin="0"
      aria-valuemax="100"
      (pointerdown)="begin($event)"
      (pointermove)="drag($event)"
      (pointerup)="dragging = false"
      (pointercancel)="dragging = false"
      (keydown)="key($event)"
    >
      <span class="share" [style.width.%]="width()" [style.background]="colour()"></span>
      <span class="grip" [style.left.%]="width()" aria-hidden="true"></span>
    </span>
  `,
  styles: `
    .stripe {
      position: relative;
      display: block;
      height: 44px;
      cursor: ew-resize;
      touch-action: pan-y;
      background: linear-gradient(var(--line), var(--line)) 0 33px / 100% 1px no-repeat;
    }
    .share {
      position: absolute;
      top: 11px;
      height: 22px;
      border-radius: 5px;
      min-width: 3px;
    }
    .grip {
      position: absolute;
      top: 9px;
      width: 4px;
      height: 26px;
      margin-left: -2px;
      border-radius: 2px;
      background: var(--cobalt);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ShareStripe {
  readonly percent = input.required<number>();
  readonly colour = input.required<string>();
  readonly label = input.required<string>();
  readonly slid = output<Slide>();
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef);
  protected readonly width = computed(() => Math.min(100, (100 * this.percent()) / FULL_PERCENT));
  protected dragging = false;
  private moved = false;

  protected begin(event: PointerEvent): void {
    (event.target as HTMLElement).setPointerCapture?.(event.pointerId);
    this.dragging = true;
    this.moved = false;
  }

  protected drag(event: PointerEvent): void {
    if (!this.dragging) return;
    const box = this.host.nativeElement.getBoundingClientRect();
    const percent = Math.max(0, Math.round((FULL_PERCENT * (event.clientX - box.left)) / box.width / STEP) * STEP);
    if (percent === this.percent()) return;
    this.slid.emit({ percent, goesOn: this.moved });
    this.moved = true;
  }

  protected key(event: KeyboardEvent): void {
    const by = { ArrowRight: STEP, ArrowUp: STEP, ArrowLeft: -STEP, ArrowDown: -STEP, PageUp: 5, PageDown: -5 }[event.key];
    if (by === undefined) return;
    event.preventDefault();
    event.stopPropagation();
    this.slid.emit({ percent: Math.max(0, Number((this.percent() + by).toFixed(3))), goesOn: event.repeat });
  }
}
