import { ChangeDetectionStrategy, Component, computed, effect, inject, input, untracked } from '@angular/core';
import { LiveAnnouncer } from '@angular/cdk/a11y';
import type { Pour } from '@cazuela/core';
import { Units } from '../../../data/units/units';

/** The weight as it changes, a bar that fills towards the target, and the last grams magnified. */
@Component({
  selector: 'cz-live-weight',
  // It changes ten times a second: what a screen reader is to hear of it is announced apart.
  host: { 'aria-live': 'off' },
  template: `
    <p class="net figure" [class.there]="pour().zone === 'there'" [class.over]="pour().zone === 'over'">
      {{ figure() }}<span class="unit">{{ units.massUnit() }}</span> <span class="word">{{ word() }}</span>
    </p>
    <div class="bar" role="progressbar" aria-label="Of this line" [attr.aria-valuenow]="percent()" aria-valuemin="0" aria-valuemax="100">
      <span [class]="pour().zone" [style.transform]="'scaleX(' + pour().share + ')'"></span>
    </div>
    <div class="lens" [class.shown]="pour().zone !== 'far'" aria-hidden="true">
      <span [class]="pour().zone" [style.transform]="'scaleX(' + pour().nearShare + ')'"></span>
      <em>the last {{ say(pour().nearGrams) }}</em>
    </div>
  `,
  styles: `
    :host {
      display: block;
      max-width: 46rem;
    }
    .net {
      font-size: clamp(2rem, 5vw, 3.4rem);
      font-weight: 600;
      line-height: 1.1;
      margin: 0.3rem 0;
      .unit {
        font-size: 0.5em;
        margin-left: 0.2em;
        color: var(--iron-wash);
      }
      .word {
        font: 600 1.15rem var(--text);
        margin-left: 0.6rem;
        color: var(--iron);
      }
    }
    .there {
      color: var(--copper);
    }
    .over {
      color: var(--oxblood);
    }
    .bar,
    .lens {
      position: relative;
      overflow: hidden;
      background: var(--slip);
      border-radius: 8px;
      span {
        position: absolute;
        inset: 0;
        transform-origin: left;
        background: var(--iron-wash);
      }
      .there {
        background: var(--copper);
      }
      .over {
        background: var(--oxblood);
      }
    }
    .bar {
      height: 16px;
    }
    .lens {
      height: 46px;
      margin-top: 6px;
      visibility: hidden;
      em {
        position: absolute;
        right: 0.8rem;
        top: 0.7rem;
        font: 600 0.95rem var(--text);
        color: var(--iron);
        background: var(--kaolin);
        padding: 0 0.5rem;
        border-radius: 5px;
      }
    }
    .shown {
      visibility: visible;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class LiveWeight {
  readonly pour = input.required<Pour>();
  readonly netGrams = input.required<number>();
  readonly divisionGrams = input.required<number>();
  readonly settled = input(false);
  readonly lifted = input(false);
  protected readonly units = inject(Units);
  protected readonly figure = computed(() => this.units.massFigure(this.netGrams(), this.divisionGrams()));
  protected readonly percent = computed(() => Math.round(100 * this.pour().share));
  protected readonly word = computed(() => {
    const { zone, missingGrams } = this.pour();
    if (this.lifted()) return 'pan lifted off';
    if (zone === 'over') return `${this.say(-missingGrams)} too much`;
    if (zone === 'there') return this.settled() ? 'there' : 'there, let it stand';
    return `${this.say(missingGrams)} more`;
  });

  constructor() {
    const announcer = inject(LiveAnnouncer);
    /** Which part of the way it is on: each is told once, with the weight at that moment. */
    const part = computed(() => `${this.pour().zone} ${this.settled()} ${this.lifted()}`);
    effect(() => {
      if (part().startsWith('far') && !this.lifted()) return;
      untracked(() => void announcer.announce(this.word(), 'assertive'));
    });
  }

  /** As the connected scale shows it. */
  protected say(grams: number): string {
    return `${this.units.massFigure(grams, this.divisionGrams())} ${this.units.massUnit()}`;
  }
}
