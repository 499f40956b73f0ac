import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { Choice } from '../../../../ui/choice';
import { riskWords, STIRRING_WORDS } from './cure-words';
import { BucketScreen } from '../bucket-screen';
import { DropCounter } from './drop-counter';
import { SuspenderBench } from './suspender-bench';

type Cure = 'firstAid' | 'epsom' | 'bentonite' | 'gum' | 'silicate';

/** How the bucket settles and why, first aid, and each cure as a bench of its own. */
@Component({
  selector: 'cz-settling-panel',
  imports: [Choice, DropCounter, MatButton, SuspenderBench],
  template: `
    @if (risk(); as it) {
      <p>
        <strong [class]="it.tone">{{ it.what }}</strong> {{ it.why }} {{ stirring() }}
      </p>
    }
    <cz-choice label="What to do" [options]="cures" [value]="cure()" (changed)="cure.set($event)" />
    @switch (cure()) {
      @case ('firstAid') {
        <ol>
          <li>Pour most of the water off into a clean jug. Loosen the pan from the edge with a stout stick; a drill on a hard pan kicks.</li>
          <li>
            Drill it up from the bottom, the water back in little by little. Dry hands, the cable away from water, bucket between your feet, sleeves
            tight.
          </li>
          <li>Sieve, stir, measure.</li>
        </ol>
        @if (caustic()) {
          <p class="look">There is ash in it: caustic when wet. Gloves and eye protection.</p>
        }
        <button type="button" matButton="filled" (click)="drilled()">Drilled up and sieved</button>
      }
      @case ('bentonite') {
        <cz-suspender-bench what="bentonite" />
      }
      @case ('gum') {
        <cz-suspender-bench what="gum" />
      }
      @case ('epsom') {
        <cz-drop-counter of="epsom" />
      }
      @case ('silicate') {
        <cz-drop-counter of="silicate" />
      }
    }
  `,
  styles: `
    :host {
      display: grid;
      gap: 0.8rem;
    }
    ol {
      margin: 0;
      padding-left: 1.2rem;
    }
    button {
      justify-self: start;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class SettlingPanel {
  protected readonly screen = inject(BucketScreen);
  protected readonly cure = signal<Cure>('firstAid');
  protected readonly cures = [
    ['firstAid', 'first aid'],
    ['epsom', 'Epsom drops'],
    ['bentonite', 'bentonite'],
    ['gum', 'gum'],
    ['silicate', 'thin it: silicate'],
  ] as const;
  protected readonly risk = computed(() => {
    const risk = this.screen.risk();
    return risk && riskWords(risk);
  });
  protected readonly caustic = computed(() => this.screen.risk()?.causes.includes('ash') ?? false);
  protected readonly stirring = computed(() => {
    const stirring = this.screen.stirring();
    return stirring ? `Stir it ${STIRRING_WORDS[stirring.need.every]}.` : '';
  });

  protected drilled(): void {
    this.screen.note({ type: 'stirred' });
    this.screen.note({ type: 'noted', text: 'Drilled up from the bottom and sieved.' });
  }
}
