import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { MatDialogRef, MatDialogModule } from '@angular/material/dialog';
import { Router } from '@angular/router';
import type { SearchHit } from '@cazuela/contract';
import { catchError, debounceTime, of, switchMap } from 'rxjs';
import { StudioApi } from '../data/http/studio-api';
import { TextField } from '../ui/text-field';
import { meaningOf } from '../parts/words/explain';

/** Searches only after typing has paused for this long, ms. */
const PAUSE_MS = 120;
const WORDS: Record<SearchHit['kind'], string> = {
  bucket: 'bucket',
  recipe: 'recipe',
  piece: 'piece',
  powder: 'powder',
  series: 'series',
  tile: 'tile',
  runner: 'runner tile',
  body: 'clay body',
};
/** The address of each kind. */
const PATHS: Record<SearchHit['kind'], string> = {
  bucket: '/bucket',
  recipe: '/recipe',
  piece: '/piece',
  powder: '/recipe/powders',
  series: '/weigh/series',
  tile: '/coat/tile',
  runner: '/piece/runners',
  body: '/studio/bodies',
};

@Component({
  selector: 'cz-palette',
  imports: [MatDialogModule, TextField],
  template: `
    <mat-dialog-content>
      <cz-text-field
        label="Name or code"
        type="search"
        [value]="text()"
        (changed)="text.set($event)"
        (keydown.enter)="open(hits()[0])"
        (keydown.arrowDown)="$event.preventDefault(); list.querySelector('button')?.focus()"
      />
      <ul #list class="plain-list ruled" aria-label="Found">
        @for (hit of hits(); track hit.id) {
          <li>
            <button
              type="button"
              class="hit"
              (click)="open(hit)"
              (keydown.arrowDown)="focusNext($event, 1)"
              (keydown.arrowUp)="focusNext($event, -1)"
            >
              <strong>{{ hit.name }}</strong> <span class="quiet">{{ words[hit.kind] }} {{ hit.code }}</span>
            </button>
          </li>
        } @empty {
          @if (text()) {
            <li class="quiet none">Nothing here is called that.</li>
          }
        }
      </ul>
      @if (meaning(); as word) {
        <p class="meaning">
          <strong>{{ text() }}</strong> {{ word }}
        </p>
      }
    </mat-dialog-content>
  `,
  styles: `
    ul {
      margin-top: 0.8rem;
    }
    .hit {
      display: flex;
      align-items: center;
      justify-content: space-between;
      width: 100%;
      min-height: 48px;
      padding: 0.4rem 0.5rem;
      border: 0;
      background: none;
      color: inherit;
      font: inherit;
      text-align: left;
      cursor: pointer;
    }
    .hit:hover {
      background: var(--slip);
    }
    .meaning {
      padding: 0.6rem 0.5rem;
    }
    .none {
      padding: 0.6rem 0.5rem;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class Palette {
  private readonly api = inject(StudioApi);
  private readonly router = inject(Router);
  private readonly dialog = inject(MatDialogRef);
  protected readonly words = WORDS;
  protected readonly text = signal('');
  /** A word of the craft is explained right here. */
  protected readonly meaning = computed(() => meaningOf(this.text().trim()));
  protected readonly hits = toSignal(
    toObservable(this.text).pipe(
      debounceTime(PAUSE_MS),
      switchMap((text) => (text.trim() ? this.api.search(text.trim()).pipe(catchError(() => of([]))) : of([]))),
    ),
    { initialValue: [] as SearchHit[] },
  );

  protected open(hit: SearchHit | undefined): void {
    if (!hit) return;
    this.dialog.close();
    void this.router.navigate([PATHS[hit.kind], hit.id]);
  }

  protected focusNext(event: Event, by: 1 | -1): void {
    event.preventDefault();
    const buttons = [...(event.target as HTMLElement).closest('ul')!.querySelectorAll('button')];
    buttons[buttons.indexOf(event.target as HTMLButtonElement) + by]?.focus();
  }
}
