import { ChangeDetectionStrategy, Component, computed, inject, input, linkedSignal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { ReactiveFormsModule } from '@angular/forms';
import { Router, RouterLink } from '@angular/router';
import { POWDER_ROLES, powderSchema, stockMoveSchema, type PowderBody, type StockMove, type StudioPowder } from '@cazuela/contract';
import { combineLatest, of } from 'rxjs';
import { v7 as uuid } from 'uuid';
import { createMutation } from '../../../data/http/mutation';
import { keyedResource } from '../../../data/http/api-resource';
import { StudioApi } from '../../../data/http/studio-api';
import { StudioStore } from '../../../data/state/studio-store';
import { formatDateTime } from '../../../data/units/times';
import { Units } from '../../../data/units/units';
import { Choice } from '../../../ui/choice';
import { NumberField } from '../../../ui/number-field';
import { ErrorBanner } from '../../../ui/error-banner';
import { TwoVersions } from '../../../parts/two-versions';
import { TextField } from '../../../ui/text-field';
import { SelectField } from '../../../ui/select-field';
import { Expansion } from '../../../ui/expansion';
import { plainOptions } from '../../../ui/options';
import { TextArea } from '../../../ui/text-area';
import { contractForm, formProblem } from '../../../ui/forms/contract-form';
import { askBeforeLeaving } from '../../../ui/forms/unsaved-input';
import { OXIDES, powderForm, readPowder, type PowderForm } from './powder-form';
import { Notice } from '../../../ui/notice';
import { ResourceState } from '../../../ui/resource-state';
import { EmptyState } from '../../../ui/empty-state';
import { RecordMenu } from '../../../parts/records/record-menu';
import { PutAwayNote } from '../../../parts/records/put-away-note';
import { titleOf } from '../../../data/state/address';

const NEW: PowderBody = { name: '', role: 'flux', densityGMl: 2.6, rawClay: 0, shrinkWeight: 0, oxides: {}, loiPercent: 0, hazards: ['silica dust'] };

/** One powder: what is on the shelf and where it went, its price, and the figures that decide what it does. */
@Component({
  selector: 'cz-powder-page',
  imports: [
    Choice,
    EmptyState,
    ErrorBanner,
    Expansion,
    MatButton,
    NumberField,
    PutAwayNote,
    ReactiveFormsModule,
    RecordMenu,
    ResourceState,
    RouterLink,
    SelectField,
    TextArea,
    TextField,
    TwoVersions,
  ],
  templateUrl: './powder-page.html',
  styleUrl: './powder-page.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PowderPage {
  /** From the address: a powder's id, or "new". */
  readonly id = input.required<string>();
  private readonly api = inject(StudioApi);
  private readonly router = inject(Router);
  private readonly store = inject(StudioStore);
  protected readonly units = inject(Units);
  protected readonly currency = computed(() => this.store.studio()?.currency ?? '');
  protected readonly roles = plainOptions(POWDER_ROLES);
  protected readonly oxides = OXIDES;
  protected readonly moves = [
    ['counted', 'counted'],
    ['received', 'came in'],
    ['thrownOut', 'thrown out'],
  ] as const;
  protected readonly all = keyedResource(
    () => this.id(),
    (id) => combineLatest({ powders: this.api.powders(), history: id === 'new' ? of({ moves: [], uses: [] }) : this.api.powderMoves(id) }),
  );
  protected readonly powder = computed(() => this.all.value()?.powders.find((one) => one.id === this.id()));
  private readonly notice = inject(Notice);
  protected readonly saving = createMutation();
  protected readonly moving = createMutation();
  /** A newer powder from the records does not overwrite what is typed. */
  protected readonly form = linkedSignal<StudioPowder | undefined, PowderForm>({
    source: this.powder,
    computation: (powder, before) => (before?.value.dirty ? before.value : powderForm(powder ?? NEW)),
  });
  protected readonly problem = formProblem(this.form, () => this.saving.failure()?.problem);
  protected readonly moveForm = contractForm(stockMoveSchema, { kind: 'counted' as StockMove['kind'], grams: null as number | null, lot: '' });
  protected readonly stale = computed(() => {
    const failure = this.saving.failure();
    const current = failure?.problem.code === 'stale' ? powderSchema.safeParse(failure.problem.current) : undefined;
    return current?.success ? { detail: failure!.problem.detail, current: current.data } : undefined;
  });
  protected readonly history = computed(() =>
    (this.all.value()?.history.moves ?? []).map((move) => ({
      ...move,
      when: formatDateTime(move.at),
      words: { counted: 'counted', received: 'came in', thrownOut: 'thrown out' }[move.kind],
    })),
  );
  protected readonly uses = computed(() => {
    const links = { batch: '/weigh', bucket: '/bucket', series: '/weigh/series' };
    return (this.all.value()?.history.uses ?? []).map((use) => ({ ...use, link: [links[use.what], use.id] }));
  });

  constructor() {
    titleOf(() => this.powder()?.name);
    askBeforeLeaving(() => this.form().dirty);
  }

  protected oxideSum(form: PowderForm): number {
    const { oxides, loiPercent } = form.getRawValue();
    return Object.values(oxides).reduce<number>((sum, percent) => sum + (percent ?? 0), loiPercent);
  }

  protected keep(form: PowderForm, overVersion = this.powder()?.version ?? 0): void {
    const body = readPowder(form);
    if (!body) return;
    if (this.id() !== 'new') return this.saving.run(this.api.updatePowder(this.id(), overVersion, body), (powder) => this.kept(powder));
    const id = uuid();
    this.saving.run(this.api.createPowder(id, body), () => {
      form.markAsPristine();
      void this.router.navigate(['/recipe/powders', id], { replaceUrl: true });
    });
  }

  private kept(powder: StudioPowder): void {
    this.show(powder);
    this.notice.tell(`${powder.name} is kept.`);
  }

  protected show(powder: StudioPowder): void {
    this.form.set(powderForm(powder));
    this.saving.clear();
    this.all.reload();
  }

  protected move(): void {
    const { kind, grams, lot } = this.moveForm.getRawValue();
    this.moveForm.markAllAsTouched();
    if (grams === null || this.moveForm.invalid) return;
    const move = { id: uuid(), kind, grams, at: new Date().toISOString(), by: this.store.by(), lot: lot.trim() };
    this.moving.run(this.api.moveStock(this.id(), move), () => {
      this.notice.tell('Kept.');
      this.moveForm.reset({ kind });
      this.all.reload();
    });
  }
}
