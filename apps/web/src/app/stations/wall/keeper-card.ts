import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { Router, RouterLink } from '@angular/router';
import type { Result } from '@cazuela/contract';
import { keyedResource } from '../../data/http/api-resource';
import { createMutation } from '../../data/http/mutation';
import { StudioApi } from '../../data/http/studio-api';
import { Keepers, type CheckedKeeper } from '../../data/results/keepers';
import { formatDate } from '../../data/units/times';
import { Units } from '../../data/units/units';
import { ErrorBanner } from '../../ui/error-banner';
import { ResourceState } from '../../ui/resource-state';
import { sinceWords } from './keeper-words';

/** One keeper: how it was made, what has changed since and what that may do, and the way to make it again. */
@Component({
  selector: 'cz-keeper-card',
  imports: [ErrorBanner, MatButton, ResourceState, RouterLink],
  templateUrl: './keeper-card.html',
  styleUrl: './keeper-card.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class KeeperCard {
  readonly piece = input.required<CheckedKeeper['piece']>();
  readonly result = input<Result>();
  protected readonly api = inject(StudioApi);
  private readonly units = inject(Units);
  private readonly keepers = inject(Keepers);
  private readonly router = inject(Router);
  protected readonly making = createMutation();
  protected readonly since = keyedResource(
    () => this.piece(),
    (piece) => this.keepers.check(piece),
  );
  protected readonly keeper = computed(() => this.piece().body.keeper);
  protected readonly changes = computed(() => (this.since.value() ?? []).map((one) => sinceWords(one, this.units)));
  protected readonly glazes = computed(() =>
    this.keeper().glazes.map(({ name, recipeVersion, coatMm, seconds, secondsPlanned, sg }) => ({
      name: `${name}${recipeVersion === undefined ? '' : `, version ${recipeVersion}`}`,
      coat: coatMm === undefined ? '' : this.units.coat(coatMm),
      seconds: seconds === undefined ? '' : `${this.units.seconds(seconds)}${secondsPlanned ? ' planned' : ''}`,
      sg: sg === undefined ? '' : `SG ${this.units.sg(sg)}`,
    })),
  );
  protected readonly glazedOn = computed(() => formatDate(this.keeper().glazedAt));

  protected again(): void {
    this.making.run(this.keepers.again(this.piece()), ({ id }) => void this.router.navigate(['/piece', id]));
  }
}
