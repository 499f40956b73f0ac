import { ChangeDetectionStrategy, Component, computed, inject, linkedSignal, output } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { FormControl, FormGroup, ReactiveFormsModule } from '@angular/forms';
import { bucketBodySchema, bucketSummarySchema, type BucketBody } from '@cazuela/contract';
import { attempt, brimMl, type BucketShape } from '@cazuela/core';
import { NOW } from '../../../../data/state/clock';
import { Units } from '../../../../data/units/units';
import { NumberField } from '../../../../ui/number-field';
import { TwoVersions } from '../../../../parts/two-versions';
import { BucketScreen } from '../bucket-screen';
import { contractForm, formProblem, readForm } from '../../../../ui/forms/contract-form';
import { askBeforeLeaving } from '../../../../ui/forms/unsaved-input';
import { TextField } from '../../../../ui/text-field';
import { SelectField } from '../../../../ui/select-field';
import { RecordMenu } from '../../../../parts/records/record-menu';

const SHAPES = [
  ['none', 'not measured'],
  ['cylinder', 'round, straight'],
  ['cone', 'round, wider at the top'],
  ['box', 'square'],
] as const;
/** Sizes to start from, mm: a common pail. */
const START: Readonly<Record<BucketShape['kind'], BucketShape>> = {
  cylinder: { kind: 'cylinder', acrossMm: 280, highMm: 300 },
  cone: { kind: 'cone', bottomMm: 250, topMm: 290, highMm: 300 },
  box: { kind: 'box', longMm: 400, wideMm: 300, highMm: 200 },
};
const SIDES: Readonly<Record<string, string>> = {
  acrossMm: 'Across inside',
  bottomMm: 'Across at the bottom',
  topMm: 'Across at the top',
  longMm: 'Long inside',
  wideMm: 'Wide inside',
  highMm: 'High inside',
};

/** What describes a bucket: its name, SG range, inner sizes; and putting it away when it is empty. */
@Component({
  selector: 'cz-bucket-form',
  imports: [MatButton, NumberField, ReactiveFormsModule, RecordMenu, SelectField, TextField, TwoVersions],
  templateUrl: './bucket-form.html',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class BucketForm {
  readonly closed = output<void>();
  protected readonly screen = inject(BucketScreen);
  private readonly units = inject(Units);
  private readonly now = inject(NOW);
  protected readonly shapes = SHAPES;
  protected readonly form = linkedSignal<BucketBody, BucketFields>({
    source: computed(() => this.screen.bucket()!.body),
    computation: (body, before) => (before?.value.dirty ? before.value : fieldsOf(body)),
  });
  protected readonly problem = formProblem(this.form, () => this.screen.saving.failure()?.problem);
  protected readonly stale = computed(() => {
    const failure = this.screen.saving.failure();
    const current = failure?.problem.code === 'stale' ? bucketSummarySchema.safeParse(failure.problem.current) : undefined;
    const say = (body: Pick<BucketBody, 'name' | 'sgLow' | 'sgHigh'>): string =>
      `${body.name}, SG ${this.units.sg(body.sgLow)}–${this.units.sg(body.sgHigh)}`;
    return current?.success
      ? { detail: failure!.problem.detail, version: current.data.version, theirs: say(current.data.body), mine: say(this.form().getRawValue()) }
      : undefined;
  });

  constructor() {
    askBeforeLeaving(() => this.form().dirty);
  }

  protected sides(): { key: string; words: string; mm: number }[] {
    return Object.entries(this.form().getRawValue().shape ?? {})
      .filter(([key]) => key in SIDES)
      .map(([key, mm]) => ({ key, words: SIDES[key]!, mm: mm as number }));
  }

  protected chooseShape(kind: BucketShape['kind'] | 'none'): void {
    this.withShape(kind === 'none' ? null : START[kind]);
  }

  protected size(key: string, mm: number | null): void {
    if (mm) this.withShape({ ...this.form().getRawValue().shape, [key]: mm } as BucketShape);
  }

  protected save(version?: number): void {
    const { shape, ...typed } = this.form().getRawValue();
    const { shape: _before, ...rest } = this.screen.bucket()!.body;
    const body = readForm(this.form(), bucketBodySchema, { ...rest, ...typed, ...(shape ? { shape } : {}) });
    if (body) this.screen.replace(body, () => this.leave(), version);
  }

  protected close(): void {
    this.screen.change({ closedAt: this.now().toISOString() }, () => this.leave());
  }

  protected leave(): void {
    this.form.set(fieldsOf(this.screen.bucket()!.body));
    if (this.screen.saving.failure()) {
      this.screen.saving.clear();
      this.screen.all.reload();
    }
    this.closed.emit();
  }

  /** The brim follows from the sizes, so that the two never disagree. */
  private withShape(shape: BucketShape | null): void {
    const form = this.form();
    const brim = shape && attempt(() => brimMl({ shape }));
    form.patchValue({ shape, ...(brim?.kind === 'ok' ? { capacityMl: Math.round(brim.value) } : {}) });
    if (shape) form.controls.capacityMl.disable();
    else form.controls.capacityMl.enable();
    form.markAsDirty();
  }
}

type BucketFields = FormGroup<BucketControls>;
type BucketControls = ReturnType<typeof contractForm<Pick<BucketBody, 'name' | 'sgLow' | 'sgHigh' | 'capacityMl'>>>['controls'] & {
  shape: FormControl<BucketShape | null>;
};

function fieldsOf({ name, sgLow, sgHigh, capacityMl, shape }: BucketBody): FormGroup<BucketControls> {
  const form = new FormGroup({
    ...contractForm(bucketBodySchema, { name, sgLow, sgHigh, capacityMl }).controls,
    shape: new FormControl<BucketShape | null>(shape ?? null),
  });
  if (shape) form.controls.capacityMl.disable();
  return form;
}
