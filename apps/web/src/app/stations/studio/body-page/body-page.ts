import { ChangeDetectionStrategy, Component, computed, inject, input, linkedSignal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { ReactiveFormsModule } from '@angular/forms';
import { MatIcon } from '@angular/material/icon';
import { RouterLink } from '@angular/router';
import { bodySchema, type ClayBody } from '@cazuela/contract';

import { absorptionGuessPercent, attempt, wallSuctionGuess } from '@cazuela/core';
import { v7 as uuid } from 'uuid';
import { createMutation } from '../../../data/http/mutation';
import { apiResource } from '../../../data/http/api-resource';
import { StudioApi } from '../../../data/http/studio-api';
import { Units } from '../../../data/units/units';
import { NumberField } from '../../../ui/number-field';
import { TwoVersions } from '../../../parts/two-versions';
import { formProblem } from '../../../ui/forms/contract-form';
import { askBeforeLeaving } from '../../../ui/forms/unsaved-input';
import { bodyForm, newLotForm, readBody, type BodyForm, type LotForm } from './body-form';
import { LotCard } from './lot-card';
import { TextField } from '../../../ui/text-field';
import { SelectField } from '../../../ui/select-field';
import { Checkbox } from '../../../ui/checkbox';
import { ColourField } from '../../../ui/colour-field';
import { CONE_OPTIONS } from '../../../data/units/cone-options';
import { Notice } from '../../../ui/notice';
import { ResourceState } from '../../../ui/resource-state';
import { EmptyState } from '../../../ui/empty-state';
import { RecordMenu } from '../../../parts/records/record-menu';
import { PutAwayNote } from '../../../parts/records/put-away-note';
import { titleOf } from '../../../data/state/address';

const FIGURES = [
  ['shrinkagePercent', 'Shrinkage, wet to fired', '%', 30, [4, 18]],
  ['absorptionPercent', 'Bisque drinks, if measured', '%', 40, [4, 24]],
  ['expansion', 'Expansion, if measured', '10⁻⁶/°C', 20, [4, 9]],
] as const;

/** The card of a clay body and of its bisque firings: coat, order and running rest on it. */
@Component({
  selector: 'cz-body-page',
  imports: [
    Checkbox,
    ColourField,
    EmptyState,
    LotCard,
    MatButton,
    MatIcon,
    NumberField,
    PutAwayNote,
    ReactiveFormsModule,
    RecordMenu,
    ResourceState,
    RouterLink,
    SelectField,
    TextField,
    TwoVersions,
  ],
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
  private readonly notice = inject(Notice);
  protected readonly saving = createMutation();
  protected readonly bodies = apiResource(() => this.api.bodies());
  private readonly known = computed(() => this.bodies.value()?.find((body) => body.id === this.id()));
  protected readonly missing = computed(() => this.bodies.value() !== undefined && this.known() === undefined);
  /** A newer card from the records does not overwrite what is typed. */
  protected readonly form = linkedSignal<ClayBody | undefined, BodyForm | undefined>({
    source: this.known,
    computation: (known, before) => (before?.value?.dirty ? before.value : known && bodyForm(known)),
  });
  protected readonly problem = formProblem(this.form, () => this.saving.failure()?.problem);
  protected readonly stale = computed(() => {
    const failure = this.saving.failure();
    const current = failure?.problem.code === 'stale' ? bodySchema.safeParse(failure.problem.current) : undefined;
    return current?.success ? current.data : undefined;
  });
  protected readonly conesOrNone = [['', 'not told'], ...CONE_OPTIONS] as const;

  constructor() {
    titleOf(() => this.known()?.name);
    askBeforeLeaving(() => this.form()?.dirty ?? false);
  }

  /** What is used where nothing was measured. */
  protected guess(form: BodyForm): string {
    const { bisqueCone, absorptionPercent } = form.getRawValue();
    const body = { bisqueCone, ...(absorptionPercent === null ? {} : { absorptionPercent }) };
    const asked = attempt(() => ({ absorption: absorptionGuessPercent(body), suction: wallSuctionGuess(body) }));
    return asked.kind === 'ok'
      ? `Starting guesses at cone ${bisqueCone}: drinks ${this.units.percent(asked.value.absorption)}, suction ${asked.value.suction.toFixed(3)} mm²/s.`
      : '';
  }

  /** The newest first. */
  protected lots(form: BodyForm): LotForm[] {
    return [...form.controls.lots.controls].reverse();
  }

  protected addLot(form: BodyForm): void {
    form.controls.lots.push(newLotForm(uuid(), new Date(), form.controls.bisqueCone.value));
    form.markAsDirty();
  }

  protected removeLot(form: BodyForm, lot: LotForm): void {
    form.controls.lots.removeAt(form.controls.lots.controls.indexOf(lot));
    form.markAsDirty();
  }

  protected save(form: BodyForm, version = this.known()?.version): void {
    const body = readBody(form);
    if (!body || version === undefined) return;
    this.saving.run(this.api.updateBody({ id: this.id(), version, ...body }), () => {
      this.take(form);
      this.notice.tell(`${body.name} is kept.`);
    });
  }

  /** What is typed gives way to the records. */
  protected take(form: BodyForm): void {
    this.saving.clear();
    form.markAsPristine();
    const known = this.known();
    this.form.set(known && bodyForm(known));
    this.bodies.reload();
  }

  protected told({
    bisqueCone,
    lots,
    shrinkagePercent,
  }: {
    bisqueCone: string;
    lots?: readonly unknown[] | undefined;
    shrinkagePercent?: number | null | undefined;
  }): string {
    const shrinks = (shrinkagePercent ?? null) === null ? '' : `, shrinks ${this.units.percent(shrinkagePercent!)}`;
    return `bisque cone ${bisqueCone}${shrinks}, ${lots?.length ?? 0} bisque lots`;
  }
}
