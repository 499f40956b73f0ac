import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { areaCm2 } from '@cazuela/core';
import { Units } from '../../../data/units';
import { PieceScreen } from './piece-screen';

/** Clay, wall, area and what it holds, in one line that follows a dragging hand. */
@Component({
  selector: 'cz-piece-headline',
  template: `
    <p class="quiet">
      {{ screen.clay()?.name }}, bisque {{ screen.clayFacts()?.bisqueCone }}, wall {{ units.length(screen.shape().wallMm) }},
      {{ units.plain(area()) }} cm² outside{{ screen.holdsMl() > 0 ? ', holds ' + units.millilitres(screen.holdsMl()) : '' }}
    </p>
  `,
  styles: `
    :host {
      display: block;
      will-change: transform;
    }
    @media (min-width: 901px) {
      // Room for two lines: the numbers in it change without moving what is below.
      :host {
        height: 3.1em;
        contain: strict;
      }
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PieceHeadline {
  protected readonly screen = inject(PieceScreen);
  protected readonly units = inject(Units);
  protected readonly area = computed(() => areaCm2({ profile: this.screen.shape().outside }));
}
