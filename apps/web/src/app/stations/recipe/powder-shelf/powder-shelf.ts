import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { RouterLink } from '@angular/router';
import { apiResource } from '../../../data/http/api-resource';
import { StudioApi } from '../../../data/http/studio-api';
import { Units } from '../../../data/units/units';
import { TextField } from '../../../ui/text-field';
import { ResourceState } from '../../../ui/resource-state';
import { EmptyState } from '../../../ui/empty-state';

/** The powders of the studio on the shelf: how full each bag is, what is low, what a kilo costs. */
@Component({
  selector: 'cz-powder-shelf',
  imports: [EmptyState, MatButton, ResourceState, RouterLink, TextField],
  templateUrl: './powder-shelf.html',
  styleUrl: './powder-shelf.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PowderShelf {
  private readonly api = inject(StudioApi);
  protected readonly units = inject(Units);
  protected readonly all = apiResource(() => this.api.powders());
  protected readonly filter = signal('');
  private readonly fullest = computed(() => Math.max(1, ...(this.all.value() ?? []).map((powder) => powder.stockGrams ?? 0)));
  /** What is low first, then what is there, then what was not counted. */
  protected readonly rows = computed(() => {
    const text = this.filter().trim().toLowerCase();
    return (this.all.value() ?? [])
      .filter((powder) => powder.name.toLowerCase().includes(text) || powder.role.includes(text))
      .map((powder) => {
        const { stockGrams, lowGrams } = powder;
        const low = stockGrams !== undefined && stockGrams <= (lowGrams ?? 0);
        return {
          powder,
          low,
          /** Square root, so that a jar of oxide is visible beside a sack of clay. */
          share: stockGrams === undefined ? 0 : Math.sqrt(Math.max(0, stockGrams) / this.fullest()),
          mark: lowGrams === undefined ? undefined : Math.sqrt(lowGrams / this.fullest()),
          words: stockGrams === undefined ? 'never counted' : this.units.sack(Math.max(0, stockGrams)),
          rank: low ? 0 : stockGrams === undefined ? 2 : 1,
        };
      })
      .sort((a, b) => a.rank - b.rank || a.powder.name.localeCompare(b.powder.name));
  });
  protected readonly lowCount = computed(() => this.rows().filter((row) => row.low).length);

  protected type(text: string): void {
    this.filter.set(text);
  }
}
