import { ChangeDetectionStrategy, Component, computed, effect, inject, input, signal, viewChild } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { RouterLink } from '@angular/router';
import { CONTROLLER_SOCKET, type PracticeState } from '@cazuela/contract';
import { celsiusAt, HOUR_MS } from '@cazuela/core';
import { logToCsv } from '@cazuela/formats';
import { createMutation } from '../../../data/http/mutation';
import { StudioApi } from '../../../data/http/studio-api';
import { saveFile } from '../../../data/devices/save-file';
import { titleOf } from '../../../data/state/address';
import { Clock, NOW } from '../../../data/state/clock';
import { energyPrice } from '../../../data/state/energy-price';
import { StudioStore } from '../../../data/state/studio-store';
import { formatDateTime, formatDayTime, formatTime } from '../../../data/units/times';
import { Units } from '../../../data/units/units';
import { Checkbox } from '../../../ui/checkbox';
import { DateTimeField } from '../../../ui/date-time-field';
import { EmptyState } from '../../../ui/empty-state';
import { Expansion } from '../../../ui/expansion';
import { Notice } from '../../../ui/notice';
import { NumberField } from '../../../ui/number-field';
import type { FieldOption } from '../../../ui/options';
import { ResourceState } from '../../../ui/resource-state';
import { SelectField } from '../../../ui/select-field';
import { coneWords, shortCone } from '../kiln-words';
import { FiringScreen } from './firing-screen';
import { differenceWords, hoursWords, troubleWords } from './firing-words';
import { LogCurve } from './log-curve';

const NO_TROUBLE: Omit<PracticeState, 'speed'> = { isPowerCut: false, isDoorOpen: false, isElementDead: false, readsOver: 0 };
/** How far the thermocouple of the practice kiln can be wrong, °C. */
const READS_OVER = 15;
/** A controller that says nothing for so long is told. */
const SILENT_HOURS = 0.25;
/** No firing takes longer with its cooling. */
const RECENT_HOURS = 96;
/** Until lines of the practice kiln are seen here, s of our clock. */
const PRACTICE_LAG_SECONDS = 3;
const SPEEDS: readonly FieldOption[] = [
  ['1', 'as the clock'],
  ['60', 'an hour in a minute'],
  ['600', 'an hour in 6 seconds'],
  ['3600', 'an hour in a second'],
];

