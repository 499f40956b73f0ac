import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import { MatButton } from '@angular/material/button';

/** A failure in a sentence, with a button to try again. Every screen shows its failures with this. */
@Component({
  selector: 'cz-error-banner',
  imports: [MatButton],
  template: `
    @if (failure(); as words) {
      <div class="banner" role="alert">
        <p>{{ words }}</p>
        <button type="button" matButton="outlined" (click)="again.emit()">{{ action() }}</button>
      </div>
    }
  `,
  styles: `
    .banner {
      display: flex;
      flex-wrap: wrap;
      align-items: center;
      justify-content: space-between;
      gap: 0.5rem 1rem;
      margin: 0.8rem 0;
      padding: 0.6rem 0.9rem;
      border-left: 5px solid var(--oxblood);
      background: var(--oxblood-wash);
      border-radius: 6px;
    }
    p {
      flex: 1 1 16rem;
      font-weight: 600;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ErrorBanner {
  readonly failure = input<string | undefined>();
  readonly action = input('Try again');
  readonly again = output<void>();
}
