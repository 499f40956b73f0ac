import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { ScaleFeed } from '../../../data/scale-feed';
import { StudioStore } from '../../../data/studio-store';

/** Hands for the practice scale: a pan, a stream, a pinch. It is simulated, and says so. */
@Component({
  selector: 'cz-scale-panel',
  template: `
    @if (feed.scale(); as scale) {
      <p class="small">
        <strong>{{ scale.name }}, practice.</strong> {{ words() }}
      </p>
      <div class="practice" role="group" aria-label="Pour by hand on the practice scale">
        <button type="button" [disabled]="!feed.hears()" (click)="feed.send({ kind: 'put', grams: 150 })">A pan on it</button>
        <button
          type="button"
          [disabled]="!feed.hears()"
          (pointerdown)="pour(120)"
          (pointerup)="pour(0)"
          (pointerleave)="pour(0)"
          (keydown.enter)="pour(120)"
          (keyup)="pour(0)"
        >
          Pour (hold)
        </button>
        <button
          type="button"
          [disabled]="!feed.hears()"
          (pointerdown)="pour(8)"
          (pointerup)="pour(0)"
          (pointerleave)="pour(0)"
          (keydown.enter)="pour(8)"
          (keyup)="pour(0)"
        >
          Trickle (hold)
        </button>
        <button type="button" [disabled]="!feed.hears()" (click)="feed.send({ kind: 'put', grams: scale.divisionGrams })">A pinch</button>
        <button type="button" [disabled]="!feed.hears()" (click)="feed.send({ kind: 'put', grams: -scale.divisionGrams * 5 })">Spoon some out</button>
        <button type="button" [disabled]="!feed.hears()" (click)="feed.send({ kind: 'clear' })">Clear it</button>
        @if (feed.now().kind === 'silent') {
          <button type="button" [disabled]="!feed.hears()" (click)="feed.send({ kind: 'plug', in: true })">Plug it in</button>
        } @else {
          <button type="button" [disabled]="!feed.hears()" (click)="feed.send({ kind: 'plug', in: false })">Unplug it</button>
        }
        <button type="button" (click)="feed.listenTo(null)">Read by eye</button>
      </div>
    } @else {
      <div class="practice" role="group" aria-label="Connect a scale">
        @for (scale of store.studio()?.scales ?? []; track scale.id) {
          <button type="button" (click)="feed.listenTo(scale.id)">Practise with {{ scale.name }}</button>
        }
      </div>
    }
  `,
  styles: `
    :host {
      display: block;
      padding: 0.5rem 2.5rem;
      border-top: 1px solid var(--line);
    }
    .practice {
      display: flex;
      flex-wrap: wrap;
      gap: 0.4rem;
    }
    button {
      min-height: 64px;
      padding: 0 1rem;
      border: 1.5px solid var(--cobalt);
      border-radius: var(--round);
      background: none;
      color: var(--cobalt);
      font: 600 0.95rem var(--text);
      cursor: pointer;
      touch-action: none;
    }
    button:disabled {
      border-color: var(--line);
      color: var(--iron-wash);
      cursor: default;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ScalePanel {
  protected readonly feed = inject(ScaleFeed);
  protected readonly store = inject(StudioStore);
  protected readonly words = computed(() => {
    switch (this.feed.now().kind) {
      case 'connecting':
        return 'Being connected …';
      case 'away':
        return 'The line to it broke; it is opened again by itself. What was weighed is kept.';
      case 'silent':
        return 'Nothing comes from it: is it plugged in? What was weighed is kept; type the weight, or plug it in and go on.';
      case 'overload':
        return 'More is on it than it can weigh: take some off.';
      default:
        return 'No powder is weighed here: it shows how a connected scale works.';
    }
  });

  protected pour(gramsPerSecond: number): void {
    this.feed.send({ kind: 'pour', gramsPerSecond });
  }
}
