import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { RouterLink } from '@angular/router';
import type { Result } from '@cazuela/contract';
import {
  causesOfFault,
  changesFor,
  coatCausesOf,
  coatTimesOf,
  edgeDoneMm,
  factsOfPiece,
  recordOfPiece,
  USUAL_CONE,
  type FiredFault,
  type GlazedPiece,
  type RunCauses,
} from '@cazuela/core';
import { catchError, of, switchMap } from 'rxjs';
import { apiResource } from '../../data/http/api-resource';
import { StudioApi } from '../../data/http/studio-api';
import { CauseLearning } from '../../data/results/cause-learning';
import { ledgerOf } from '../../data/results/result-changes';
import type { RunCausesJob } from '../../data/results/run-causes-job';
import { runCausesWorker } from '../../data/results/run-causes.worker-factory';
import { FaultRecords } from '../../data/state/fault-records';
import { PieceQuestions } from '../../data/state/piece-questions';
import { Units } from '../../data/units/units';
import { workerAnswer } from '../../data/worker-answer';
import { ResourceState } from '../../ui/resource-state';
import { causeWords, worthRecording } from './cause-words';
import { OneChange } from './one-change';

/** From here on the studio's own pieces are told as a ground. */
const ENOUGH_PIECES = 8;
const LEAST_TOLD = 25;

/** Why a fired piece has its faults: likely causes among what was recorded, what was not, what nothing explains, and one thing to do otherwise. */
@Component({
  selector: 'cz-why-panel',
  imports: [OneChange, ResourceState, RouterLink],
  templateUrl: './why-panel.html',
  styleUrl: './why-panel.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class WhyPanel {
  readonly result = input.required<Result>();
  private readonly units = inject(Units);
  private readonly api = inject(StudioApi);
  private readonly records = inject(FaultRecords);
  private readonly questions = inject(PieceQuestions);
  private readonly learning = inject(CauseLearning);
  protected readonly known = apiResource(() => this.records.all());
  protected readonly entries = apiResource(() => this.api.resultChanges());
  /** Learnt beside the page; undefined until then. */
  private readonly learnt = toSignal(toObservable(this.known.value).pipe(switchMap((known) => (known ? this.learning.from(known) : of(undefined)))));
  protected readonly ledger = computed(() => ledgerOf(this.entries.value() ?? [], this.known.value()?.results ?? []));
  protected readonly firing = computed(() => this.known.value()?.firings.find(({ id }) => id === this.result().body.firingId));
  private readonly piece = computed(() => this.known.value()?.pieceOf(this.result()));
  protected readonly hasRun = computed(() => this.result().body.faults.some(({ fault }) => isRun(fault)));
  /** How far it ran and why, worked out beside the page; undefined until then, and where its plan cannot be run. */
  private readonly run = toSignal(
    toObservable(computed(() => (this.hasRun() ? { result: this.result(), piece: this.piece() } : undefined))).pipe(
      switchMap((asked) => {
        if (!asked?.piece) return of(undefined);
        const { result, piece } = asked;
        return this.questions.all().pipe(
          switchMap((questionOf) => {
            const known = questionOf({ pieceId: result.body.pieceId, withoutResultId: result.id });
            if (!known) return of(undefined);
            const { thought, ...question } = known;
            const job: RunCausesJob = {
              question,
              thought,
              coatTimes: coatTimesOf(piece),
              coatCauses: coatCausesOf(piece),
              coneReached: result.body.coneReached,
              heldLongerMinutes: piece.heldLongerMinutes,
              edgeMm: edgeDoneMm(question.plan, piece.steps ?? []),
            };
            return workerAnswer<RunCausesJob, RunCauses | undefined>(runCausesWorker, job);
          }),
          catchError(() => of(undefined)),
        );
      }),
    ),
  );
  protected readonly told = computed(() => {
    const [piece, learnt] = [this.piece(), this.learnt()];
    if (!piece || !learnt) return [];
    const { strengths } = learnt;
    const { faults } = this.result().body;
    const runs = faults.filter((one) => isRun(one.fault));
    return faults.flatMap(({ fault, where }) => {
      // What ran and what stuck is one thing, and is told once.
      if (isRun(fault) && fault !== runs[0]!.fault) return [];
      const run = isRun(fault) ? this.run() : undefined;
      if (isRun(fault) && !run) return [];
      const record = { ...recordOfPiece(piece, where), ...(run ? { reach: run.reach } : {}) };
      const { causes, unexplained, notRecorded } = causesOfFault(fault, record, strengths);
      return [
        {
          fault,
          where,
          title: `${capital((isRun(fault) ? runs : [{ fault, where }]).map((one) => `${one.fault}, ${one.where}`).join('; '))}: why?`,
          causes: causes.map(({ id, share }) => ({
            words: capital(run ? this.runWords(id, piece) : causeWords(id, record, this.units)),
            share: Math.round(100 * share),
          })),
          unexplained: Math.round(100 * unexplained),
          worth: worthRecording(notRecorded),
          reach: run && this.reachWords(run),
          changes: run ? run.changes : changesFor({ fault, record, facts: factsOfPiece(piece, where), strengths }),
        },
      ];
    });
  });
  protected readonly leastTold = LEAST_TOLD;
  protected readonly ground = computed(() => {
    const pieces = this.learnt()?.pieces ?? 0;
    const own =
      pieces >= ENOUGH_PIECES ? `put right by the ${pieces} pieces that were looked at here, good ones too` : 'not yet by pieces of this studio';
    return `Each figure is the chance that the cause was at work: from usual strengths, ${own}. Two causes may have worked together.`;
  });

  /** What was done otherwise, with the figure of the plan beside it. */
  private runWords(id: string, piece: GlazedPiece): string {
    const times = [...coatTimesOf(piece).values()].reduce((most, one) => (Math.abs(one - 1) > Math.abs(most - 1) ? one : most), 1);
    if (id === 'coat') return `coats ${times.toFixed(1)} times as thick as planned`;
    if (id === 'cone') return `cone ${piece.coneReached} where it stood, cone ${piece.plan.cone ?? USUAL_CONE} in its plan`;
    if (id === 'hold') return `held ${Math.round(piece.heldLongerMinutes ?? 0)} min longer at the hottest than its schedule`;
    if (id === 'flow') return 'its glaze flows further than was thought when it was planned: tiles and fired pieces told it since';
    if (id === 'overlap') return 'its glazes run further together than was thought when it was planned';
    return causeWords(id, {}, this.units);
  }

  private reachWords({ reach }: RunCauses): string {
    return `By its plan and what was recorded, the chance to reach what it stands on was ${Math.round(100 * reach.chance)} %, by a quick look.`;
  }
}

const capital = (words: string): string => `${words.charAt(0).toUpperCase()}${words.slice(1)}`;
const isRun = (fault: FiredFault): boolean => fault === 'ran' || fault === 'stuck';
