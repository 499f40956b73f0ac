import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { MatButton, MatIconButton } from '@angular/material/button';
import { MatTooltip } from '@angular/material/tooltip';
import { MatIcon } from '@angular/material/icon';
import {
  ALTERNATIVES_SHOWN,
  isStep,
  layersOf,
  planAfter,
  stepWords,
  type BodyFacts,
  type CoatKnowledge,
  type GlazeFacts,
  type PairFlow,
  type PiecePlan,
  type PieceShape,
  type RunForecast,
  type SafeLine,
  type TimedStep,
  type UnwantedStep,
  type PlanChange,
  type PlanAlternative,
} from '@cazuela/core';
import { catchError, debounceTime, EMPTY, map, of, switchMap } from 'rxjs';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { Units } from '../../../../data/units/units';
import { PieceSection } from '../../../../parts/piece-section';
import { AlternativesFinder } from './alternatives-finder';
import type { AlternativesAnswer } from './alternatives-job';
import { CHANGE_WORDS, costWords, differenceWords, riskWords, titleOf, unwantedWords } from './alternatives-words';
import { Loading } from '../../../../ui/loading';
import { Expansion } from '../../../../ui/expansion';
import { EmptyState } from '../../../../ui/empty-state';

/** The search starts once a drag has rested for this long, ms. */
const REST_MS = 120;

