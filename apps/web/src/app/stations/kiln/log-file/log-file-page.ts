import { ChangeDetectionStrategy, Component, computed, inject, input, linkedSignal, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { Router, RouterLink } from '@angular/router';
import { firingBodySchema, type FiringBody } from '@cazuela/contract';
import { attempt, coneReached, thinLog, type FiringPoint, type LogTableChoices } from '@cazuela/core';
import { combineLatest } from 'rxjs';
import { v7 as uuid } from 'uuid';
import { apiResource } from '../../../data/http/api-resource';
import { createMutation } from '../../../data/http/mutation';
import { StudioApi } from '../../../data/http/studio-api';
import { NOW } from '../../../data/state/clock';
import { PutAwayStore } from '../../../data/state/put-away-store';
import { CONE_OPTIONS } from '../../../data/units/cone-options';
import { formatDateTime, localMinute } from '../../../data/units/times';
import { Units } from '../../../data/units/units';
import { Checkbox } from '../../../ui/checkbox';
import { DateTimeField } from '../../../ui/date-time-field';
import { FileField } from '../../../ui/file-field';
import { askBeforeLeaving } from '../../../ui/forms/unsaved-input';
import { Notice } from '../../../ui/notice';
import type { FieldOption } from '../../../ui/options';
import { ResourceState } from '../../../ui/resource-state';
import { SelectField } from '../../../ui/select-field';
import { TextField } from '../../../ui/text-field';
import { hoursWords } from '../firing/firing-words';
import { LogCurve } from '../firing/log-curve';
import { coneWords, nearestCone } from '../kiln-words';
import { cellsOf, logOf, MOST_LOG_BYTES, readingsToSend } from './log-file';

const PREVIEW_ROWS = 6;
const LEFT_OUT_ROWS = 8;
const WHY = { backwards: 'time goes back', impossible: 'no kiln gives that', spike: 'a short jump' } as const;
const TIME_UNITS: readonly FieldOption[] = [
  ['', 'as it looks'],
  ['seconds', 'seconds'],
  ['minutes', 'minutes'],
  ['hours', 'hours'],
];

/** The log of any kiln from a file: seen as it is understood, put right, then kept as a firing or with one. */
@Component({
  selector: 'cz-log-file-page',
  imports: [Checkbox, DateTimeField, FileField, LogCurve, MatButton, ResourceState, RouterLink, SelectField, TextField],
  templateUrl: './log-file-page.html',
  styleUrl: './log-file-page.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class LogFilePage {
  /** From the address: the firing it belongs to; a firing is made of it where left out. */
  readonly firing = input<string>();
  private readonly api = inject(StudioApi);
  private readonly router = inject(Router);
  private readonly notice = inject(Notice);
  private readonly away = inject(PutAwayStore);
  private readonly now = inject(NOW);
  protected readonly units = inject(Units);
  protected readonly cones = CONE_OPTIONS;
  protected readonly timeUnits = TIME_UNITS;
  protected readonly keeping = createMutation();
  protected readonly records = apiResource(() => combineLatest({ firings: this.api.firings(), kilns: this.api.kilns() }));
  protected readonly cells = signal<string[][] | undefined>(undefined);
  protected readonly fileName = signal('');
  protected readonly refused = signal('');
  protected readonly choices = signal<LogTableChoices>({});
  protected readonly log = computed(() => {
    const cells = this.cells();
    return cells && logOf(cells, this.choices());
  });
  protected readonly read = computed(() => {
    const log = this.log();
    return log?.kind === 'ok' ? log.value : undefined;
  });
  protected readonly problem = computed(() => {
    const log = this.log();
    return log?.kind === 'refused' ? log.error.message : this.refused();
  });
  protected readonly target = computed(() => this.records.value()?.firings.find(({ id }) => id === this.firing()));
  protected readonly isMissing = computed(() => this.firing() !== undefined && this.records.value() !== undefined && !this.target());
  protected readonly points = computed((): FiringPoint[] =>
    thinLog(this.read()?.readings ?? []).map(({ seconds, celsius }) => ({ hours: seconds / 3_600, celsius })),
  );
  protected readonly wanted = computed(() => this.target()?.body.points ?? this.points());
  protected readonly reached = computed(() => {
    const points = this.points();
    const cone = points.length > 1 ? attempt(() => coneReached({ firing: points })) : undefined;
    return cone?.kind === 'ok' ? cone.value : undefined;
  });
  protected readonly columns = computed((): FieldOption[] => (this.read()?.names ?? []).map((name, at) => [String(at), name] as const));
  protected readonly setColumns = computed((): FieldOption[] => [['', 'none'], ...this.columns()]);
  protected readonly summary = computed(() => {
    const [read, reached] = [this.read(), this.reached()];
    if (!read) return '';
    const peak = Math.max(...read.readings.map(({ celsius }) => celsius));
    const hours = read.readings.at(-1)!.seconds / 3_600;
    return `${read.readings.length} readings over ${hoursWords(hours)}, hottest ${this.units.temperature(peak)}${reached ? `: ${coneWords(reached)} by its heat-work` : ''}.`;
  });
  protected readonly leftOut = computed(() => {
    const read = this.read();
    if (!read) return [];
    const dropped = read.dropped.map(
      ({ why, reading }) => `${hoursWords(Math.max(0, reading.seconds) / 3_600)}: ${this.units.temperature(reading.celsius)}, ${WHY[why]}`,
    );
    const rows = read.unreadRows.map((row) => `Row ${row}: no time or no temperature`);
    const all = [...dropped, ...rows];
    return all.length > LEFT_OUT_ROWS ? [...all.slice(0, LEFT_OUT_ROWS), `and ${all.length - LEFT_OUT_ROWS} more`] : all;
  });
  protected readonly preview = computed(() => {
    const read = this.read();
    const every = Math.max(1, Math.floor((read?.readings.length ?? 0) / PREVIEW_ROWS));
    return (read?.readings ?? [])
      .filter((_, at) => at % every === 0)
      .map(({ seconds, celsius }) => ({ time: hoursWords(seconds / 3_600), celsius: this.units.temperature(celsius) }));
  });
  protected readonly kilns = computed(() => [
    ...new Set([
      ...this.away.without('kiln', this.records.value()?.kilns ?? []).map(({ body }) => body.name),
      ...(this.records.value()?.firings ?? []).map(({ body }) => body.kiln),
    ]),
  ]);
  protected readonly kiln = linkedSignal(() => this.kilns()[0] ?? '');
  protected readonly cone = linkedSignal(() => {
    const reached = this.reached();
    return reached && reached.kind !== 'below' ? nearestCone(reached) : '6';
  });
  protected readonly startedAt = linkedSignal(() => {
    const said = this.read()?.startsAt;
    return localMinute(said ? new Date(said) : this.now());
  });
  protected readonly targetWords = computed(() => {
    const target = this.target();
    return target && `${target.body.kiln}, ${formatDateTime(target.body.startedAt)}`;
  });

  constructor() {
    askBeforeLeaving(() => this.cells() !== undefined && !this.keeping.busy());
  }

  protected async choose(file: File): Promise<void> {
    this.cells.set(undefined);
    this.choices.set({});
    this.refused.set('');
    this.keeping.clear();
    this.fileName.set(file.name);
    if (file.size > MOST_LOG_BYTES) return this.refused.set('That file is too large for the log of one firing: 12 MB at most.');
    try {
      this.cells.set(cellsOf(new Uint8Array(await file.arrayBuffer())));
    } catch {
      this.refused.set('The file cannot be read. Is it still there?');
    }
  }

  protected setColumn(column: 'time' | 'celsius' | 'setCelsius', at: string): void {
    this.choices.update((choices) => ({ ...choices, columns: { ...choices.columns, [column]: at === '' ? undefined : Number(at) } }));
  }

  protected setTimeUnit(unit: string): void {
    this.choices.update((choices) => ({ ...choices, timeUnit: unit === 'seconds' || unit === 'minutes' || unit === 'hours' ? unit : undefined }));
  }

  protected setFahrenheit(isFahrenheit: boolean): void {
    this.choices.update((choices) => ({ ...choices, isFahrenheit }));
  }

  protected keep(): void {
    const read = this.read();
    if (!read) return;
    const readings = readingsToSend(read.readings);
    const target = this.target();
    if (target) return this.keeping.run(this.api.importLog(target.id, readings), () => this.show(target.id));
    const id = uuid();
    const body = this.bodyOf();
    if (body) this.keeping.run(this.api.createFiring(id, body, readings), () => this.show(id));
  }

  private bodyOf(): FiringBody | undefined {
    const started = new Date(this.startedAt());
    const kiln = this.kiln().trim();
    const card = this.records.value()?.kilns.find(({ body }) => body.name === kiln);
    const made = firingBodySchema.safeParse({
      kiln,
      ...(card ? { kilnId: card.id } : {}),
      startedAt: Number.isNaN(started.getTime()) ? '' : started.toISOString(),
      wantedCone: this.cone(),
      witnessCone: null,
      points: this.points().map(({ hours, celsius }) => ({ hours, celsius: Math.round(celsius * 10) / 10 })),
    });
    if (!made.success) this.refused.set(kiln === '' ? 'Say which kiln it was.' : made.error.issues[0]!.message);
    return made.data;
  }

  private show(id: string): void {
    this.cells.set(undefined);
    this.notice.tell('The log is kept.');
    void this.router.navigate(['/kiln/firings', id]);
  }
}
