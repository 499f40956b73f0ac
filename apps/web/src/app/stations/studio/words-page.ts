import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { inject } from '@angular/core';
import { Router } from '@angular/router';
import { CRAFT_WORDS } from '../../parts/words/craft-words';
import { EmptyState } from '../../ui/empty-state';
import { TextField } from '../../ui/text-field';

/** Every word of the craft and of ours, found by typing. */
@Component({
  selector: 'cz-words-page',
  imports: [EmptyState, TextField],
  template: `
    <div class="page">
      <div class="spread">
        <h1>Words</h1>
        <cz-text-field label="Word" labelHidden type="search" placeholder="a word" [value]="called() ?? ''" (changed)="show($event)" />
      </div>
      <dl>
        @for (row of rows(); track row[0]) {
          <div>
            <dt>{{ row[0] }}</dt>
            <dd>{{ row[1] }}</dd>
          </div>
        } @empty {
          <cz-empty-state words="No word here is like that." />
        }
      </dl>
    </div>
  `,
  styles: `
    dl > div {
      display: grid;
      grid-template-columns: minmax(8rem, 14rem) minmax(0, 1fr);
      gap: 0.2rem 1rem;
      padding: 0.5rem 0;
      border-bottom: 1px solid var(--line);
    }
    dt {
      font-weight: 650;
    }
    dd {
      margin: 0;
    }
    @media (max-width: 600px) {
      dl > div {
        grid-template-columns: minmax(0, 1fr);
      }
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class WordsPage {
  /** From the address. */
  readonly called = input<string>();
  private readonly router = inject(Router);
  protected readonly rows = computed(() => {
    const called = (this.called() ?? '').trim().toLowerCase();
    const isNamed = ([words]: readonly [string, string]): boolean => words.toLowerCase().includes(called);
    // Words that are called so come before those whose meaning mentions it.
    return [...CRAFT_WORDS.filter(isNamed), ...(called ? CRAFT_WORDS.filter((row) => !isNamed(row) && row[1].toLowerCase().includes(called)) : [])];
  });

  protected show(called: string): void {
    void this.router.navigate([], { queryParams: { called: called || null }, replaceUrl: true });
  }
}
