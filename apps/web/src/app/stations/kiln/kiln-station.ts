import { ChangeDetectionStrategy, Component, computed, effect, inject, input, linkedSignal, signal, untracked } from '@angular/core';
import type { Firing, Kiln, Load } from '@cazuela/contract';
import { MatButton } from '@angular/material/button';
import { Router, RouterLink } from '@angular/router';
import { HOUR_MS, attempt, coneReached, kilnNow, replayLoad, shelfCones, type ShelfWitness } from '@cazuela/core';
import { v7 as uuid } from 'uuid';
import { combineLatest } from 'rxjs';
import { correctionOf } from '../../data/results/correction';
import { Clock } from '../../data/state/clock';
import { createMutation } from '../../data/http/mutation';
import { apiResource } from '../../data/http/api-resource';
import { StudioApi } from '../../data/http/studio-api';
import { BenchLog, withLocalEvents } from '../../data/offline/bench-log';
import { Outbox } from '../../data/offline/outbox';
import { formatDate, formatDateTime, formatDayTime, formatWhen } from '../../data/units/times';
import { Units } from '../../data/units/units';
import { FiringCurve } from '../../parts/firing-curve';
import { coneWords, nearestCone } from './kiln-words';
import { readyOf } from './load/lots-to-load';
import { shelvesOfLots } from './load/shelves-of-lots';
import { ShelvesPanel } from './shelves/shelves-panel';
import { firingRead } from '../../data/state/firing-read';
import { asWitnessed, offsetsOf } from '../../data/state/kiln-offsets';
import { paceOf } from '../../data/state/kiln-pace';
import { FiringForm } from './firing-form';
import { lotChoices } from './lot-choices';
import { ResultForm, type ShelfChoice } from './result-form';
import { SelectField } from '../../ui/select-field';
import { CONE_OPTIONS } from '../../data/units/cone-options';
import { ResourceState } from '../../ui/resource-state';
import { EmptyState } from '../../ui/empty-state';
import { PutAwayStore } from '../../data/state/put-away-store';
import { RecordMenu } from '../../parts/records/record-menu';
import { PutAwayNote } from '../../parts/records/put-away-note';
import { PutAwayLink } from '../../parts/records/put-away-link';
import { titleOf } from '../../data/state/address';

