import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MatSort, MatSortHeader, type Sort } from '@angular/material/sort';
import { MatTableModule } from '@angular/material/table';
import { RouterLink } from '@angular/router';
import { attempt, glassExpansion, glazeFit, recipeOxides, type GlazeFit, type OxideOfRecipe, type OxideRole } from '@cazuela/core';
import { combineLatest } from 'rxjs';
import { keyedResource } from '../../../data/http/api-resource';
import { StudioApi } from '../../../data/http/studio-api';
import { Units } from '../../../data/units/units';
import { ResourceState } from '../../../ui/resource-state';

const ROLES: readonly { role: OxideRole; name: string; does: string }[] = [
  { role: 'melter', name: 'Melters', does: 'bring the rest to melt; together they count as one' },
  { role: 'stiffener', name: 'Alumina', does: 'stiffens the melt: less of it runs, more of it stays dry' },
  { role: 'glass', name: 'Glass', does: 'silica and boron; boron melts early as well' },
  { role: 'colour', name: 'Colour and opacity', does: 'coloured and white oxides' },
];

const FIT_WORDS: Readonly<Record<GlazeFit['kind'], string>> = {
  mayCraze: 'it shrinks more than the clay as it cools: it may craze',
  fits: 'pressed together a little: it should hold',
  mayShiver: 'it shrinks much less than the clay as it cools: it may shiver and shed sharp flakes',
};

/** The oxides of a recipe: what each does in the melt, how much of it there is, and the powders that bring it. */
@Component({
  selector: 'cz-oxides-page',
  imports: [MatButton, MatSort, MatSortHeader, MatTableModule, ResourceState, RouterLink],
  templateUrl: './oxides-page.html',
  styleUrl: './oxides-page.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class OxidesPage {
  readonly id = input.required<string>();
  private readonly api = inject(StudioApi);
  protected readonly units = inject(Units);
  protected readonly all = keyedResource(
    () => this.id(),
    (id) => combineLatest({ recipe: this.api.recipe(id), powders: this.api.powders(), bodies: this.api.bodies() }),
  );
  protected readonly columns = ['oxide', 'moles', 'fired', 'grams', 'from'];
  protected readonly sort = signal<Sort>({ active: 'moles', direction: 'desc' });
  protected readonly found = computed(() => {
    const all = this.all.value();
    return all && attempt(() => recipeOxides({ lines: all.recipe.body.lines, powders: all.powders }));
  });
  private readonly oxides = computed(() => {
    const found = this.found();
    return found?.kind === 'ok' ? found.value.oxides : [];
  });
  protected readonly rows = computed(() => {
    const { active, direction } = this.sort();
    const sign = direction === 'asc' ? 1 : -1;
    return direction === '' ? this.oxides() : [...this.oxides()].sort((a, b) => sign * compare(active, a, b));
  });
  /** Bars of one length for one mole, the longest as wide as there is room. */
  protected readonly groups = computed(() => {
    const most = Math.max(1, ...this.oxides().map((one) => one.unityMoles ?? 0));
    return ROLES.map((group) => ({
      ...group,
      bars: this.oxides()
        .filter((one) => one.role === group.role && one.unityMoles !== undefined)
        .map((one) => ({ oxide: one.oxide, moles: this.units.plain(one.unityMoles!), share: (100 * one.unityMoles!) / most })),
    })).filter((group) => group.bars.length > 0);
  });

  /** How much it expands were it all glass; undefined where an analysis is missing. */
  protected readonly glass = computed(() => {
    const found = this.found();
    if (found?.kind !== 'ok' || found.value.unknown.length > 0) return undefined;
    const moles = Object.fromEntries(found.value.oxides.flatMap(({ oxide, unityMoles }) => (unityMoles === undefined ? [] : [[oxide, unityMoles]])));
    return glassExpansion({ moles });
  });
  /** On each clay whose expansion somebody measured. */
  protected readonly fits = computed(() => {
    const glass = this.glass();
    if (!glass || glass.isOutside) return [];
    return (this.all.value()?.bodies ?? []).flatMap(({ name, expansion }) => {
      if (expansion === undefined) return [];
      const { kind, bodyLessGlaze } = glazeFit({ bodyExpansion: expansion, glazeExpansion: glass.expansion });
      return [{ name, kind, words: FIT_WORDS[kind], difference: signed(bodyLessGlaze) }];
    });
  });

  /** SiO₂ as it is printed. */
  protected formula(oxide: string): string {
    return oxide.replace(/\d/g, (digit) => '₀₁₂₃₄₅₆₇₈₉'[Number(digit)]!);
  }

  protected from(row: OxideOfRecipe): string {
    return row.from.map(({ powder, grams }) => `${powder} ${this.units.plain(grams)}`).join(', ');
  }
}

/** To a tenth; nothing has no sign. */
function signed(difference: number): string {
  const tenths = Math.round(10 * difference);
  return `${tenths < 0 ? '−' : tenths > 0 ? '+' : ''}${(Math.abs(tenths) / 10).toFixed(1)}`;
}

function compare(column: string, a: OxideOfRecipe, b: OxideOfRecipe): number {
  if (column === 'oxide') return a.oxide.localeCompare(b.oxide);
  return column === 'moles' ? (a.unityMoles ?? 0) - (b.unityMoles ?? 0) : a.grams - b.grams;
}
