import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { areaCm2 } from '@cazuela/core';
import { Units } from '../../../data/units';
import { PieceScreen } from './piece-screen';

/** Clay, wall, area and what it holds, in one line that follows a dragging hand. */
@Component({
  selector: 'cz-piece-headline',
  template: `
    <p class="quiet">{{ screen.clay()?.name }}, bisque {{ screen.clayFacts()?.bisqueCone }}, wall {{ units.length(screen.shape().wallMm) }}</p>
    <p class="quiet live">{{ units.plain(area()) }} cm² outside{{ screen.holdsMl() > 0 ? ', holds ' + units.millilitres(screen.holdsMl()) : '' }}</p>
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
  protected readonly area = computed(() => areaCm2({ profile: this.screen.shape().outside }));
}