/** A firing while it runs and when it is over: read by its controller, by a practice kiln or by hand. */
@Component({
  selector: 'cz-firing-page',
  imports: [Checkbox, DateTimeField, EmptyState, Expansion, LogCurve, MatButton, NumberField, ResourceState, RouterLink, SelectField],
  providers: [FiringScreen],
  templateUrl: './firing-page.html',
  styleUrl: './firing-page.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class FiringPage {
  readonly id = input.required<string>();
  private readonly api = inject(StudioApi);
  private readonly notice = inject(Notice);
  private readonly clock = inject(Clock);
  private readonly clockNow = inject(NOW);
  private readonly studio = inject(StudioStore).studio;
  protected readonly screen = inject(FiringScreen);
  protected readonly units = inject(Units);
  protected readonly saving = createMutation();
  private readonly price = energyPrice();
  protected readonly speeds = SPEEDS;
  protected readonly speed = signal('600');
  protected readonly full = formatDateTime;
  protected readonly time = formatTime;
  protected readonly readCelsius = signal<number | null>(null);
  protected readonly kilowattHours = signal<number | null>(null);
  /** Empty for now. */
  protected readonly readAt = signal('');
  private readonly readField = viewChild<NumberField>('readField');
  protected readonly practice = computed(() => this.screen.firing()?.log?.practice);
  protected readonly title = computed(() => {
    const firing = this.screen.firing();
    return firing && `${firing.body.kiln}, ${formatDateTime(firing.body.startedAt)}`;
  });
  /** Who reads it, and whether that goes on. */
  protected readonly state = computed(() => {
    const [firing, now] = [this.screen.firing(), this.screen.now()];
    const log = firing?.log;
    if (!log) return this.screen.notes().some(({ type }) => type === 'kilnRead') ? 'Read by hand.' : 'Nobody read it yet.';
    const reader = { controller: 'its controller', practice: 'the practice kiln', file: 'a file' }[log.source];
    const count = `${log.readings.toLocaleString('en')} ${log.readings === 1 ? 'reading' : 'readings'}${log.dropped > 0 ? `, ${log.dropped} of them wrong and left out` : ''}`;
    const doing = log.endedAt !== null ? 'Over' : now?.kind === 'firing' ? 'Firing' : now?.kind === 'notStarted' ? 'Begun' : 'Cooling';
    return `${doing}. Read by ${reader}, ${count}.`;
  });
  protected readonly figures = computed((): [string, string][] => {
    const [read, progress, firing] = [this.screen.read(), this.screen.progress(), this.screen.firing()];
    const now = this.screen.now();
    if (!read || !firing || !now) return [];
    const at = (hours: number): string => formatDayTime(new Date(Date.parse(firing.body.startedAt) + hours * HOUR_MS).toISOString(), this.nowAt());
    const opens = this.opensWords(at);
    if (!progress) return opens;
    const isHot = now.kind !== 'canBeOpened';
    const list: [string, string][] = [
      [isHot ? 'Read last' : 'Read at the end', `${this.units.temperature(progress.celsius)}, ${hoursWords(progress.hours)} after its begin`],
    ];
    if (now.kind === 'firing') {
      list.push(['Wanted then', this.units.temperature(celsiusAt(read.wanted, progress.hours))]);
      list.push(['Rate', `${this.units.rate(progress.perHour)} over the last half hour`]);
    }
    list.push([now.kind === 'firing' ? 'Cone so far' : 'Cone', this.coneText()]);
    if (progress.doneAtHours !== undefined && now.kind === 'firing')
      list.push(['Done at', `${at(progress.doneAtHours)}, in ${hoursWords(progress.doneAtHours - progress.hours)} by its pace`]);
    return [...list, ...opens, ...this.energyWords()];
  });
  protected readonly troubles = computed(() => {
    const now = this.screen.now();
    if (!this.screen.isRunning() || now?.kind === 'canBeOpened') return [];
    const progress = this.screen.progress();
    const silent = progress ? this.screen.hours() - progress.hours : 0;
    // A fast practice kiln is hours further before its lines are here.
    const usual = SILENT_HOURS + ((this.practice()?.speed ?? 0) * PRACTICE_LAG_SECONDS) / 3_600;
    return [
      ...(silent > usual ? [`Its controller was not heard for ${hoursWords(silent)}: is it on, and its line? Read its display meanwhile.`] : []),
      ...(progress?.trouble ?? []).map((trouble) => troubleWords(trouble, this.units)),
    ];
  });
  protected readonly differences = computed(() => this.screen.differences().map((difference) => differenceWords(difference, this.units)));
  protected readonly byHand = computed(() => {
    const firing = this.screen.firing();
    if (!firing) return [];
    const startMs = Date.parse(firing.body.startedAt);
    return this.screen
      .notes()
      .flatMap((note) => (note.type === 'kilnRead' ? [{ hours: (Date.parse(note.readAt) - startMs) / HOUR_MS, celsius: note.celsius }] : []))
      .filter(({ hours }) => hours >= 0);
  });
  protected readonly noteRows = computed(() =>
    [...this.screen.notes()].reverse().map((note) => ({
      note,
      words:
        note.type === 'kilnRead'
          ? `${formatDayTime(note.readAt, this.nowAt())}: ${this.units.temperature(note.celsius)}`
          : `${formatDayTime(note.readAt, this.nowAt())}: meter ${note.kilowattHours} kWh`,
      by: note.by,
    })),
  );
  /** It may still be lit. */
  protected readonly isRecent = computed(() => this.screen.hours() < RECENT_HOURS);
  /** Where its controller sends its lines. */
  protected readonly address = computed(() => {
    const [studio, firing] = [this.studio(), this.screen.firing()];
    if (!studio || !firing?.body.kilnId) return undefined;
    const scheme = location.protocol === 'https:' ? 'wss' : 'ws';
    return `${scheme}://${location.host}${CONTROLLER_SOCKET}?studio=${studio.id}&kiln=${firing.body.kilnId}&controller=NAME`;
  });
  protected readonly paceWords = computed(() => {
    const { coolingLogs } = this.screen.pace();
    return coolingLogs === 0
      ? 'Its cooling is a usual guess until a firing of this kiln was logged down to 120 °C.'
      : `Its cooling is learnt from ${coolingLogs} ${coolingLogs === 1 ? 'log' : 'logs'} of this kiln.`;
  });
  protected readonly nowAt = this.clock.at;

  constructor() {
    effect(() => this.screen.id.set(this.id()));
    titleOf(() => this.title());
  }

  private coneText(): string {
    const [open, progress] = [this.screen.openCones(), this.screen.progress()];
    if (open && shortCone(open.least) !== shortCone(open.most))
      return `${shortCone(open.least)} to ${shortCone(open.most)}: nobody read it for ${hoursWords(open.unreadHours)}`;
    return progress?.cone ? coneWords(progress.cone) : 'below cone 022';
  }

  private opensWords(at: (hours: number) => string): [string, string][] {
    const now = this.screen.now();
    if (!now || now.kind === 'notStarted') return [];
    const below = this.units.temperature(this.screen.openBelow() ?? 100);
    if (now.kind === 'canBeOpened') {
      const read = this.screen.progress();
      const isRead = read !== undefined && read.celsius <= (this.screen.openBelow() ?? 100);
      return [['To open', isRead ? `now: below ${below}` : `by its curve now: look at its display first, below ${below}`]];
    }
    return [['To open', `about ${at(now.opensAtHours)}, below ${below}; not before`]];
  }

  private energyWords(): [string, string][] {
    const energy = this.screen.energy();
    if (!energy) return [];
    const price = this.price().perKilowattHour;
    const cost = price === null ? '' : `, ${(energy.kilowattHours * price).toFixed(2)} ${this.studio()?.currency ?? ''}`;
    const kilowattHours = energy.kilowattHours.toFixed(energy.kilowattHours < 10 ? 1 : 0);
    return [['Energy', `${kilowattHours} kWh, ${energy.from === 'meter' ? 'by the meter' : 'by the time it was on'}${cost}`]];
  }

  protected startPractice(): void {
    this.screen.begin({ ...NO_TROUBLE, speed: Number(this.speed()) });
  }

  protected setReadsOver(isOver: boolean): void {
    this.screen.setPractice({ readsOver: isOver ? READS_OVER : 0 });
  }

  protected noteReading(): void {
    const celsius = this.readCelsius();
    if (celsius === null) return;
    if (this.screen.noteReading(celsius, this.momentRead())) this.readCelsius.set(null);
    this.readField()?.focus();
  }

  protected noteMeter(): void {
    const figure = this.kilowattHours();
    if (figure === null) return;
    this.screen.noteMeter(figure, this.momentRead());
    this.kilowattHours.set(null);
  }

  private momentRead(): string {
    const typed = new Date(this.readAt());
    return (this.readAt() && !Number.isNaN(typed.getTime()) ? typed : this.clockNow()).toISOString();
  }

  protected saveLog(): void {
    const firing = this.screen.firing();
    if (!firing?.log) return;
    const { beganAt } = firing.log;
    this.saving.run(this.api.logReadings(firing.id), (readings) => {
      const name = `${firing.body.kiln}-${beganAt.slice(0, 10)}.csv`.replace(/[\\/:*?"<>|]/g, '-');
      saveFile(new Blob([logToCsv(readings, beganAt)], { type: 'text/csv' }), name);
      this.notice.tell(`${name} is saved.`);
    });
  }
}
