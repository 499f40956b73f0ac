import { ChangeDetectionStrategy, Component, computed, effect, inject, input, linkedSignal, signal, untracked } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { RouterLink } from '@angular/router';
import { HOUR_MS, attempt, coneReached, kilnNow } from '@cazuela/core';
import { combineLatest } from 'rxjs';
import { Clock } from '../../data/state/clock';
import { createMutation } from '../../data/http/mutation';
import { apiResource } from '../../data/http/api-resource';
import { StudioApi } from '../../data/http/studio-api';
import { formatDateTime, formatWhen } from '../../data/units/times';
import { Units } from '../../data/units/units';
import { FiringCurve } from '../../parts/firing-curve';
import { coneWords, nearestCone } from './kiln-words';
import { FiringForm } from './firing-form';
import { ResultForm } from './result-form';
import { SelectField } from '../../ui/select-field';
import { CONE_OPTIONS } from '../../data/units/cone-options';
import { ResourceState } from '../../ui/resource-state';
import { EmptyState } from '../../ui/empty-state';

@Component({
  selector: 'cz-kiln-station',
  imports: [EmptyState, FiringCurve, FiringForm, MatButton, ResourceState, ResultForm, RouterLink, SelectField],
  templateUrl: './kiln-station.html',
  styleUrl: './kiln-station.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class KilnStation {
  /** From the address: the firing. */
  readonly firing = input<string>();
  private readonly api = inject(StudioApi);
  protected readonly clock = inject(Clock);
  protected readonly units = inject(Units);
  protected readonly reading = createMutation();
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
  protected readonly kilns = computed(() => [...new Set((this.all.value()?.firings ?? []).map((firing) => firing.body.kiln))]);

  /** Somebody else read it meanwhile: the firing is shown as it is now, and the cone is chosen again. */
  protected readonly readingSays = computed(() => {
    const failure = this.reading.failure();
    return failure?.problem.code === 'stale'
      ? 'Somebody changed this firing meanwhile. It is shown as it is now: look, and choose again.'
      : failure?.problem.detail;
  });
  protected readonly witnessCones = [['', 'not read'], ...CONE_OPTIONS] as const;

  protected lit(firingId: string): void {
    this.planning.set(false);
    this.chosenId.set(firingId);
    this.all.reload();
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
}
