import { CdkFixedSizeVirtualScroll, CdkVirtualForOf, CdkVirtualScrollableWindow, CdkVirtualScrollViewport } from '@angular/cdk/scrolling';
import { NgTemplateOutlet } from '@angular/common';
import {
  ChangeDetectionStrategy,
  Component,
  computed,
  contentChild,
  DestroyRef,
  Directive,
  ElementRef,
  inject,
  input,
  signal,
  TemplateRef,
} from '@angular/core';

/** More than this many cards are drawn only where they are seen. */
const MANY = 120;

interface CardContext<T> {
  $implicit: T;
}

/** The template of one card: `<ng-template czCard [of]="things()" let-thing>`. */
@Directive({ selector: 'ng-template[czCard]' })
export class Card<T extends { id: string }> {
  readonly of = input.required<readonly T[]>();
  readonly template = inject<TemplateRef<CardContext<T>>>(TemplateRef);

  static ngTemplateContextGuard<T extends { id: string }>(_card: Card<T>, _context: unknown): _context is CardContext<T> {
    return true;
  }
}

/** Cards beside and under each other, in the order of the list: as many in a row as there is room for, and hundreds of them as fast as ten. */
@Component({
  selector: 'cz-card-grid',
  imports: [CdkFixedSizeVirtualScroll, CdkVirtualForOf, CdkVirtualScrollableWindow, CdkVirtualScrollViewport, NgTemplateOutlet],
  template: `
    @let card = this.card();
    @if (isLong()) {
      <!-- How many fit beside each other is known once it is laid out. -->
      <div role="list" [attr.aria-label]="label()">
        <cdk-virtual-scroll-viewport scrollWindow [itemSize]="rowPx()" [minBufferPx]="rowPx()" [maxBufferPx]="2 * rowPx()">
          <div
            class="cards"
            role="presentation"
            *cdkVirtualFor="let row of rows(); trackBy: place"
            [style.height.px]="rowPx()"
            [style.grid-template-columns]="'repeat(' + columns() + ', minmax(0, 1fr))'"
          >
            @for (item of row.items; track $index) {
              <div role="listitem" [attr.aria-setsize]="card.of().length" [attr.aria-posinset]="row.from + $index + 1">
                <ng-container [ngTemplateOutlet]="card.template" [ngTemplateOutletContext]="{ $implicit: item }" />
              </div>
            }
          </div>
        </cdk-virtual-scroll-viewport>
      </div>
    } @else {
      <ul class="plain-list cards" [attr.aria-label]="label()" [style.grid-template-columns]="'repeat(auto-fill, minmax(' + leastPx() + 'px, 1fr))'">
        @for (item of card.of(); track item.id) {
          <li><ng-container [ngTemplateOutlet]="card.template" [ngTemplateOutletContext]="{ $implicit: item }" /></li>
        }
      </ul>
    }
  `,
  styles: `
    :host {
      display: block;
    }
    .cards {
      display: grid;
      align-items: start;
      row-gap: 1.4rem;
    }
    [role='listitem'] {
      overflow: hidden;
      height: 100%;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class CardGrid<T extends { id: string }> {
  readonly label = input.required<string>();
  /** A card is at least this wide, px. */
  readonly leastPx = input(150);
  /** A row of a long list is this high, px. */
  readonly rowPx = input.required<number>();
  protected readonly card = contentChild.required<Card<T>>(Card);
  private readonly widthPx = signal(0);
  protected readonly columns = computed(() => Math.max(1, Math.floor(this.widthPx() / this.leastPx())));
  protected readonly isLong = computed(() => this.card().of().length > MANY);
  protected readonly rows = computed(() => {
    const [items, columns] = [this.widthPx() > 0 ? this.card().of() : [], this.columns()];
    return Array.from({ length: Math.ceil(items.length / columns) }, (_, at) => ({
      from: at * columns,
      items: items.slice(at * columns, (at + 1) * columns),
    }));
  });

  constructor() {
    const host = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;
    // Not in a test without a layout.
    if (typeof ResizeObserver === 'undefined') return;
    const observer = new ResizeObserver(([entry]) => this.widthPx.set(entry!.contentRect.width));
    observer.observe(host);
    inject(DestroyRef).onDestroy(() => observer.disconnect());
  }

  /** By its place: a card that is there is filled anew sooner than another one is made. */
  protected readonly place = (at: number): number => at;
}
