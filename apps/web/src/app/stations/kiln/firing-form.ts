import { ChangeDetectionStrategy, Component, computed, effect, inject, input, output } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { takeUntilDestroyed, toSignal } from '@angular/core/rxjs-interop';
import { FormControl, FormGroup, ReactiveFormsModule } from '@angular/forms';
import { firingBodySchema, type Firing, type FiringBody, type Kiln, type Schedule } from '@cazuela/contract';
import { attempt, coneReached, firingFromPeak, peakForCone, peakOfFiring, scheduleCurve } from '@cazuela/core';
import { merge } from 'rxjs';
import { v7 as uuid } from 'uuid';
import { createMutation } from '../../data/http/mutation';
import { StudioApi } from '../../data/http/studio-api';
import { NOW } from '../../data/state/clock';
import { CONE_OPTIONS } from '../../data/units/cone-options';
import { localMinute } from '../../data/units/times';
import { DateTimeField } from '../../ui/date-time-field';
import { contractForm, formProblem } from '../../ui/forms/contract-form';
import { askBeforeLeaving } from '../../ui/forms/unsaved-input';
import { NumberField } from '../../ui/number-field';
import type { FieldOption } from '../../ui/options';
import { SelectField } from '../../ui/select-field';
import { TextField } from '../../ui/text-field';
import { coneWords } from './kiln-words';
import { Notice } from '../../ui/notice';

const USUAL_HOURS_UP = 9.5;
const USUAL_HOLD_MINUTES = 10;