@Component({
  selector: 'cz-kiln-station',
  imports: [
    EmptyState,
    FiringCurve,
    FiringForm,
    MatButton,
    PutAwayLink,
    PutAwayNote,
    RecordMenu,
    ResourceState,
    ResultForm,
    RouterLink,
    SelectField,
    ShelvesPanel,
  ],
  templateUrl: './kiln-station.html',
  styleUrl: './kiln-station.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class KilnStation {
  /** From the address: the firing. */
  readonly firing = input<string>();
  /** From the address: the schedule by which is fired now. */
  readonly schedule = input<string>();
  /** From the address: the load that is fired now. */
  readonly load = input<string>();
  /** From the address: the result to correct. */
  readonly correct = input<string>();
  private readonly api = inject(StudioApi);
  private readonly router = inject(Router);
  private readonly log = inject(BenchLog);
  private readonly outbox = inject(Outbox);
  private readonly away = inject(PutAwayStore);
  protected readonly clock = inject(Clock);
  protected readonly units = inject(Units);
  protected readonly reading = createMutation();
  protected readonly when = formatWhen;
  protected readonly correctionOf = correctionOf;
  protected readonly full = formatDateTime;
  protected readonly all = apiResource(() =>
    combineLatest({
      kilns: this.api.kilns(),
      firings: this.api.firings(),
      results: this.api.results(),
      pieces: this.api.pieces(),
      days: this.api.days(),
      loads: this.api.loads(),
      schedules: this.api.schedules(),
    }),
  );
  protected readonly firings = computed(() => this.away.without('firing', this.all.value()?.firings ?? []));
  protected readonly pieces = computed(() => this.away.without('piece', this.all.value()?.pieces ?? []));
  /** Lots of pots of the last days: a result is of one of them, or nobody knows. */
  protected readonly lots = computed(() => {
    const stood = this.stood();
    return lotChoices(this.all.value()?.days ?? [], this.all.value()?.results ?? []).map((lot) => ({ ...lot, ...stood.get(lot.lotId) }));
  });
  /** As the last write here answered: the next one goes on from it, before the lists are read again. */
  private readonly justChanged = signal<Firing | undefined>(undefined);
  protected readonly allFirings = computed(() => {
    const newer = this.justChanged();
    return (this.all.value()?.firings ?? []).map((firing) => (newer?.id === firing.id && newer.version > firing.version ? newer : firing));
  });
  protected readonly chosen = computed(() => {
    const id = this.firing() ?? this.firings()[0]?.id;
    return this.allFirings().find((one) => one.id === id) ?? this.firings()[0];
  });
  /** What was read of it, beside what was wanted. */
  protected readonly read = computed(() => {
    const firing = this.chosen();
    const all = this.all.value();
    return firing && firingRead(firing, all && paceOf(firing, all));
  });
  protected readonly logWords = computed(() => {
    const read = this.read();
    if (read?.isRunning) return 'Its log, as it is read';
    return read?.readUntilHours === undefined ? 'Read it: controller, display or file' : 'What was read of it';
  });
  protected readonly byCurve = computed(() => {
    const firing = this.chosen();
    return firing && attempt(() => coneReached({ firing: this.read()!.curve }));
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
      kilnNow({
        firing: this.read()!.curve,
        hours: Math.max((Date.parse(this.clock.at()) - Date.parse(firing.body.startedAt)) / HOUR_MS, this.read()!.readUntilHours ?? -Infinity),
        openCelsius: this.card()?.body.openBelowCelsius,
      }).kind === 'canBeOpened'
    );
  });
  protected readonly results = computed(() =>
    this.away.without('result', this.all.value()?.results ?? []).filter((result) => result.body.firingId === this.chosen()?.id),
  );

  protected readonly corrected = computed(() => this.all.value()?.results.find((result) => result.id === this.correct()));
  protected readonly correctingFiring = signal(false);
  /** An address that names no firing of ours says so; the newest is shown. */
  protected readonly oddFiring = computed(
    () => this.firing() !== undefined && this.all.value() !== undefined && !this.all.value()!.firings.some((one) => one.id === this.firing()),
  );
  protected readonly planning = linkedSignal(() => this.load() !== undefined || this.schedule() !== undefined);
  protected readonly schedules = computed(() => this.away.without('schedule', this.all.value()?.schedules ?? []));
  protected readonly loading = createMutation();
  /** With what was done here and is not in the records yet. */
  private readonly allLoads = computed(() =>
    (this.all.value()?.loads ?? []).map((load) => ({ ...load, events: withLocalEvents(load.events, this.outbox.localEvents('load', load.id)) })),
  );
  /** Loads that are not fired yet, newest first. */
  protected readonly loads = computed(() =>
    this.away
      .without('load', this.allLoads())
      .filter(({ events }) => replayLoad(events).firingId === undefined)
      .map((load) => ({ id: load.id, words: `${this.kilnOf(load)?.body.name ?? 'A kiln'}, begun ${formatDate(load.createdAt)}` })),
  );
  protected readonly loadToFire = computed(() => this.allLoads().find(({ id }) => id === this.load()));
  protected readonly loadKiln = computed(() => {
    const load = this.loadToFire();
    return (load && this.kilnOf(load)?.body.name) ?? '';
  });
  /** When what is damp in the load to be fired is dry. */
  protected readonly dampUntil = computed(() => {
    const [all, load] = [this.all.value(), this.loadToFire()];
    if (!all || !load) return undefined;
    const waits = replayLoad(load.events).lots.flatMap((lot) => {
      const ready = readyOf(lot, { days: all.days, tiles: [], runners: [] }, Date.parse(this.clock.at()));
      return ready.kind === 'drying' && !lot.isDry ? [ready.dryAt] : [];
    });
    const last = waits.sort().at(-1);
    return last && formatDayTime(last, this.clock.at());
  });
  protected readonly loadOfFiring = computed(() => this.allLoads().find(({ events }) => replayLoad(events).firingId === this.chosen()?.id));
  /** Of each lot of a day: the usual shelf next to where it stood in the load of this firing, where all of it stood together. */
  private readonly stood = computed((): ReadonlyMap<string, { shelfId: string }> => {
    const [load, card] = [this.loadOfFiring(), this.card()];
    return new Map(load && card ? shelvesOfLots(replayLoad(load.events), card.body) : []);
  });
  protected readonly cards = computed(() => this.away.without('kiln', this.all.value()?.kilns ?? []));
  protected readonly kilns = computed(() => [
    ...new Set([...this.cards().map(({ body }) => body.name), ...(this.all.value()?.firings ?? []).map((firing) => firing.body.kiln)]),
  ]);
  /** The card of the kiln that was fired. */
  protected readonly card = computed(() => {
    const [firing, cards] = [this.chosen(), this.all.value()?.kilns ?? []];
    return cards.find(({ id, body }) => (firing?.body.kilnId === undefined ? body.name === firing?.body.kiln : id === firing.body.kilnId));
  });
  /** What each shelf saw, for the pieces that stood on it. */
  protected readonly shelves = computed((): ShelfChoice[] => {
    const [firing, card] = [this.chosen(), this.card()];
    if (!firing || !card) return [];
    const seen = attempt(() => shelfCones(card.body, asWitnessed(firing), offsetsOf(card, this.allFirings())));
    return seen.kind === 'ok'
      ? seen.value.map(({ shelf, cone }) => ({ shelfId: shelf.id, words: `${shelf.name}, ${coneWords(cone)}`, cone: nearestCone(cone) }))
      : [];
  });

  /** Somebody else read it meanwhile: the firing is shown as it is now, and the cone is chosen again. */
  protected readonly readingSays = computed(() => {
    const failure = this.reading.failure();
    return failure?.problem.code === 'stale'
      ? 'Somebody changed this firing meanwhile. It is shown as it is now: look, and choose again.'
      : failure?.problem.detail;
  });
  protected readonly witnessCones = [['', 'not read'], ...CONE_OPTIONS] as const;

  private kilnOf({ kilnId }: Load): Kiln | undefined {
    return this.all.value()?.kilns.find(({ id }) => id === kilnId);
  }

  protected startLoad(kilnId: string): void {
    const id = uuid();
    this.loading.run(this.api.createLoad(id, kilnId), () => void this.router.navigate(['/kiln/loads', id]));
  }

  /** A firing was noted; where a load was fired with it, the two belong together. */
  protected fired(firing: string): void {
    const load = this.loadToFire();
    if (load && firing) this.log.note('load', load.id, { type: 'fired', firingId: firing });
    this.lit(firing);
  }

  /** What is chosen stands in the address, so that it can be sent, reloaded and gone back to. */
  protected choose(firing: string | null): void {
    void this.router.navigate(['/kiln'], { queryParams: { firing } });
  }

  protected lit(firing: string): void {
    this.planning.set(false);
    this.correctingFiring.set(false);
    this.all.reload();
    this.choose(firing || null);
  }

  /** The result is as it should be, or is left: its firing is shown again. */
  protected readResult(): void {
    this.all.reload();
    if (this.correct()) this.choose(this.chosen()?.id ?? null);
  }

  /** A witness cone read by eye counts before the curve. */
  protected witness(cone: string): void {
    const firing = this.chosen();
    if (!firing) return;
    this.reading.run(this.api.updateFiring(firing.id, firing.version, { ...firing.body, witnessCone: cone || null }), (newer) => this.take(newer));
  }

  private take(newer: Firing): void {
    this.justChanged.set(newer);
    this.all.reload();
  }

  /** Cones of its shelves: each counts on its own shelf. */
  protected witnesses(witnesses: ShelfWitness[]): void {
    const [firing, card] = [this.chosen(), this.card()];
    if (!firing || !card) return;
    const body = { ...firing.body, kilnId: firing.body.kilnId ?? card.id, witnesses };
    this.reading.run(this.api.updateFiring(firing.id, firing.version, body), (newer) => this.take(newer));
  }

  constructor() {
    titleOf(() => this.firing() && this.chosen() && `${this.chosen()!.body.kiln}, ${this.full(this.chosen()!.body.startedAt)}`);
    effect(() => {
      if (this.reading.failure()?.problem.code === 'stale') untracked(() => this.all.reload());
    });
  }
}
