import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import type { CoatDip } from '@cazuela/contract';
import { readCoat, OUTLIER_SDS } from '@cazuela/core';
import { createMutation } from '../../../data/http/mutation';
import { StudioApi } from '../../../data/http/studio-api';
import { formatWhen } from '../../../data/units/times';
import { Units } from '../../../data/units/units';
import { ErrorBanner } from '../../../ui/error-banner';
import { CoatScreen } from '../coat-screen';
import { dipWords } from '../coat-words';
import { SentenceForm } from '../../../ui/sentence-form';

/** Every measured dip of this glaze on this body: what the answer rests on, and what was left out with its reason. */
@Component({
  selector: 'cz-dips-list',
  imports: [ErrorBanner, MatButton, SentenceForm],
  template: `
    @if (list().length > 0) {
      <table class="sheet">
        @for (one of list(); track one.dip.id) {
          <tr [class.out]="one.dip.body.leftOut">
            <td class="quiet small nowrap">{{ when(one.dip.body.at) }}</td>
            <td>
              {{ one.words }}
              @if (one.odd) {
                <span class="look small">It does not fit the others: count it, or leave it out with a reason.</span>
              }
              @if (one.dip.body.leftOut) {
                <span class="quiet small">Left out: {{ one.dip.body.leftOut }}</span>
              }
            </td>
            <td>
              @if (one.dip.body.leftOut) {
                <button type="button" matButton="text" (click)="judge(one.dip, undefined)">Count it again</button>
              } @else if (asking() === one.dip.id) {
                <cz-sentence-form label="Why it does not count" action="Leave it out" takesFocus [longest]="200" (kept)="judge(one.dip, $event)" />
              } @else {
                <button type="button" matButton="text" [attr.aria-label]="'Leave out: ' + one.words" (click)="asking.set(one.dip.id)">
                  Leave out
                </button>
              }
            </td>
          </tr>
        }
      </table>
      <cz-error-banner [failure]="judging.failure()?.problem?.detail" (again)="reload()" />
    }
  `,
  styles: `
    .out td {
      color: var(--iron-wash);
    }
    .nowrap {
      white-space: nowrap;
    }
    table {
      margin-top: 0.8rem;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class DipsList {
  private readonly screen = inject(CoatScreen);
  private readonly api = inject(StudioApi);
  private readonly units = inject(Units);
  protected readonly judging = createMutation();
  protected readonly when = formatWhen;
  protected readonly asking = signal<string | undefined>(undefined);
  protected readonly list = computed(() => {
    const { glazeId, bodyId } = this.screen.pair();
    const odd = new Set(
      this.screen
        .learning()
        .fits.filter((fit) => Math.abs(fit.sds) > OUTLIER_SDS)
        .map((fit) => fit.id),
    );
    return (this.screen.all.value()?.dips ?? [])
      .filter((dip) => dip.body.glazeId === glazeId && dip.body.bodyId === bodyId)
      .map((dip) => ({ dip, odd: odd.has(dip.id), words: dipWords(dip.body, readCoat(dip.body.reading, dip.body), this.units) }))
      .sort((a, b) => b.dip.body.at.localeCompare(a.dip.body.at));
  });

  protected reload(): void {
    this.screen.all.reload();
  }

  protected judge(dip: CoatDip, leftOut: string | undefined): void {
    const { leftOut: _before, ...body } = dip.body;
    this.judging.run(this.api.updateCoatDip({ ...dip, body: { ...body, ...(leftOut ? { leftOut } : {}) } }), () => {
      this.asking.set(undefined);
      this.reload();
    });
  }
}
