import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import { MatButton } from '@angular/material/button';

/** Somebody saved first: both are kept, one is chosen. */
@Component({
  selector: 'cz-two-versions',
  imports: [MatButton],
  template: `
    <section class="both" role="alert" aria-label="Changed meanwhile">
      <h2>Changed meanwhile</h2>
      <p>{{ detail() }}</p>
      @if (differences().length > 0) {
        <p>Both of you changed {{ differences().join('; ') }}.</p>
      }
      <div class="sides">
        <div>
          <h3>In the records now</h3>
          <p>{{ theirs() }}</p>
          <button type="button" matButton="outlined" (click)="takeTheirs.emit()">Take theirs</button>
        </div>
        <div>
          <h3>On this screen</h3>
          <p>{{ mine() }}</p>
          <button type="button" matButton="filled" (click)="keepMine.emit()">Keep mine, as the newest version</button>
        </div>
      </div>
    </section>
  `,
  styles: `
    .both {
      display: grid;
      gap: 0.6rem;
      margin: 1rem 0;
      padding: 1rem;
      border: 2px solid var(--rutile);
      border-radius: var(--round);
      background: var(--rutile-wash);
    }
    .sides {
      display: grid;
      grid-template-columns: repeat(auto-fit, minmax(240px, 1fr));
      gap: 1rem;
    }
    .sides > div {
      display: grid;
      gap: 0.5rem;
      align-content: space-between;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class TwoVersions {
  readonly detail = input.required<string>();
  readonly theirs = input.required<string>();
  readonly mine = input.required<string>();
  /** What both changed to something different. */
  readonly differences = input<readonly string[]>([]);
  readonly takeTheirs = output<void>();
  readonly keepMine = output<void>();
}
