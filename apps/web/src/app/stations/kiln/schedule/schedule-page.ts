import { ChangeDetectionStrategy, Component, computed, inject, input, linkedSignal, signal } from '@angular/core';
import { MatButton, MatIconButton } from '@angular/material/button';
import { MatIcon } from '@angular/material/icon';
import { Router, RouterLink } from '@angular/router';
import { attempt, coneReached, foretellFiring, kilnModel, kilnNow, scheduleCurve, USUAL_PACE, type FiringSchedule } from '@cazuela/core';
import { combineLatest } from 'rxjs';
import { v7 as uuid } from 'uuid';
import { apiResource } from '../../../data/http/api-resource';
import { createMutation } from '../../../data/http/mutation';
import { StudioApi } from '../../../data/http/studio-api';
import { titleOf } from '../../../data/state/address';
import { energyPrice } from '../../../data/state/energy-price';
import { kilnHabits } from '../../../data/state/kiln-pace';
import { StudioStore } from '../../../data/state/studio-store';
import { CONE_OPTIONS } from '../../../data/units/cone-options';
import { formatDateTime } from '../../../data/units/times';
import { Units } from '../../../data/units/units';
import { PutAwayNote } from '../../../parts/records/put-away-note';
import { RecordMenu } from '../../../parts/records/record-menu';
import { Checkbox } from '../../../ui/checkbox';
import { EmptyState } from '../../../ui/empty-state';
import { askBeforeLeaving } from '../../../ui/forms/unsaved-input';
import { Notice } from '../../../ui/notice';
import { NumberField } from '../../../ui/number-field';
import type { FieldOption } from '../../../ui/options';
import { ResourceState } from '../../../ui/resource-state';
import { SelectField } from '../../../ui/select-field';
import { TextField } from '../../../ui/text-field';
import { habitGround } from '../habit-words';
import { coneWords } from '../kiln-words';
import { ScheduleCurve } from './schedule-curve';
import { draftOf, NEW_SCHEDULE, readSchedule, withSegment, type ScheduleDraft, type SegmentDraft } from './schedule-draft';

const USUAL_LOAD_GRAMS = 20_000;

