import { ChangeDetectionStrategy, Component, computed, inject, input, linkedSignal, signal } from '@angular/core';
import { MatIcon } from '@angular/material/icon';
import { RouterLink } from '@angular/router';
import { bodyBodySchema, bodySchema, type BisqueLot, type BodyBody, type ClayBody } from '@cazuela/contract';
import { absorptionGuessPercent, attempt, wallSuctionGuess } from '@cazuela/core';
import { v7 as uuid } from 'uuid';
import { createMutation } from '../../../data/http/mutation';
import { apiResource } from '../../../data/http/api-resource';
import { StudioApi } from '../../../data/http/studio-api';
import { Units } from '../../../data/units/units';
import { Loading } from '../../../ui/loading';
import { NumberField } from '../../../ui/number-field';
import { ErrorBanner } from '../../../ui/error-banner';
import { TwoVersions } from '../../../parts/two-versions';
import { LotCard } from './lot-card';
import { TextField } from '../../../ui/text-field';
import { SelectField } from '../../../ui/select-field';
import { Checkbox } from '../../../ui/checkbox';
import { ColourField } from '../../../ui/colour-field';
import { CONE_OPTIONS } from '../../../data/units/cone-options';

const FIGURES = [
  ['shrinkagePercent', 'Shrinkage, wet to fired', '%', 30],
  ['absorptionPercent', 'Bisque drinks, if measured', '%', 40],
  ['expansion', 'Expansion, if measured', '10⁻⁶/°C', 20],
] as const;

/** The card of a clay body and of its bisque firings: coat, order and running rest on it. */
@Component({
  selector: 'cz-body-page',
  imports: [Checkbox, ColourField, ErrorBanner, Loading, LotCard, MatIcon, NumberField, RouterLink, SelectField, TextField, TwoVersions],
  templateUrl: './body-page.html',
  styleUrl: './body-page.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class BodyPage {
  readonly id = input.required<string>();
  private readonly api = inject(StudioApi);
  protected readonly units = inject(Units);
  protected readonly cones = CONE_OPTIONS;
  protected readonly figures = FIGURES;
  protected readonly saving = createMutation();
  protected readonly bodies = apiResource(() => this.api.bodies());
  private readonly known = computed(() => this.bodies.value()?.find((body) => body.id === this.id()));
  protected readonly missing = computed(() => this.bodies.value() !== undefined && this.known() === undefined);
  /** Typed here and not saved; a newer card from the records does not overwrite it. */
  private readonly edited = signal<ClayBody | undefined>(undefined);
  protected readonly draft = linkedSignal<ClayBody | undefined>(() => this.edited() ?? this.known());
  protected readonly isChanged = computed(() => this.edited() !== undefined && JSON.stringify(this.edited()) !== JSON.stringify(this.known()));
  protected readonly problem = computed(() => {
    const draft = this.draft();
    if (!draft) return '';
    const { id: _id, version: _version, ...body } = draft;
    const checked = bodyBodySchema.safeParse(body);
    return checked.success ? '' : (checked.error.issues[0]?.message ?? '');
  });
  /** What is used where nothing was measured. */
  protected readonly guess = computed(() => {
    const draft = this.draft();
    const asked = draft && attempt(() => ({ absorption: absorptionGuessPercent(draft), suction: wallSuctionGuess(draft) }));
    return asked?.kind === 'ok'
      ? `Starting guesses at cone ${draft!.bisqueCone}: drinks ${this.units.percent(asked.value.absorption)}, suction ${asked.value.suction.toFixed(3)} mm²/s.`
      : '';
  });
  protected readonly lots = computed(() => [...(this.draft()?.lots ?? [])].reverse());
  protected readonly stale = computed(() => {
    const failure = this.saving.failure();
    const current = failure?.problem.code === 'stale' ? bodySchema.safeParse(failure.problem.current) : undefined;
    return current?.success ? current.data : undefined;
  });
  protected readonly conesOrNone = [['', 'not told'], ...CONE_OPTIONS] as const;

  /** An emptied field is an unknown figure. */
  protected change(change: { [Key in keyof BodyBody]?: BodyBody[Key] | undefined }): void {
    const draft = this.draft();
    if (!draft) return;
    this.edited.set(
      Object.fromEntries(Object.entries({ ...draft, ...change }).filter(([, value]) => value !== undefined && value !== '')) as ClayBody,
    );
  }

  protected figure(name: (typeof FIGURES)[number][0], value: number | null): void {
    this.change({ [name]: value ?? undefined });
  }

  protected addLot(): void {
    const draft = this.draft();
    if (!draft) return;
    const now = new Date();
    const name = now.toLocaleDateString('en', { month: 'long', day: 'numeric' });
    this.change({ lots: [...(draft.lots ?? []), { id: uuid(), name, at: now.toISOString(), bisqueCone: draft.bisqueCone }] });
  }

  protected lot(changed: BisqueLot): void {
    this.change({ lots: (this.draft()?.lots ?? []).map((lot) => (lot.id === changed.id ? changed : lot)) });
  }

  protected removeLot(id: string): void {
    const lots = (this.draft()?.lots ?? []).filter((lot) => lot.id !== id);
    this.change({ lots: lots.length > 0 ? lots : undefined });
  }

  protected save(version = this.draft()?.version): void {
    const draft = this.draft();
    if (!draft || version === undefined || this.problem()) return;
    this.saving.run(this.api.updateBody({ ...draft, version }), () => this.take());
  }

  protected take(): void {
    this.saving.clear();
    this.edited.set(undefined);
    this.bodies.reload();
  }

  protected told({ bisqueCone, lots, shrinkagePercent }: ClayBody): string {
    const shrinks = shrinkagePercent === undefined ? '' : `, shrinks ${this.units.percent(shrinkagePercent)}`;
    return `bisque cone ${bisqueCone}${shrinks}, ${lots?.length ?? 0} bisque lots`;
  }
}
