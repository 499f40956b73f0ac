import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { RouterLink } from '@angular/router';
import { combinationKey, wallCells, type Combination } from '@cazuela/core';
import { apiResource } from '../data/http/api-resource';
import { WallTests } from '../data/results/wall-tests';

/** More is for the wall itself. */
const MOST = 3;

/** Says where what is about to be made was made before, so that nobody repeats a test without knowing. Nothing where it is new. */
@Component({
  selector: 'cz-made-before',
  imports: [RouterLink],
  template: `
    @for (cell of made(); track cell.key) {
      <p class="small" role="status">You have made this one: {{ cell.words }}. <a routerLink="/wall/glazes" [queryParams]="cell.query">See</a></p>
    }
  `,
  styles: `
    :host {
      display: contents;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class MadeBefore {
  /** By the ids of their glazes: recipes, or buckets of glazes without one. */
  readonly combinations = input.required<readonly Combination[]>();
  /** Any clay, or any cone, where left out. */
  readonly bodyId = input<string>();
  readonly cone = input<string>();
  private readonly wall = inject(WallTests);
  /** Beside what is being made: it delays nothing, and a failure hides nothing. */
  private readonly all = apiResource(() => this.wall.all());
  protected readonly made = computed(() => {
    const wall = this.all.value();
    if (!wall) return [];
    const slice = { bodyId: this.bodyId() || undefined, cone: this.cone() || undefined };
    const cells = wallCells(wall.tests, slice);
    const name = (id: string): string => wall.glazes.find((glaze) => glaze.id === id)?.name ?? 'a glaze';
    return this.combinations()
      .flatMap((combination) => {
        const key = combinationKey(combination);
        const cell = cells.get(key);
        if (!cell || cell.fired === 0) return [];
        const { upperId, lowerId } = combination;
        const what = `${name(upperId)} ${lowerId === undefined ? 'on the clay' : `over ${name(lowerId)}`}`;
        const times = cell.fired === 1 ? 'fired once' : `fired ${cell.fired} times`;
        const stars = cell.stars === undefined ? '' : `, ${'★'.repeat(cell.stars)}${cell.isDisputed ? ', verdicts disagree' : ''}`;
        return [{ key, words: `${what}, ${times}${stars}`, query: { cell: key, ...(slice.bodyId ? { clay: slice.bodyId } : {}) } }];
      })
      .slice(0, MOST);
  });
}
