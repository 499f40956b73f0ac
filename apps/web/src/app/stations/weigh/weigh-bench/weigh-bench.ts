import { ChangeDetectionStrategy, Component, computed, effect, inject, input, signal, untracked, viewChild } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { MatTooltip } from '@angular/material/tooltip';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { Router } from '@angular/router';
import type { StudioPowder } from '@cazuela/contract';
import { replayBatch, type BatchLineState, type Entered } from '@cazuela/core';
import { timer } from 'rxjs';
import { v7 as uuid } from 'uuid';
import { BenchLog, withLocalEvents, type NewEvent } from '../../../data/offline/bench-log';
import { createMutation } from '../../../data/http/mutation';
import { Keys } from '../../../data/devices/keys';
import { apiResource, keyedResource } from '../../../data/http/api-resource';
import { Outbox } from '../../../data/offline/outbox';
import { StudioApi } from '../../../data/http/studio-api';
import { StudioStore } from '../../../data/state/studio-store';
import { Units } from '../../../data/units/units';
import { NumberField, type TypedNumber } from '../../../ui/number-field';
import { leaveField } from '../../../ui/leave-field';
import { ErrorBanner } from '../../../ui/error-banner';
import { powderHint } from '../weigh-words';
import { AfterWeighing, type NewCheck } from './after-weighing';
import { benchScale } from './bench-scale';
import { BenchQuestion, type Asked } from './bench-question';
import { LiveScale } from './live-scale';
import { LiveWeight } from './live-weight';
import { offWords, raisedWords } from './overshoot';
import { ScalePanel } from './scale-panel';
import { TextField } from '../../../ui/text-field';
import { Checkbox } from '../../../ui/checkbox';
import { ResourceState } from '../../../ui/resource-state';
import { titleOf } from '../../../data/state/address';
import { TakeBack } from '../../../parts/take-back';

/** Another tablet may weigh the same batch: the records are asked again this often, ms. */
const LOOK_AGAIN_MS = 4_000;

/** A second press so soon after the first is the same hand, not the next line, ms. */
const REST_MS = 350;

interface Weight {
  grams: number;
  entered?: Entered;
  practice?: true;
}

