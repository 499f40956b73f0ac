import { Clipboard } from '@angular/cdk/clipboard';
import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MatSort, MatSortHeader, type Sort } from '@angular/material/sort';
import { MatTableModule } from '@angular/material/table';
import { RouterLink } from '@angular/router';
import type { StudioPowder } from '@cazuela/contract';
import { apiResource } from '../../../data/http/api-resource';
import { StudioApi } from '../../../data/http/studio-api';
import { powderOrder } from '@cazuela/core';
import { Notice } from '../../../ui/notice';
import { Expansion } from '../../../ui/expansion';
import { isLow } from '../recipe-words';
import { Units } from '../../../data/units/units';
import { TextField } from '../../../ui/text-field';
import { ResourceState } from '../../../ui/resource-state';
import { EmptyState } from '../../../ui/empty-state';
import { PutAwayStore } from '../../../data/state/put-away-store';
import { PutAwayLink } from '../../../parts/records/put-away-link';

/** The powders of the studio on the shelf: how full each bag is, what is low, what a kilo costs. */
@Component({
  selector: 'cz-powder-shelf',
  imports: [EmptyState, Expansion, MatButton, MatSort, MatSortHeader, MatTableModule, PutAwayLink, ResourceState, RouterLink, TextField],
  templateUrl: './powder-shelf.html',
  styleUrl: './powder-shelf.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PowderShelf {
  private readonly api = inject(StudioApi);
  private readonly clipboard = inject(Clipboard);
  private readonly notice = inject(Notice);
  protected readonly units = inject(Units);
  private readonly away = inject(PutAwayStore);
  protected readonly all = apiResource(() => this.api.powders());
  private readonly powders = computed(() => this.away.without('powder', this.all.value() ?? []));
  protected readonly columns = ['name', 'bag', 'stock', 'price'];
  /** Until a column is chosen: what is low first, then what is there, then what was not counted. */
  protected readonly sort = signal<Sort>({ active: '', direction: '' });
  protected readonly filter = signal('');
  private readonly fullest = computed(() => Math.max(1, ...(this.all.value() ?? []).map((powder) => powder.stockGrams ?? 0)));
  protected readonly rows = computed(() => {
    const text = this.filter().trim().toLowerCase();
    return this.powders()
      .filter((powder) => powder.name.toLowerCase().includes(text) || powder.role.includes(text))
      .map((powder) => {
        const { stockGrams, lowGrams } = powder;
        const low = isLow(powder);
        return {
          powder,
          low,
          /** Square root, so that a jar of oxide is visible beside a sack of clay. */
          share: stockGrams === undefined ? 0 : Math.sqrt(Math.max(0, stockGrams) / this.fullest()),
          mark: lowGrams === undefined ? undefined : Math.sqrt(lowGrams / this.fullest()),
          words: stockWords(stockGrams, this.units),
          rank: low ? 0 : stockGrams === undefined ? 2 : 1,
        };
      })
      .sort((a, b) => this.compare(a, b) || a.rank - b.rank || a.powder.name.localeCompare(b.powder.name));
  });
  protected readonly order = computed(() => powderOrder({ powders: this.powders() }));
  protected readonly orderSum = computed(() => {
    const priced = this.order().filter((line) => line.cost !== undefined);
    const sum = priced.reduce((cost, line) => cost + line.cost!, 0);
    if (priced.length === 0) return '';
    return `${priced.length < this.order().length ? 'At least ' : ''}${this.units.money(sum)} in all.`;
  });
  protected readonly lowCount = computed(() => this.rows().filter((row) => row.low).length);

  protected readonly idOf = (_index: number, row: { powder: StudioPowder }): string => row.powder.id;

  private compare(a: { powder: StudioPowder }, b: { powder: StudioPowder }): number {
    const { active, direction } = this.sort();
    if (direction === '') return 0;
    const sign = direction === 'asc' ? 1 : -1;
    if (active === 'name') return sign * a.powder.name.localeCompare(b.powder.name);
    const figure = ({ powder }: { powder: StudioPowder }): number | undefined => (active === 'stock' ? powder.stockGrams : powder.pricePerKg);
    // What was never counted or priced comes last, whichever way.
    const [of, than] = [figure(a), figure(b)];
    return of === undefined || than === undefined ? Number(of === undefined) - Number(than === undefined) : sign * (of - than);
  }

  /** As a list that can be sent to whoever sells it. */
  protected copyOrder(): void {
    const list = this.order()
      .map((line) => `${line.name}: ${this.units.sack(line.buyGrams)}`)
      .join('\n');
    this.notice.tell(this.clipboard.copy(list) ? 'The list is copied.' : 'This browser does not let it be copied: print the list.');
  }

  protected printOrder(): void {
    window.print();
  }

  protected type(text: string): void {
    this.filter.set(text);
  }
}

/** More was taken than was ever counted: a bag came without a note. */
function stockWords(stockGrams: number | undefined, units: Units): string {
  if (stockGrams === undefined) return 'never counted';
  return stockGrams < 0 ? `${units.sack(-stockGrams)} more was taken than was counted: count it` : units.sack(stockGrams);
}
