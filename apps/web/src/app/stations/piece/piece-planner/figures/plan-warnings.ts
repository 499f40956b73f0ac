import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { WarningList } from '../../../../parts/warning-list';
import { PieceDraft } from '../draft/piece-draft';
import { PieceScreen } from '../piece-screen';

/** What speaks against the plan, with remedies, and what was put aside with its reason. */
@Component({
  selector: 'cz-plan-warnings',
  imports: [MatButton, WarningList],
  template: `
    <section aria-label="Warnings" aria-live="polite">
      <cz-warning-list
        [warnings]="screen.warnings()"
        [canPutAside]="true"
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
    .aside {
      margin-top: 0.5rem;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PlanWarnings {
  protected readonly draft = inject(PieceDraft);
  protected readonly screen = inject(PieceScreen);

  protected putAside(entry: { rule: string; reason: string }): void {
    this.draft.plan({ putAside: [...this.draft.body()!.plan.putAside, entry] });
  }

  protected takeBack(rule: string): void {
    this.draft.plan({ putAside: this.draft.body()!.plan.putAside.filter((entry) => entry.rule !== rule) });
  }
}