/** One line fills the screen; one key goes on. What happened is an event, so a reload is at the same line. */
@Component({
  selector: 'cz-weigh-bench',
  imports: [
    AfterWeighing,
    BenchQuestion,
    Checkbox,
    ErrorBanner,
    LiveWeight,
    MatButton,
    MatTooltip,
    NumberField,
    ResourceState,
    ScalePanel,
    TextField,
  ],
  providers: [LiveScale],
  templateUrl: './weigh-bench.html',
  styleUrl: './weigh-bench.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class WeighBench {
  readonly id = input.required<string>();
  private readonly api = inject(StudioApi);
  private readonly log = inject(BenchLog);
  private readonly outbox = inject(Outbox);
  private readonly store = inject(StudioStore);
  private readonly router = inject(Router);
  private readonly field = viewChild(NumberField);
  protected readonly units = inject(Units);
  protected readonly finishing = createMutation();
  protected readonly loadedBatch = keyedResource(
    () => this.id(),
    (id) => this.api.batch(id),
  );
  protected readonly batch = this.loadedBatch.value;
  protected readonly typed = signal<TypedNumber>({ value: null });
  protected readonly asking = signal<Asked | undefined>(undefined);
  /** The weight is typed although a scale is connected. */
  protected readonly byHand = signal(false);
  private tappedAtMs = Number.NEGATIVE_INFINITY;
  /** Somebody wanted to go on while the scale shows nothing for this line. */
  private readonly nothingOn = signal(false);
  protected readonly live = inject(LiveScale);
  protected readonly bucketName = signal<string | undefined>(undefined);
  private readonly takeBack = inject(TakeBack);
  private readonly events = computed(() => {
    const batch = this.batch();
    return batch ? withLocalEvents(batch.events, this.outbox.localEvents('batch', batch.id)) : [];
  });
  protected readonly state = computed(() => {
    const batch = this.batch();
    return batch && replayBatch({ plan: batch.plan, events: this.events() });
  });
  protected readonly step = computed(() => this.state()?.step);
  protected readonly line = computed(() => {
    const step = this.step();
    return step?.kind === 'line' ? step.line : undefined;
  });
  protected readonly lineNumber = computed(() => {
    const step = this.step();
    return step?.kind === 'line' ? step.number : undefined;
  });
  private readonly scales = computed(() => this.store.studio()?.scales ?? []);
  private readonly onScale = benchScale({
    plan: computed(() => this.batch()?.plan),
    state: this.state,
    line: this.line,
    connected: computed(() => this.live.scale()),
    scales: this.scales,
    units: this.units,
  });
  protected readonly load = this.onScale.load;
  protected readonly inPan = this.onScale.inPan;
  protected readonly scaleName = this.onScale.named;
  protected readonly remark = this.onScale.remark;
  protected readonly target = computed(() => {
    const step = this.step();
    return step?.kind === 'water' ? step.toPourGrams : this.load()?.grams;
  });
  protected readonly nextLines = computed(
    () =>
      this.state()
        ?.lines.filter((line) => line.state === 'waiting' && line !== this.line())
        .slice(0, 6) ?? [],
  );
  protected readonly hint = computed(() => powderHint(this.line()?.hazards ?? []));
  protected readonly division = computed(() => this.onScale.scale()?.divisionGrams ?? 0.1);
  private readonly powders = apiResource(() => this.api.powders());
  /** A weight to judge: typed, or too much and still on the scale. A running pour is not judged. */
  private readonly seenGrams = computed(
    () => this.typedWeight()?.grams ?? (this.live.pour()?.zone === 'over' && this.live.settled() ? this.live.netGrams() : undefined),
  );
  protected readonly nothingWords = computed(() =>
    this.nothingOn() && this.live.weight() === 'nothing'
      ? `The scale shows nothing of ${this.line()?.name ?? 'it'} yet: pour it, type what went in, or skip it.`
      : undefined,
  );
  protected readonly off = computed(() => {
    const [grams, targetGrams] = [this.seenGrams(), this.target()];
    return grams === undefined || targetGrams === undefined
      ? undefined
      : offWords({ grams, targetGrams, divisionGrams: this.division() }, this.units);
  });
  /** What raising the whole batch to an overshoot means; undefined when there is none. */
  protected readonly rescue = computed(() => {
    const [state, line, plan, grams] = [this.state(), this.line(), this.batch()?.plan, this.seenGrams()];
    if (!state || !line || !plan || grams === undefined || !this.off() || grams <= line.toWeighGrams) return undefined;
    const [divisionGrams, powders] = [this.division(), this.powders.value() ?? []];
    return raisedWords({ state, line, plan, grams, divisionGrams, powders, units: this.units });
  });
  /** The sheet as a file to print, in the unit of this device. */
  protected readonly paper = computed(() => this.api.fileUrl(`/batches/${this.id()}/sheet.pdf?mass=${this.units.massUnit()}`));
  protected readonly waiting = computed(() => this.outbox.isWaiting(this.id()));

  constructor() {
    titleOf(() => this.batch()?.recipeName);
    effect(() => {
      const line = this.line();
      const load = this.load();
      const key = line && load ? `${this.id()}/${line.lineId}/${load.number}/${this.state()!.factor}` : undefined;
      untracked(() =>
        this.live.follow(key && load ? { key, targetGrams: load.grams } : undefined, (grams) => {
          // Somebody is typing a note or a lot: the weight waits on the scale until that is done.
          if (this.asking() || this.field()?.problem()) return false;
          this.take({ grams, ...this.practice() });
          return true;
        }),
      );
    });
    timer(LOOK_AGAIN_MS, LOOK_AGAIN_MS)
      .pipe(takeUntilDestroyed())
      .subscribe(() => this.loadedBatch.reload());
    inject(Keys).bind([
      { keys: [' ', 'enter'], words: 'next', inFields: true, restsMs: REST_MS, run: () => this.next() },
      { keys: ['backspace'], words: 'back: take the last weight back', run: () => this.back() },
      { keys: ['s'], words: 'skip this line', run: () => this.skip() },
      { keys: ['o'], words: 'too much is in: raise the batch', inFields: true, when: () => !!this.rescue()?.can, run: () => this.raise() },
      { keys: ['n'], words: 'note something', run: () => this.asking.set('note') },
      { keys: ['l'], words: 'note the lot of this powder', run: () => this.ask('lot') },
      { keys: ['p'], words: 'another powder in its place', run: () => this.ask('powder') },
      { keys: ['t'], words: 'tare: what is on the scale is the empty pan', run: () => this.live.tare() },
      { keys: ['escape'], words: 'leave; it keeps its place', inFields: true, run: () => this.leave() },
      // A digit goes straight into the weight field.
      {
        keys: ['1', '2', '3', '4', '5', '6', '7', '8', '9', '0', '.', ','],
        words: 'type what the scale shows',
        passOn: true,
        run: () => this.typeWeight(),
      },
    ]);
  }

  private typeWeight(): void {
    this.byHand.set(true);
    this.field()?.focus();
  }

  /** A wet finger taps twice: the second tap never accepts the line that has just appeared. */
  protected tap(event: MouseEvent): void {
    const isRested = event.timeStamp - this.tappedAtMs >= REST_MS || this.typed().value !== null;
    if (event.detail <= 1 && isRested) this.next();
    this.tappedAtMs = event.timeStamp;
  }

  protected next(): void {
    const step = this.step();
    if (this.asking() || !step) return;
    // What cannot be read is not "as wanted": it stays until it is right.
    if (this.field()?.problem()) return this.field()!.focus();
    switch (step.kind) {
      case 'respirator':
        return this.note({ type: 'respiratorOn' });
      case 'water':
        // Water goes into the bucket by its own measure: what lies on the powder scale is not water.
        return this.note({ type: 'waterPoured', ...(this.typedWeight() ?? { grams: this.target()! }) });
      case 'line': {
        const weight = this.weighed();
        if (weight) return this.take(weight);
        this.nothingOn.set(true);
        return this.byHand.set(true);
      }
      case 'mix':
        return this.state()!.practice ? this.endPractice() : this.finish();
      case 'finished':
        void this.router.navigate(['/bucket', step.bucketId]);
    }
  }

  /** A weight for the line, or for one of its loads. */
  private take(weight: Weight): void {
    const [line, load] = [this.line(), this.load()];
    if (!line || !load) return;
    if (load.last) this.note({ type: 'lineWeighed', lineId: line.lineId, ...weight });
    else this.note({ type: 'loadWeighed', lineId: line.lineId, load: load.number, ...weight });
  }

  protected openWords({ name, state, inGrams }: BatchLineState): string {
    return state === 'skipped' ? `${name} was skipped: weigh it now` : `${name}, ${this.units.mass(inGrams)} in: type it anew`;
  }

  /** Back to any line. What was weighed for it stands in the field until another weight is typed: it is in the bucket. */
  protected openAgain({ lineId, eventId, inGrams, loadsIn }: BatchLineState): void {
    if (!eventId) return;
    this.note({ type: 'undone', eventId });
    // An earlier line may be open still, and is asked for first.
    if (this.line()?.lineId !== lineId || loadsIn > 0 || inGrams === 0) return;
    this.byHand.set(true);
    this.typed.set({ value: this.inPan().grams + inGrams });
  }

  protected ask(what: 'lot' | 'powder'): void {
    if (this.line()) this.asking.set(what);
  }

  protected instead(powder: StudioPowder): void {
    const line = this.line();
    this.asking.set(undefined);
    if (!line) return;
    const mesh = powder.sieveMesh === undefined ? {} : { sieveMesh: powder.sieveMesh };
    const { id: powderId, name, densityGMl: density, hazards } = powder;
    this.note({ type: 'lineSubstituted', lineId: line.lineId, powderId, name, density, hazards, ...mesh });
  }

  protected check(check: NewCheck): void {
    this.log.note('batch', this.id(), { type: 'checked', ...check });
  }

  protected back(): void {
    const eventId = this.state()?.lastUndoable;
    if (!eventId || this.step()?.kind === 'finished') return;
    this.takeBack.ask(
      this.events().find((event) => event.id === eventId),
      () => this.note({ type: 'undone', eventId }),
    );
  }

  /** Too much is in the bucket already: every other line and the water follow, so that the ratio holds. */
  protected raise(): void {
    const rescue = this.rescue();
    const line = this.line();
    const weight = this.weighed();
    if (!rescue?.can || !line || !weight) return;
    this.note({ type: 'lineWeighed', lineId: line.lineId, ...weight });
    this.note({ type: 'batchRaised', factor: rescue.factor, divisionGrams: this.division() });
  }

  protected skip(): void {
    const line = this.line();
    if (line) this.note({ type: 'lineSkipped', lineId: line.lineId });
  }

  /** How wide a weight is with its unit, in digits: it is drawn as large as that allows. */
  protected digits(grams: number): number {
    return this.units.massFigure(grams).length + 1;
  }

  protected keepNote(text: string): void {
    const lineId = this.line()?.lineId;
    const isLot = this.asking() === 'lot';
    this.asking.set(undefined);
    if (isLot && lineId) this.check({ check: 'powderLot', lineId, text });
    else this.note({ type: 'noted', text, ...(lineId ? { lineId } : {}) });
  }

  protected leave(): void {
    void this.router.navigateByUrl('/weigh');
  }

  /** It was practice: the batch waits no longer, and nothing came of it. */
  private endPractice(): void {
    this.note({ type: 'setAside' });
    this.leave();
  }

  protected finish(): void {
    const batch = this.batch();
    if (!batch || this.waiting()) return;
    const finish = {
      bucketId: uuid(),
      filledEventId: uuid(),
      finishedEventId: uuid(),
      at: new Date().toISOString(),
      by: this.store.by(),
      name: this.bucketName()?.trim() || batch.recipeName,
    };
    this.finishing.run(this.api.finishBatch(batch.id, finish), (bucket) => void this.router.navigate(['/bucket', bucket.id]));
  }

  /** What the scale shows, less what lies in the pan already. */
  private typedWeight(): Weight | undefined {
    const { value, entered } = this.typed();
    const before = this.line() ? this.inPan().grams : 0;
    if (value === null) return undefined;
    return before > 0 ? { grams: Math.max(0, value - before) } : { grams: value, ...(entered ? { entered } : {}) };
  }

  /** What was typed, or what the scale shows; without a connected scale, an empty field means the target. Undefined while nothing is on it. */
  private weighed(): Weight | undefined {
    const typed = this.typedWeight();
    const shown = this.live.weight();
    return typed ?? (shown === 'nothing' ? undefined : { grams: shown ?? this.target()!, ...(shown === undefined ? {} : this.practice()) });
  }

  /** Every scale that is connected is a practice one; only the demo studio weighs with it. */
  private practice(): { practice?: true } {
    return this.live.scale() && this.store.studio()?.demo === false ? { practice: true } : {};
  }

  private note(event: NewEvent<'batch'>): void {
    this.log.note('batch', this.id(), event);
    this.typed.set({ value: null });
    this.byHand.set(false);
    this.nothingOn.set(false);
    leaveField();
  }
}
