import { ChangeDetectionStrategy, Component, computed, input, output, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MOST_WARNINGS_SHOWN, type PlanFix, type Warning } from '@cazuela/core';
import { SentenceForm } from '../ui/sentence-form';
import { ExplainedText } from './words/explained-text';

/** What happens, why, and what to do: at most three at a time, worst first. Each can be put aside with a reason. */
@Component({
  selector: 'cz-warning-list',
  imports: [ExplainedText, MatButton, SentenceForm],
  template: `
    @for (warning of shown(); track warning.rule + warning.what) {
      <article [class]="'warning tone-' + warning.severity">
        <h3>
          <span class="tag">{{ warning.severity === 'stop' ? 'Stop' : 'Look' }}</span> {{ warning.what }}
        </h3>
        <p><cz-explained [text]="warning.why" /></p>
        <ul class="plain-list remedies">
          @for (remedy of warning.remedies; track remedy) {
            <li>{{ remedy }}</li>
          }
        </ul>
        @if (warning.fixes; as fixes) {
          <span class="row">
            @for (fix of fixes; track fix.words) {
              <button type="button" matButton="outlined" class="fix" (click)="fixed.emit(fix)">{{ fix.words }}</button>
            }
          </span>
        }
        @if (canPutAside()) {
          @if (asking() === warning.rule) {
            <cz-sentence-form label="Why it may stay so" action="Keep the reason" takesFocus [longest]="200" (kept)="aside(warning.rule, $event)" />
          } @else {
            <button type="button" matButton="text" (click)="asking.set(warning.rule)" [attr.aria-label]="'Put aside: ' + warning.what">
              Put aside …
            </button>
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
      gap: 0.7rem;
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
  /** Shown when there is nothing to warn of. */
  readonly calm = input('');
  readonly fixed = output<PlanFix>();
  readonly putAside = output<{ rule: string; reason: string }>();
  protected readonly asking = signal<string | undefined>(undefined);
  protected readonly shown = computed(() => this.warnings().slice(0, MOST_WARNINGS_SHOWN));
  protected readonly more = computed(() => this.warnings().length - this.shown().length);

  protected aside(rule: string, reason: string): void {
    this.asking.set(undefined);
    this.putAside.emit({ rule, reason });
  }
}
