import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { Units } from '../../../../data/units/units';
import { dragView } from '../draft/drag-view';
import type { PieceFigures } from './piece-figures';
import { PieceScreen } from '../piece-screen';

/** Clay, wall, area and volume in one line that follows a drag. */
@Component({
  selector: 'cz-piece-headline',
  template: `
    <p class="quiet">{{ screen.clay()?.name }}, bisque {{ screen.clayFacts()?.bisqueCone }}, wall {{ units.length(screen.restedShape().wallMm) }}</p>
    <p class="quiet live">{{ size() }}</p>
  `,
  styles: `
    :host {
      display: block;
    }
    // A line of its own: when its numbers change nothing else is laid out or painted.
    .live {
      height: 1.6em;
      contain: strict;
      will-change: transform;
      // Of one width: where a text grows, the layers of the whole page are put together anew.
      font-variant-numeric: tabular-nums;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PieceHeadline {
  protected readonly screen = inject(PieceScreen);
  protected readonly units = inject(Units);
  protected readonly size = dragView(
    () => this.sizeOf(this.screen.figures),
    () => this.sizeOf(this.screen.movedFigures),
  );

  private sizeOf(figures: PieceFigures): string {
    const holdsMl = figures.holdsMl();
    return `${this.units.plain(figures.outsideCm2())} cm² outside${holdsMl > 0 ? `, holds ${this.units.millilitres(holdsMl)}` : ''}`;
  }
}
