import { computed, inject, Injectable, signal, untracked } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import {
  attempt,
  quickForecast,
  sidesToRun,
  type PairFlow,
  type PiecePlan,
  type PieceRunQuestion,
  type PieceShape,
  type RunForecast,
  type GlazeFacts,
} from '@cazuela/core';
import { catchError, combineLatest, EMPTY, map, of, startWith, switchMap, timer, type Observable } from 'rxjs';
import { PieceDraft } from '../draft/piece-draft';
import { PieceRuns, type RunState } from './piece-runs';
import { QuickLooks } from './quick-looks';

/** Two thousand runs start once a drag has rested this long, ms. */
const REST_MS = 250;

export interface PlanToRun {
  plan: PiecePlan;
  shape: PieceShape;
  glazes: readonly GlazeFacts[];
  /** Pairs whose overlap was measured here. */
  overlaps: readonly PairFlow[];
}

/** Only what decides the run: another order of steps asks for nothing new. */
function runQuestion({ plan, ...rest }: PlanToRun): PieceRunQuestion {
  const { putAside: _aside, order: _order, versions: _versions, pins: _pins, decoratingColours: _colours, unwanted: _unwanted, ...decides } = plan;
  return { ...rest, plan: { ...decides, order: [], putAside: [] } };
}

/** How far the plan runs: a quick look at once, the draws when the hand rests. Every view that speaks of running reads it here. */
@Injectable()
export class PlanRun {
  private readonly runs = inject(PieceRuns);
  private readonly looks = inject(QuickLooks);
  private readonly asked = signal<() => PlanToRun | undefined>(() => undefined);
  /** Where its edge should end, mm above the shelf. */
  readonly wantedEdgeMm = signal<number | null>(null);
  /** Which edge: of a zone, or of a strip by its id. */
  readonly wantedPlace = signal('outside');
  /** How often the same question was asked again. */
  private readonly round = signal(0);

  readonly question = computed<PieceRunQuestion | undefined>(
    () => {
      const asked = this.asked()();
      return asked && runQuestion(asked);
    },
    { equal: (a, b) => JSON.stringify(a) === JSON.stringify(b) },
  );
  /** Every path down that has glaze on it: outside, inside, handle or lugs, each panel. */
  readonly sides = computed(() => {
    const question = this.question();
    const made = question ? attempt(() => sidesToRun(question)) : undefined;
    return made?.kind === 'ok' ? made.value : [];
  });
  private readonly stoppedAt = signal<PieceRunQuestion | undefined>(undefined);
  /** Stopped by hand; another plan is drawn again. */
  readonly stopped = computed(() => this.stoppedAt() !== undefined && this.stoppedAt() === this.question());
  private readonly asking = computed(() => ({ question: this.question(), round: this.round(), stopped: this.stopped() }));
  private readonly answered = toSignal(
    combineLatest([toObservable(this.asking), inject(PieceDraft).dragging$]).pipe(
      switchMap(([{ question, round, stopped }, moves]) =>
        stopped || moves || !question || this.isAnswered(question, round) ? EMPTY : this.answerOf(question, round),
      ),
    ),
  );
  /** What the workers answered, while it belongs to the plan that is shown. */
  readonly state = computed(() => {
    const answered = this.answered();
    return answered?.question === this.question() ? answered?.state : undefined;
  });
  readonly working = computed(() => !this.stopped() && this.state() !== undefined && !this.state()!.finished);
  private readonly quick = computed(() => {
    const question = this.question();
    const made = question ? attempt(() => quickForecast(question)) : undefined;
    return made?.kind === 'ok' ? made.value : undefined;
  });
  /** From the draws when they are there, a quick look until then. */
  readonly forecast = computed(() => this.state()?.forecast ?? this.quick());
  readonly safeLine = computed(() => this.state()?.safeLine);
  /** Whether all is drawn that will be. */
  readonly isSettled = computed(() => this.stopped() || this.state()?.finished === true);

  /** Call it once, with what is asked. */
  of(asked: () => PlanToRun | undefined): void {
    this.asked.set(asked);
  }

  /** A quick look at a plan under a moving hand; for `dragView`, not for a template. */
  readonly lookAt = (asked: PlanToRun): RunForecast | undefined => this.looks.at(runQuestion(asked));

  stop(): void {
    this.stoppedAt.set(this.question());
  }

  again(): void {
    this.stoppedAt.set(undefined);
    this.round.update((round) => round + 1);
  }

  /** A drag that returned to its start finds its runs as they were. */
  private isAnswered(question: PieceRunQuestion, round: number): boolean {
    const answered = untracked(this.answered);
    return answered?.question === question && answered.round === round && answered.state.finished;
  }

  private answerOf(
    question: PieceRunQuestion,
    round: number,
  ): Observable<{ question: PieceRunQuestion; round: number; state: RunState } | undefined> {
    return timer(REST_MS).pipe(
      switchMap(() => this.runs.run(question)),
      catchError((error: unknown) => of({ failure: error instanceof Error ? error.message : String(error), finished: true } as RunState)),
      map((state) => ({ question, round, state })),
      startWith(undefined),
    );
  }
}
