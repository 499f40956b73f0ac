import { ChangeDetectionStrategy, Component, computed, input, output, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MOST_WARNINGS_SHOWN, type PlanFix, type PutAside, type Warning } from '@cazuela/core';
import { SentenceForm } from '../ui/sentence-form';
import { ExplainedText } from './words/explained-text';

/** What happens, why, and what to do: at most three at a time, worst first. Each can be put aside with a reason. */
@Component({
  selector: 'cz-warning-list',
  imports: [ExplainedText, MatButton, SentenceForm],
  template: `
    @for (warning of shown(); track warning.rule + warning.what) {
      <article [class]="'warning tone-' + warning.severity" [class.line]="folded() && $index !== open()" [class.tight]="folded()">
        <h3 [attr.title]="folded() ? warning.what : null">
          <span class="tag">{{ warning.severity === 'stop' ? 'Stop' : 'Look' }}</span> {{ warning.what }}
        </h3>
        @if (folded() && $index !== open()) {
          <button type="button" matButton="text" [attr.aria-label]="'What to do: ' + warning.what" (click)="opened.set($index)">What to do</button>
        }
        @if (!folded() || $index === open()) {
          <p><cz-explained [text]="warning.why" /></p>
          <ul class="plain-list remedies">
            @for (remedy of warning.remedies; track remedy) {
              <li>{{ remedy }}</li>
            }
          </ul>
          <span class="row">
            @for (fix of warning.fixes; track fix.words) {
              <button type="button" matButton="outlined" class="fix" (click)="fixed.emit(fix)">{{ fix.words }}</button>
            }
            @if (canPutAside() && asking() !== warning.rule) {
              <button type="button" matButton="text" (click)="asking.set(warning.rule)" [attr.aria-label]="'Put aside: ' + warning.what">
                Put aside …
              </button>
            }
          </span>
          @if (canPutAside() && asking() === warning.rule) {
            <cz-sentence-form label="Why it may stay so" action="Keep the reason" takesFocus [longest]="200" (kept)="aside(warning, $event)" />
          }
        }
      </article>
    } @empty {
      @if (calm()) {
        <p class="good">{{ calm() }}</p>
      }
    }
    @if (more() > 0) {
      <p class="quiet small">{{ more() }} more below these: settle the first ones.</p>
    }
  `,
  styles: `
    :host {
      display: grid;
      gap: 0.5rem;
    }
    .warning {
      padding: 0.65rem 0.9rem 0.35rem;
      border-left: 5px solid var(--rutile);
      background: var(--rutile-wash);
      border-radius: 6px;
      display: grid;
      gap: 0.2rem;
      justify-items: start;
    }
    .warning.tone-stop {
      border-color: var(--oxblood);
      background: var(--oxblood-wash);
    }
    .tight {
      padding-block: 0.4rem 0.2rem;
      h3 {
        font-size: 0.97rem;
      }
      p,
      .remedies {
        font-size: 0.9rem;
        line-height: 1.3;
      }
      .row {
        gap: 0.3rem 0.5rem;
      }
    }
    // One line each: the whole of it is a tap away.
    .line {
      grid-template-columns: minmax(0, 1fr) auto;
      justify-items: stretch;
      gap: 0.6rem;
      align-items: center;
      padding-block: 0;
      h3 {
        justify-self: stretch;
        min-width: 0;
        overflow: hidden;
        text-overflow: ellipsis;
        white-space: nowrap;
        font-weight: 500;
      }
      .mat-mdc-button {
        min-height: 44px;
      }
    }
    .tag {
      font: 650 0.78rem/1 var(--text);
      text-transform: uppercase;
      letter-spacing: 0.04em;
      color: var(--rutile);
    }
    .tone-stop .tag {
      color: var(--oxblood);
    }
    h3 {
      font-size: 1rem;
    }
    p {
      font-size: 0.95rem;
    }
    .remedies {
      display: flex;
      flex-wrap: wrap;
      gap: 0.1rem 1.1rem;
      font-size: 0.95rem;
      font-weight: 600;
    }
    .remedies li::before {
      content: '→ ';
      color: var(--iron-wash);
    }
    .fix {
      margin-top: 0.3rem;
    }
    .mat-mdc-button {
      min-height: 44px;
      padding: 0;
      font-size: 0.92rem;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class WarningList {
  readonly warnings = input.required<readonly Warning[]>();
  readonly canPutAside = input(false);
  /** Only one is shown in full, the worst until another is asked for. */
  readonly folded = input(false);
  /** Shown when there is nothing to warn of. */
  readonly calm = input('');
  readonly fixed = output<PlanFix>();
  readonly putAside = output<PutAside>();
  protected readonly opened = signal(0);
  protected readonly open = computed(() => Math.min(this.opened(), Math.max(0, this.shown().length - 1)));
  protected readonly asking = signal<string | undefined>(undefined);
  protected readonly shown = computed(() => this.warnings().slice(0, MOST_WARNINGS_SHOWN));
  protected readonly more = computed(() => this.warnings().length - this.shown().length);

  /** With how bad it is now, so that it comes back once it is worse. */
  protected aside({ rule, severity, badness }: Warning, reason: string): void {
    this.asking.set(undefined);
    this.putAside.emit({ rule, reason, severity, ...(badness === undefined ? {} : { badness }) });
  }
}