/** The steps of a firing, and what they do: the cone, the hours until it can be opened, the energy, and what the kiln cannot follow. */
@Component({
  selector: 'cz-schedule-page',
  imports: [
    Checkbox,
    EmptyState,
    MatButton,
    MatIcon,
    MatIconButton,
    NumberField,
    PutAwayNote,
    RecordMenu,
    ResourceState,
    RouterLink,
    ScheduleCurve,
    SelectField,
    TextField,
  ],
  templateUrl: './schedule-page.html',
  styleUrl: './schedule-page.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class SchedulePage {
  /** `new` for one that is not in the records yet. */
  readonly id = input.required<string>();
  private readonly api = inject(StudioApi);
  private readonly router = inject(Router);
  private readonly notice = inject(Notice);
  private readonly units = inject(Units);
  private readonly studio = inject(StudioStore).studio;
  protected readonly cones = CONE_OPTIONS;
  protected readonly startCones: readonly FieldOption[] = [['', 'by temperature'], ...CONE_OPTIONS];
  protected readonly when = formatDateTime;
  protected readonly saving = createMutation();
  protected readonly schedules = apiResource(() => this.api.schedules());
  private readonly kilns = apiResource(() => combineLatest({ kilns: this.api.kilns(), firings: this.api.firings(), loads: this.api.loads() }));
  protected readonly known = computed(() => this.schedules.value()?.find(({ id }) => id === this.id()));
  protected readonly missing = computed(() => this.id() !== 'new' && this.schedules.value() !== undefined && !this.known());
  private readonly start = computed((): ScheduleDraft => {
    const known = this.known();
    return known ? draftOf(known.body) : NEW_SCHEDULE;
  });
  protected readonly isDirty = signal(false);
  /** A newer one from the records does not overwrite what is typed. */
  protected readonly draft = linkedSignal<ScheduleDraft, ScheduleDraft>({
    source: this.start,
    computation: (start, before) => (before && this.isDirty() ? before.value : start),
  });
  private readonly asked = signal(false);
  private readonly read = computed(() => readSchedule({ ...this.draft(), name: this.draft().name || 'A new schedule' }));
  protected readonly saying = computed(() => {
    const failure = this.saving.failure();
    if (failure?.problem.code === 'stale') return 'Somebody changed this schedule meanwhile: leave it as it was, look, and change it again.';
    if (failure) return failure.problem.detail;
    const read = readSchedule(this.draft());
    return this.asked() && 'problem' in read ? read.problem : '';
  });
  protected readonly problem = computed(() => {
    const read = this.read();
    return 'problem' in read ? read.problem : '';
  });
  protected readonly earlier = computed(() =>
    [...(this.known()?.earlier ?? [])].reverse().map(({ version, until, body }) => ({
      version,
      until,
      words: body.segments.map(({ toCelsius }) => this.units.temperature(toCelsius)).join(', '),
    })),
  );
  protected readonly kilnId = linkedSignal(() => this.kilns.value()?.kilns[0]?.id ?? '');
  protected readonly kilnOptions = computed((): FieldOption[] => [
    ...(this.kilns.value()?.kilns ?? []).map(({ id, body }) => [id, body.name] as const),
  ]);
  protected readonly loadGrams = signal(USUAL_LOAD_GRAMS);
  protected readonly price = energyPrice();
  protected readonly currency = computed(() => this.studio()?.currency ?? '');
  private readonly kiln = computed(() => this.kilns.value()?.kilns.find(({ id }) => id === this.kilnId()));
  /** Its natural cooling and its energy, by its logs: guesses until firings are logged; slower when it is full. */
  private readonly habits = computed(() => {
    const [records, kiln] = [this.kilns.value(), this.kiln()];
    return records && kiln ? kilnHabits(kiln, records, this.loadGrams()) : undefined;
  });
  protected readonly foretold = computed(() => {
    const read = this.read();
    if (!('body' in read)) return undefined;
    const { segments, reduction } = read.body;
    const schedule: FiringSchedule = { segments, reduction };
    const habits = this.habits();
    const pace = habits?.pace ?? USUAL_PACE;
    const curve = attempt(() => scheduleCurve(schedule, pace));
    if (curve.kind !== 'ok') return undefined;
    const kiln = this.kiln();
    const made = kiln && attempt(() => foretellFiring(schedule, kilnModel(kiln.body, this.loadGrams()), pace));
    const run = made?.kind === 'ok' ? made.value : undefined;
    const cone = attempt(() => coneReached({ firing: curve.value }));
    const open = kilnNow({ firing: curve.value, hours: 0, openCelsius: kiln?.body.openBelowCelsius });
    const opensAt = 'opensAtHours' in open ? open.opensAtHours : 0;
    const cost = this.price().perKilowattHour;
    const kilowattHours = (run?.kilowattHours ?? 0) * (habits?.energy.factor ?? 1);
    return {
      wanted: curve.value,
      followed: run?.followed ?? [],
      reduction,
      cone: cone.kind === 'ok' ? `${capital(coneWords(cone.value))} by these steps` : '',
      hours: `${Math.round(opensAt)} h until it can be opened, with its cooling.`,
      energy: run
        ? `About ${Math.round(kilowattHours)} kWh${cost === null ? '' : `, ${(kilowattHours * cost).toFixed(2)} ${this.currency()}`}.`
        : 'Its energy: choose a kiln with a card.',
      behind: run?.behind
        ? `${kiln!.body.name} cannot follow from ${this.units.temperature(run.behind.fromCelsius)}: ${this.units.rate(run.behind.wantedPerHour)} wanted, about ${this.units.rate(Math.max(0, run.behind.canPerHour))} can come.`
        : undefined,
      follows: kiln ? `${kiln.body.name} can follow it, by its card.` : '',
      ground: `${kiln?.body.powerWatts ? 'From the power and size on its card' : 'From the size of the kiln; its power is a guess: put it on its card'}; ${habitGround(habits)}`,
    };
  });

  constructor() {
    titleOf(() => this.known()?.body.name);
    askBeforeLeaving(() => this.isDirty());
  }

  protected change(change: Partial<ScheduleDraft>): void {
    this.draft.update((draft) => ({ ...draft, ...change }));
    this.isDirty.set(true);
    this.saving.clear();
  }

  protected changeStep(at: number, change: Partial<SegmentDraft>): void {
    this.change({ segments: this.draft().segments.map((segment, index) => (index === at ? { ...segment, ...change } : segment)) });
  }

  protected addStep(): void {
    this.change(withSegment(this.draft()));
  }

  protected removeStep(at: number): void {
    this.change({ segments: this.draft().segments.filter((_, index) => index !== at) });
  }

  /** An earlier version stands in the fields; it becomes the newest when it is kept. */
  protected takeUp(version: number): void {
    const before = this.known()?.earlier.find((one) => one.version === version);
    if (before) this.change(draftOf(before.body));
  }

  protected keep(): void {
    this.asked.set(true);
    const read = readSchedule(this.draft());
    if (!('body' in read)) return;
    const known = this.known();
    const id = known?.id ?? uuid();
    this.saving.run(known ? this.api.updateSchedule(id, known.version, read.body) : this.api.createSchedule(id, read.body), () => {
      this.isDirty.set(false);
      this.asked.set(false);
      this.notice.tell(`${read.body.name} is kept.`);
      if (known) this.schedules.reload();
      else void this.router.navigate(['/kiln/schedules', id], { replaceUrl: true });
    });
  }

  /** What is typed gives way to the records. */
  protected take(): void {
    this.saving.clear();
    this.isDirty.set(false);
    this.draft.set(this.start());
    this.schedules.reload();
  }
}

const capital = (words: string): string => words.charAt(0).toUpperCase() + words.slice(1);