/** The best alternatives: what each does otherwise than the plan, its labor, waits and risks, why, and its steps with the piece after each. */
@Component({
  selector: 'cz-alternatives-panel',
  imports: [EmptyState, Expansion, Loading, MatButton, MatIcon, MatIconButton, MatTooltip, PieceSection],
  templateUrl: './alternatives-panel.html',
  styles: `
    :host {
      display: block;
    }
    .alternatives {
      display: grid;
      gap: 0.7rem;
      margin-top: 0.6rem;
    }
    article {
      display: grid;
      gap: 0.5rem;
      align-content: start;
      justify-items: start;
      padding: 0.9rem 1rem;
      background: var(--paper);
      border: 1px solid var(--line);
      border-radius: var(--round);
    }
    li {
      display: grid;
      grid-template-columns: 52px minmax(0, 1fr) 44px;
      gap: 0.6rem;
      align-items: center;
      min-height: 40px;
      > span {
        grid-column: 2;
      }
      > .x {
        grid-column: 3;
        padding: 0;
        opacity: 0.55;
      }
    }
    cz-expansion {
      width: 100%;
    }
    .differences {
      font-weight: 650;
    }
    cz-piece-section {
      width: 52px;
      height: 40px;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class AlternativesPanel {
  readonly plan = input.required<PiecePlan>();
  readonly shape = input.required<PieceShape>();
  readonly glazes = input.required<readonly GlazeFacts[]>();
  readonly body = input.required<BodyFacts>();
  readonly count = input.required<number>();
  readonly knowledge = input.required<(glaze: GlazeFacts) => CoatKnowledge>();
  /** Pairs whose overlap was measured here. */
  readonly overlaps = input<readonly PairFlow[]>([]);
  /** How far the plan runs, and from which line it may; the search waits for it, so that both stand on the same draws. */
  readonly forecast = input<RunForecast>();
  readonly safeLine = input<SafeLine>();
  readonly colours = input.required<ReadonlyMap<string, string>>();
  readonly names = input<ReadonlyMap<string, string>>(new Map());
  readonly clay = input('#E4D8C2');
  readonly taken = output<Partial<PiecePlan>>();
  private readonly units = inject(Units);
  protected readonly changeWords = CHANGE_WORDS;
  private readonly finder = inject(AlternativesFinder);
  private readonly known = computed(() => this.glazes().map((glaze) => ({ bucketId: glaze.bucketId, knows: this.knowledge()(glaze) })));
  private readonly question = computed(
    () => {
      const { versions: _versions, putAside: _aside, decoratingColours, ...plan } = this.plan();
      return {
        question: {
          // Only what changes the alternatives: an edited reason starts no new search.
          plan: { ...plan, putAside: [], decoratingColours },
          shape: this.shape(),
          glazes: this.glazes(),
          overlaps: this.overlaps(),
          body: this.body(),
          count: this.count(),
          ...(this.forecast() ? { forecast: this.forecast()! } : {}),
          ...(this.safeLine() ? { safeLine: this.safeLine()! } : {}),
        },
        knowledge: this.known(),
      };
    },
    { equal: (a, b) => JSON.stringify(a) === JSON.stringify(b) },
  );
  protected readonly isBare = computed(() => layersOf(this.plan()).length === 0);
  protected readonly answer = toSignal(
    toObservable(this.question).pipe(
      debounceTime(REST_MS),
      switchMap((job) =>
        layersOf(job.question.plan).length === 0
          ? of<AlternativesAnswer>({ kind: 'found', alternatives: [] })
          : !job.question.forecast
            ? EMPTY
            : this.finder
                .find(job)
                .pipe(
                  catchError((error: unknown) =>
                    of<AlternativesAnswer>({ kind: 'failed', message: error instanceof Error ? error.message : String(error) }),
                  ),
                ),
      ),
      map((answer): AlternativesAnswer | undefined => answer),
    ),
  );
  protected readonly failure = computed(() => {
    const answer = this.answer();
    return answer?.kind === 'failed' ? answer.message : undefined;
  });
  private readonly all = computed(() => {
    const answer = this.answer();
    const { changes = [], steps = [] } = this.plan().unwanted ?? {};
    // What nobody wants is hidden at once; the search without it follows.
    const isWanted = (alternative: PlanAlternative): boolean =>
      !alternative.changes.some((change) => changes.includes(change)) && !alternative.steps.some((step) => steps.some((one) => isStep(step, one)));
    return answer?.kind === 'found' ? answer.alternatives.filter(isWanted) : [];
  });
  protected readonly tried = computed(() => this.all().length);
  protected readonly leftOut = computed(() => {
    const { changes = [], steps = [] } = this.plan().unwanted ?? {};
    return [...changes.map((change) => CHANGE_WORDS[change].short), ...steps.map((step) => unwantedWords(step, this.plan(), this.names()))].join(
      ', ',
    );
  });
  protected readonly alternatives = computed(() => {
    const planned = textOf(this.plan());
    const drawn = this.all().find((alternative) => alternative.changes.length === 0);
    return this.all()
      .slice(0, ALTERNATIVES_SHOWN)
      .map((alternative) => {
        const { zones, strips, masks, rimFirst, gumIn, waxFootMm, footBy, order } = alternative.plan;
        const take = { zones, strips, masks, rimFirst, gumIn, waxFootMm, footBy, order };
        return {
          key: alternative.changes.join(' ') + order.join(' '),
          title: titleOf(alternative.changes),
          changes: alternative.changes,
          why: riskWords(alternative, drawn).why,
          risk: riskWords(alternative, drawn).risk,
          tone: alternative.goodShare > 0.8 ? 'good' : alternative.goodShare > 0.5 ? 'look' : 'stop',
          cost: costWords(alternative, this.count(), this.units),
          differences: differenceWords(alternative, drawn, (step) => this.wordsOf(step, waxFootMm)),
          take,
          isPlanned: planned === textOf(alternative.plan),
          steps: alternative.steps.map((step, at) => ({
            key: step.key,
            by: step.layer?.method ?? step.kind,
            canBeLeft: !ALWAYS.includes(step.kind),
            words: this.wordsOf(step, waxFootMm),
            plan: step.kind === 'layer' ? planAfter({ plan: alternative.plan, steps: alternative.steps, done: at + 1 }) : undefined,
          })),
        };
      });
  });

  private wordsOf(step: TimedStep, waxFootMm: number): string {
    const bucketId = step.layer?.bucketId ?? '';
    const glazeName = this.names().get(bucketId) ?? this.glazes().find((glaze) => glaze.bucketId === bucketId)?.name;
    return stepWords({ step, glazeName, waxFootMm });
  }

  protected forbid(change: PlanChange): void {
    const { changes = [], steps } = this.plan().unwanted ?? {};
    this.taken.emit({ unwanted: { changes: [...changes, change], steps } });
  }

  protected leaveStep({ key, by }: UnwantedStep): void {
    const { changes, steps = [] } = this.plan().unwanted ?? {};
    this.taken.emit({ unwanted: { changes, steps: [...steps, { key, by }] } });
  }
}

/** Steps that every piece needs, and a step that only ends another one. */
const ALWAYS: readonly string[] = ['check', 'wipeFoot', 'untape', 'fire', 'fireLustre'];

/** The parts of a plan that an alternative decides, to be compared. */
const textOf = ({ zones, strips, masks, rimFirst, gumIn, waxFootMm, footBy, order }: PiecePlan): string =>
  JSON.stringify([zones, strips ?? [], masks ?? [], rimFirst ?? false, gumIn ?? [], waxFootMm, footBy ?? 'wax', order]);