/** A firing from its peak, way up and hold: the heat-work it amounts to is said while it is typed. */
@Component({
  selector: 'cz-firing-form',
  imports: [DateTimeField, MatButton, NumberField, ReactiveFormsModule, SelectField, TextField],
  templateUrl: './firing-form.html',
  styleUrl: './firing-form.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class FiringForm {
  /** Kilns of earlier firings. */
  readonly kilns = input.required<readonly string[]>();
  /** Kilns with a card. */
  readonly cards = input<readonly Kiln[]>([]);
  /** The kiln that is fired, where that is known. */
  readonly kilnName = input('');
  /** Schedules of the studio, and the one that was chosen before the form was opened. */
  readonly schedules = input<readonly Schedule[]>([]);
  readonly scheduleId = input('');
  /** A firing noted before, to be corrected. */
  readonly correcting = input<Firing>();
  readonly kept = output<string>();
  readonly left = output<void>();
  private readonly api = inject(StudioApi);
  private readonly notice = inject(Notice);
  protected readonly keeping = createMutation();
  protected readonly cones = CONE_OPTIONS;
  protected readonly form = new FormGroup({
    ...contractForm(firingBodySchema, { wantedCone: '6' }).controls,
    kiln: new FormControl('', { nonNullable: true }),
    /** Empty where only the peak is set. */
    scheduleId: new FormControl('', { nonNullable: true }),
    /** In the device's own time, to the minute. */
    startedAt: new FormControl(localMinute(inject(NOW)()), { nonNullable: true }),
    peakCelsius: new FormControl<number | null>(null),
    hoursUp: new FormControl<number | null>(USUAL_HOURS_UP),
    holdMinutes: new FormControl<number | null>(USUAL_HOLD_MINUTES),
  });
  protected readonly problem = formProblem(
    () => this.form,
    () => this.keeping.failure()?.problem,
  );
  private readonly typed = toSignal(this.form.valueChanges);
  protected readonly chosen = computed(() => {
    this.typed();
    return this.correcting() ? undefined : this.schedules().find(({ id }) => id === this.form.controls.scheduleId.value);
  });
  protected readonly scheduleOptions = computed((): FieldOption[] => [
    ['', 'peak and hold'],
    ...this.schedules().map(({ id, body }) => [id, body.name] as const),
  ]);
  protected readonly curve = computed(() => {
    this.typed();
    const chosen = this.chosen();
    if (chosen)
      return attempt(() => {
        const points = scheduleCurve(chosen.body);
        return { points, words: coneWords(coneReached({ firing: points })) };
      });
    const { peakCelsius, hoursUp, holdMinutes } = this.form.getRawValue();
    if (peakCelsius === null || hoursUp === null || holdMinutes === null) return undefined;
    return attempt(() => {
      const points = firingFromPeak({ peakCelsius, hoursUp, holdMinutes });
      return { points, words: coneWords(coneReached({ firing: points })) };
    });
  });

  constructor() {
    const { wantedCone, hoursUp, holdMinutes } = this.form.controls;
    this.solvePeak();
    merge(wantedCone.valueChanges, hoursUp.valueChanges, holdMinutes.valueChanges)
      .pipe(takeUntilDestroyed())
      .subscribe(() => this.solvePeak());
    effect(() => {
      const { scheduleId } = this.form.controls;
      if (this.scheduleId() && scheduleId.pristine) scheduleId.setValue(this.scheduleId());
    });
    effect(() => {
      const chosen = this.chosen();
      const { wantedCone: wanted } = this.form.controls;
      if (chosen && wanted.value !== chosen.body.wantedCone) wanted.setValue(chosen.body.wantedCone);
    });
    effect(() => {
      const { kiln } = this.form.controls;
      if (this.kilnName() && kiln.pristine) kiln.setValue(this.kilnName());
    });
    effect(() => {
      const firing = this.correcting();
      if (!firing) return;
      const { kiln, startedAt, wantedCone: cone, points } = firing.body;
      // No new peak is worked out: it was another one that was noted.
      this.form.reset({ kiln, startedAt: localMinute(new Date(startedAt)), wantedCone: cone, ...peakOfFiring({ points }) }, { emitEvent: false });
      this.form.updateValueAndValidity();
    });
    askBeforeLeaving(() => this.form.dirty);
  }

  /** The peak that gives the wanted cone with this hold, until another one is typed. */
  private solvePeak(): void {
    const { wantedCone: cone, hoursUp, holdMinutes } = this.form.getRawValue();
    const solved = hoursUp === null || holdMinutes === null ? undefined : attempt(() => peakForCone({ cone, hoursUp, holdMinutes }));
    this.form.controls.peakCelsius.setValue(solved?.kind === 'ok' ? Math.round(solved.value) : null);
  }

  protected keep(): void {
    this.form.markAllAsTouched();
    const curve = this.curve();
    const { kiln, startedAt, wantedCone } = this.form.getRawValue();
    const started = new Date(startedAt);
    if (this.form.invalid || curve?.kind !== 'ok' || Number.isNaN(started.getTime())) return;
    const before = this.correcting();
    const id = before?.id ?? uuid();
    const asNoted = before && isSamePeak(peakOfFiring({ points: before.body.points }), this.form.getRawValue());
    const kilnName = kiln.trim() || this.kilns()[0] || 'Kiln';
    const card = this.cards().find((one) => one.body.name === kilnName);
    const isSameKiln = before?.body.kiln === kilnName;
    const body = {
      kiln: kilnName,
      ...(isSameKiln && before.body.kilnId ? { kilnId: before.body.kilnId } : card ? { kilnId: card.id } : {}),
      // Cones of another kiln's shelves say nothing here.
      ...(isSameKiln && before.body.witnesses ? { witnesses: before.body.witnesses } : {}),
      // The field knows minutes only: a start that was not touched keeps its seconds.
      startedAt: before && localMinute(new Date(before.body.startedAt)) === startedAt ? before.body.startedAt : started.toISOString(),
      wantedCone,
      witnessCone: before?.body.witnessCone ?? null,
      // A curve that was not changed stays as it was logged.
      points: asNoted ? before.body.points : curve.value.points,
      ...(before?.body.schedule ? { schedule: before.body.schedule } : scheduleOf(this.chosen())),
    };
    this.keeping.run(before ? this.api.updateFiring(id, before.version, body) : this.api.createFiring(id, body), () => {
      this.form.markAsPristine();
      this.kept.emit(id);
      this.notice.tell(before ? 'The firing is corrected.' : 'The firing is kept.');
    });
  }
}

/** The schedule as it is now: it may be changed later. */
const scheduleOf = (chosen: Schedule | undefined): Pick<FiringBody, 'schedule'> => {
  if (!chosen) return {};
  const { id, version, body } = chosen;
  return {
    schedule: { id, version, name: body.name, segments: body.segments, ...(body.reduction ? { reduction: body.reduction } : {}) },
  };
};

type Peak = Partial<Record<'peakCelsius' | 'hoursUp' | 'holdMinutes', number | null>>;
const isSamePeak = (one: Peak, other: Peak): boolean =>
  one.peakCelsius === other.peakCelsius && one.hoursUp === other.hoursUp && one.holdMinutes === other.holdMinutes;
