import { ChangeDetectionStrategy, Component, computed, inject, viewChild, type ElementRef } from '@angular/core';
import { MatButton } from '@angular/material/button';
import type { PutAside, RunForecast, SafeLine } from '@cazuela/core';
import { Units } from '../../../../data/units/units';
import { WarningList } from '../../../../parts/warning-list';
import { dragView } from '../draft/drag-view';
import { PieceDraft } from '../draft/piece-draft';
import { PieceScreen } from '../piece-screen';
import { verdictWords } from '../run/run-words';

/** One chance, one safe line, and what speaks against the plan, the worst in full. The chance follows a drag. */
@Component({
  selector: 'cz-plan-verdict',
  imports: [MatButton, WarningList],
  template: `
    <section #top class="verdict" aria-label="Verdict" tabindex="-1">
      @if (run(); as it) {
        <p class="runs">
          <span [class]="'figure big ' + it.tone">{{ it.figure }}</span> {{ it.words }}
          <span class="more"
            >{{ it.line }} <span class="quiet small">{{ it.basis }}</span></span
          >
        </p>
      } @else {
        <p class="quiet">Nothing is on it yet that could run.</p>
      }
    </section>
    <section aria-label="Warnings" aria-live="polite">
      <cz-warning-list
        [warnings]="screen.warnings()"
        [canPutAside]="true"
        [folded]="true"
        calm="Nothing speaks against it."
        (putAside)="putAside($event)"
        (fixed)="draft.plan($event.change)"
      />
      @for (entry of screen.settledBody()?.plan?.putAside; track entry.rule) {
        <p class="small quiet aside">
          Put aside ({{ entry.rule }}): {{ entry.reason }}
          <button type="button" matButton="text" (click)="takeBack(entry.rule)">Warn again</button>
        </p>
      }
    </section>
  `,
  styles: `
    :host {
      display: grid;
      gap: 0.5rem;
    }
    .runs {
      line-height: 1.35;
    }
    .big {
      font-size: 1.7rem;
      font-weight: 600;
    }
    // On a phone it stays on top of what is scrolled; the bench of the run tells the rest.
    @media (max-width: 700px) {
      :host {
        display: contents;
      }
      .verdict {
        position: sticky;
        top: 0;
        z-index: 3;
        padding: 0.2rem 0;
        background: var(--kaolin);
        border-bottom: 1px solid var(--line);
      }
      .more {
        display: none;
      }
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PlanVerdict {
  protected readonly draft = inject(PieceDraft);
  protected readonly screen = inject(PieceScreen);
  private readonly units = inject(Units);
  private readonly top = viewChild.required<ElementRef<HTMLElement>>('top');
  private readonly settled = computed(() => this.words(this.screen.run.forecast(), this.screen.run.safeLine()));
  protected readonly run = dragView(this.settled, () => this.words(this.screen.movedForecast(), undefined) ?? this.settled());

  focus(): void {
    this.top().nativeElement.focus();
  }

  private words(forecast: RunForecast | undefined, line: SafeLine | undefined): ReturnType<typeof verdictWords> {
    const plan = this.screen.settledBody()?.plan;
    return forecast && plan && verdictWords(forecast, line, { plan, shape: this.screen.restedShape(), units: this.units });
  }

  protected putAside(entry: PutAside): void {
    const others = this.draft.body()!.plan.putAside.filter(({ rule }) => rule !== entry.rule);
    this.draft.plan({ putAside: [...others, entry] });
  }

  protected takeBack(rule: string): void {
    this.draft.plan({ putAside: this.draft.body()!.plan.putAside.filter((entry) => entry.rule !== rule) });
  }
}
