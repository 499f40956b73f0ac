import { booleanAttribute, ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { MatButton } from '@angular/material/button';
import { RouterLink } from '@angular/router';
import { oddPieces, stepDeviation, type StepDone, type TimetableTask } from '@cazuela/core';
import { debounceTime, of, switchMap } from 'rxjs';
import { Keys } from '../../../data/devices/keys';
import { Units } from '../../../data/units/units';
import { CodeCheck } from '../../../parts/code-check';
import { TapTimer } from '../../../parts/tap-timer';
import { NumberField } from '../../../ui/number-field';
import { DayScreen } from '../day-screen';
import { deviationWords, STIR_WORDS } from '../day-words';
import { CoatRisks } from './coat-risks';
import { StepDraft, type StepSaid } from './step-draft';
import { StepRecord } from './step-record';

/** A hand that types is waited for, ms. */
const REST_MS = 250;

/** The step these hands are at: what to mind, how it is really done, and what that makes of it. */
@Component({
  selector: 'cz-now-step',
  imports: [CodeCheck, MatButton, NumberField, RouterLink, StepRecord, TapTimer],
  providers: [CoatRisks],
  templateUrl: './now-step.html',
  styleUrl: './now-step.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class NowStep {
  readonly task = input.required<TimetableTask>();
  /** Nobody else would see that it was begun. */
  readonly isAlone = input(false);
  /** To be read from across the room. */
  readonly isLarge = input(false, { transform: booleanAttribute });
  protected readonly screen = inject(DayScreen);
  private readonly draft = inject(StepDraft);
  private readonly risks = inject(CoatRisks);
  protected readonly units = inject(Units);
  protected readonly stirWords = STIR_WORDS;
  protected readonly step = computed(() => this.task().step);
  protected readonly item = computed(() => this.task().item);
  protected readonly said = computed(() => this.draft.of(this.step().id));
  protected readonly timed = computed(() => (this.said().pieces ?? []).filter(({ seconds }) => seconds !== undefined).length);
  /** Read its code, stir it, before anything is dipped. */
  protected readonly bucket = computed(() => (this.step().bucketId ? this.screen.buckets.ofStep(this.step()) : undefined));
  /** The first dip of the day waits for the code: a wrong bucket costs a kiln. */
  protected readonly mayGoOn = computed(() => this.bucket()?.codeRead ?? true);
  protected readonly isShort = computed(() => {
    const { bucketId } = this.step();
    return bucketId !== undefined && (this.screen.state()?.standing.shortBuckets.has(bucketId) ?? false);
  });
  /** As the tick would keep it, with the bucket as it is now. */
  private readonly asDone = computed((): StepDone => {
    const { timedSinceMs: _since, ...said } = this.said();
    return { ...said, sg: said.sg ?? this.bucket()?.bucket.contents?.sg };
  });
  private readonly deviation = computed(() => stepDeviation(this.step(), this.asDone()));
  private readonly isTold = computed(() => Object.keys(this.said()).some((key) => key !== 'timedSinceMs'));
  private readonly asked = computed(() => ({ item: this.item(), step: this.step(), deviation: this.deviation() }), {
    equal: (a, b) => a.step.id === b.step.id && a.deviation?.ratio === b.deviation?.ratio,
  });
  private readonly risk = toSignal(
    toObservable(this.asked).pipe(
      debounceTime(REST_MS),
      switchMap(({ item, step, deviation }) =>
        deviation && deviation.verdict !== 'asPlanned' ? this.risks.of(item, step, deviation.ratio) : of(undefined),
      ),
    ),
  );
  /** What the coat became; said unasked where it is not as planned. */
  protected readonly words = computed(() => {
    const [deviation, plannedMm] = [this.deviation(), this.step().coatMm];
    if (!deviation || plannedMm === undefined || (deviation.verdict === 'asPlanned' && !this.isTold())) return '';
    return deviationWords(deviation, { plannedMm, coat: (mm) => this.units.coat(mm), risk: this.risk() });
  });
  /** Pieces of the lot that went another way. */
  private readonly oddOnes = computed(() => oddPieces(this.step(), this.asDone()));
  protected readonly odd = computed(() => {
    const odd = this.oddOnes();
    if (odd.length === 0 || odd.length >= this.item().count) return undefined;
    const lines = odd.map(
      ({ piece, deviation }) => `Piece ${piece}: ${deviationWords(deviation, { plannedMm: this.step().coatMm!, coat: (mm) => this.units.coat(mm) })}`,
    );
    return {
      lines,
      act: `Done; ${odd.length === 1 ? 'that one is a lot' : `those ${odd.length} are a lot`} of ${odd.length === 1 ? 'its' : 'their'} own`,
    };
  });

  constructor() {
    inject(Keys).bind([
      { keys: [' ', 'enter'], words: 'done: tick the step', run: () => this.done() },
      { keys: ['b'], words: 'begin it: the others see it', run: () => this.begin() },
      { keys: ['s'], words: 'skip the step', run: () => this.skip() },
    ]);
  }

  protected say(change: Partial<StepSaid>): void {
    this.draft.say(this.step().id, change);
  }

  protected time(seconds: number): void {
    this.draft.timed(this.step().id, seconds, this.item().count);
  }

  protected done(): void {
    if (!this.mayGoOn()) return;
    this.screen.done(this.step(), this.draft.done(this.step()));
    this.draft.clear();
  }

  /** Pieces that went another way are ticked as a lot of their own, each lot with its own seconds and weights. */
  protected doneApart(): void {
    const [step, item, odd] = [this.step(), this.item(), this.oddOnes().map(({ piece }) => piece - 1)];
    if (!this.mayGoOn() || odd.length === 0) return;
    const done = this.draft.done(step);
    const pieces = done.pieces ?? [];
    const [apart, others] = [pieces.filter((_, at) => odd.includes(at)), pieces.filter((_, at) => !odd.includes(at))];
    const stepIds = this.screen.split(item, odd.length, `${odd.length} of ${item.count} × ${item.name} are a lot of their own`);
    this.screen.done(step, this.draft.ofPieces(done, others));
    this.screen.done({ ...step, id: stepIds[item.steps.findIndex(({ id }) => id === step.id)]! }, this.draft.ofPieces(done, apart));
    this.draft.clear();
  }

  protected begin(): void {
    if (!this.task().isBegun) this.screen.note(`Begun: ${this.step().words}`, { type: 'stepBegun', stepId: this.step().id });
  }

  protected skip(): void {
    this.screen.note(`Skipped: ${this.step().words}`, { type: 'stepSkipped', stepId: this.step().id });
  }

  protected isThere(bucketId: string): void {
    this.screen.note('The bucket is there again', { type: 'bucketBack', bucketId });
  }
}
