import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { ScaleFeed } from '../../../data/devices/scale-feed';
import { StudioStore } from '../../../data/state/studio-store';

/** Buttons for the practice scale: a pan, a stream, a pinch. It is simulated, and says so. */
@Component({
  selector: 'cz-scale-panel',
  templateUrl: './scale-panel.html',
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
        return this.store.studio()?.demo === false
          ? 'It shows how a connected scale works: a batch weighed with it is practice, takes nothing off the shelf and makes no bucket.'
          : 'No powder is weighed here: it shows how a connected scale works.';
    }
  });

  protected pour(gramsPerSecond: number): void {
    this.feed.send({ kind: 'pour', gramsPerSecond });
  }
}
