import { ChangeDetectionStrategy, Component, computed, effect, inject, input, linkedSignal, signal, untracked } from '@angular/core';
import { RouterLink } from '@angular/router';
import type { FiringBody } from '@cazuela/contract';
import { HOUR_MS, attempt, coneReached, firingFromPeak, kilnNow, peakForCone } from '@cazuela/core';
import { combineLatest } from 'rxjs';
import { v7 as uuid } from 'uuid';
import { Clock, NOW } from '../../data/state/clock';
import { createMutation } from '../../data/http/mutation';
import { apiResource } from '../../data/http/api-resource';
import { StudioApi } from '../../data/http/studio-api';
import { formatDateTime, formatWhen } from '../../data/units/times';
import { Units } from '../../data/units/units';
import { Loading } from '../../ui/loading';
import { FiringCurve } from '../../parts/firing-curve';
import { NumberField } from '../../ui/number-field';
import { ErrorBanner } from '../../ui/error-banner';
import { coneWords, nearestCone } from './kiln-words';
import { ResultForm } from './result-form';
import { SelectField } from '../../ui/select-field';
import { CONE_OPTIONS } from '../../data/units/cone-options';
import { TextField } from '../../ui/text-field';
import { DateTimeField } from '../../ui/date-time-field';

@Component({
  selector: 'cz-kiln-station',
  imports: [DateTimeField, ErrorBanner, FiringCurve, Loading, NumberField, ResultForm, RouterLink, SelectField, TextField],
  templateUrl: './kiln-station.html',
  styleUrl: './kiln-station.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class KilnStation {
  /** From the address: the firing. */
  readonly firing = input<string>();
  private readonly api = inject(StudioApi);
  private readonly now = inject(NOW);
  protected readonly clock = inject(Clock);
  protected readonly units = inject(Units);
  protected readonly lighting = createMutation();
  protected readonly reading = createMutation();
  protected readonly cones = CONE_OPTIONS;
  protected readonly when = formatWhen;
  protected readonly full = formatDateTime;
  protected readonly all = apiResource(() => combineLatest({ firings: this.api.firings(), results: this.api.results(), pieces: this.api.pieces() }));
  protected readonly chosenId = linkedSignal(() => this.firing());
  protected readonly chosen = computed(() => {
    const firings = this.all.value()?.firings ?? [];
    return firings.find((firing) => firing.id === this.chosenId()) ?? firings[0];
  });
  protected readonly byCurve = computed(() => {
    const firing = this.chosen();
    return firing && attempt(() => coneReached({ firing: firing.body.points }));
  });
  protected readonly curveWords = computed(() => {
    const reached = this.byCurve();
    return reached?.kind === 'ok' ? coneWords(reached.value) : '';
  });
  protected readonly cone = computed(() => {
    const reached = this.byCurve();
    return this.chosen()?.body.witnessCone ?? (reached?.kind === 'ok' ? nearestCone(reached.value) : '6');
  });
  protected readonly canBeOpened = computed(() => {
    const firing = this.chosen();
    return (
      firing !== undefined &&
      kilnNow({ firing: firing.body.points, hours: (Date.parse(this.clock.at()) - Date.parse(firing.body.startedAt)) / HOUR_MS }).kind ===
        'canBeOpened'
    );
  });
  protected readonly results = computed(() => (this.all.value()?.results ?? []).filter((result) => result.body.firingId === this.chosen()?.id));

  protected readonly planning = signal(false);
  protected readonly kilnName = signal('');
  protected readonly wantedCone = signal('6');
  protected readonly hoursUp = signal<number | null>(9.5);
  protected readonly hold = signal<number | null>(10);
  /** The peak that gives the wanted cone with this hold, until another one is typed. */
  protected readonly peak = linkedSignal<number | null>(() => {
    const [hoursUp, holdMinutes] = [this.hoursUp(), this.hold()];
    const solved =
      hoursUp === null || holdMinutes === null ? undefined : attempt(() => peakForCone({ cone: this.wantedCone(), hoursUp, holdMinutes }));
    return solved?.kind === 'ok' ? Math.round(solved.value) : null;
  });
  protected readonly startedAt = signal(this.localMinute(this.now()));
  protected readonly kilns = computed(() => [...new Set((this.all.value()?.firings ?? []).map((firing) => firing.body.kiln))]);
  protected readonly newCurve = computed(() => {
    const [peakCelsius, hoursUp, holdMinutes] = [this.peak(), this.hoursUp(), this.hold()];
    if (peakCelsius === null || hoursUp === null || holdMinutes === null) return undefined;
    return attempt(() => {
      const points = firingFromPeak({ peakCelsius, hoursUp, holdMinutes });
      return { points, words: coneWords(coneReached({ firing: points })) };
    });
  });

  /** Somebody else read it meanwhile: the firing is shown as it is now, and the cone is chosen again. */
  protected readonly readingSays = computed(() => {
    const failure = this.reading.failure();
    return failure?.problem.code === 'stale'
      ? 'Somebody changed this firing meanwhile. It is shown as it is now: look, and choose again.'
      : failure?.problem.detail;
  });
  protected readonly witnessCones = [['', 'not read'], ...CONE_OPTIONS] as const;

  protected light(): void {
    const curve = this.newCurve();
    const kiln = this.kilnName().trim() || this.kilns()[0] || 'Kiln';
    const started = new Date(this.startedAt());
    if (curve?.kind !== 'ok' || Number.isNaN(started.getTime())) return;
    const id = uuid();
    const body: FiringBody = { kiln, startedAt: started.toISOString(), wantedCone: this.wantedCone(), witnessCone: null, points: curve.value.points };
    this.lighting.run(this.api.createFiring(id, body), () => {
      this.planning.set(false);
      this.chosenId.set(id);
      this.all.reload();
    });
  }

  /** A witness cone read by eye counts before the curve. */
  protected witness(cone: string): void {
    const firing = this.chosen();
    if (!firing) return;
    this.reading.run(this.api.updateFiring(firing.id, firing.version, { ...firing.body, witnessCone: cone || null }), () => this.all.reload());
  }

  constructor() {
    effect(() => {
      if (this.reading.failure()?.problem.code === 'stale') untracked(() => this.all.reload());
    });
  }

  private localMinute(date: Date): string {
    return new Date(date.getTime() - date.getTimezoneOffset() * 60_000).toISOString().slice(0, 16);
  }
}
