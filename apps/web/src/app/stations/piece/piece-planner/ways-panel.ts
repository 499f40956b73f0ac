import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import {
  attempt,
  planAfter,
  stepWords,
  waysThere,
  type BodyFacts,
  type CoatKnowledge,
  type GlazeFacts,
  type PiecePlan,
  type PieceShape,
  type WayChange,
} from '@cazuela/core';
import { Units } from '../../../data/units';
import { PieceSection } from '../../../parts/piece-section';
import { CHANGE_WORDS, costWords, riskWords, titleOf } from './ways-words';

/** Ways shown side by side. */
const SHOWN = 3;

/** The best ways to the drawn piece side by side: steps with the piece after each, hands, waits, risks, and why. */
@Component({
  selector: 'cz-ways-panel',
  imports: [PieceSection],
  template: `
    @if (ways().length > 0) {
      <section aria-labelledby="ways">
        <h2 id="ways">Ways to get there</h2>
        <p class="quiet small">
          {{ tried() }} ways were priced for {{ count() }} {{ count() === 1 ? 'piece' : 'pieces' }} by hands, waits and risk, by rules of the bench.
          What a way does otherwise than you drew is said with it.
        </p>
        <div class="ways">
          @for (way of ways(); track way.key) {
            <article [attr.aria-label]="way.title">
              <h3>{{ way.title }}</h3>
              <p class="small">{{ way.why }}</p>
              <ol class="plain-list">
                @for (step of way.steps; track step.key) {
                  <li>
                    @if (step.plan; as plan) {
                      <cz-piece-section [shape]="shape()" [plan]="plan" [colours]="colours()" [clay]="clay()" [small]="true" />
                    }
                    <span>{{ step.words }}</span>
                  </li>
                }
              </ol>
              <p class="small">{{ way.cost }}</p>
              <p class="small" [class]="way.tone">{{ way.risk }}</p>
              @if (way.isPlanned) {
                <p class="good small">This is your plan.</p>
              } @else {
                <button type="button" class="press quiet-press" [attr.aria-label]="'Take this way: ' + way.title" (click)="taken.emit(way.take)">
                  Take this way
                </button>
              }
              @for (change of way.changes; track change) {
                <button type="button" class="press bare" (click)="forbid(change)">Not: {{ changeWords[change].short }}</button>
              }
            </article>
          }
        </div>
        @if (forbidden().length > 0) {
          <p class="small">
            Left out: {{ leftOut() }}. <button type="button" class="press bare" (click)="forbidden.set([])">Allow all again</button>
          </p>
        }
      </section>
    }
  `,
  styles: `
    :host {
      display: block;
      margin-top: 1.8rem;
    }
    .ways {
      display: grid;
      grid-template-columns: repeat(auto-fit, minmax(270px, 1fr));
      gap: 1rem;
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
      grid-template-columns: 52px minmax(0, 1fr);
      gap: 0.6rem;
      align-items: center;
      min-height: 40px;
      > span {
        grid-column: 2;
      }
    }
    cz-piece-section {
      width: 52px;
      height: 40px;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class WaysPanel {
  readonly plan = input.required<PiecePlan>();
  readonly shape = input.required<PieceShape>();
  readonly glazes = input.required<readonly GlazeFacts[]>();
  readonly body = input.required<BodyFacts>();
  readonly count = input.required<number>();
  readonly knowledge = input.required<(glaze: GlazeFacts) => CoatKnowledge>();
  readonly colours = input.required<ReadonlyMap<string, string>>();
  readonly clay = input('#E4D8C2');
  readonly taken = output<Partial<PiecePlan>>();
  private readonly units = inject(Units);
  protected readonly changeWords = CHANGE_WORDS;
  protected readonly forbidden = signal<readonly WayChange[]>([]);
  private readonly all = computed(() => {
    const hasCoat = Object.values(this.plan().zones).some((layers) => layers.length > 0);
    if (!hasCoat) return [];
    const asked = attempt(() =>
      waysThere({
        plan: this.plan(),
        shape: this.shape(),
        glazes: this.glazes(),
        body: this.body(),
        count: this.count(),
        knowledge: this.knowledge(),
        forbidden: this.forbidden(),
      }),
    );
    return asked.kind === 'ok' ? asked.value : [];
  });
  protected readonly tried = computed(() => this.all().length);
  protected readonly leftOut = computed(() =>
    this.forbidden()
      .map((change) => CHANGE_WORDS[change].short)
      .join(', '),
  );
  protected readonly ways = computed(() => {
    const planned = JSON.stringify([
      this.plan().zones,
      this.plan().rimFirst ?? false,
      this.plan().gumIn ?? [],
      this.plan().waxFootMm,
      this.plan().order,
    ]);
    const drawn = this.all().find((way) => way.changes.length === 0);
    return this.all()
      .slice(0, SHOWN)
      .map((way) => {
        const { zones, rimFirst, gumIn, waxFootMm, order } = way.plan;
        const take = { zones, rimFirst, gumIn, waxFootMm, order };
        return {
          key: way.changes.join(' ') + order.join(' '),
          title: titleOf(way.changes),
          changes: way.changes,
          why: riskWords(way, drawn).why,
          risk: riskWords(way, drawn).risk,
          tone: way.goodShare > 0.8 ? 'good' : way.goodShare > 0.5 ? 'look' : 'stop',
          cost: costWords(way, this.units),
          take,
          isPlanned: planned === JSON.stringify([zones, rimFirst ?? false, gumIn ?? [], waxFootMm, order]),
          steps: way.steps.map((step, at) => ({
            key: step.key,
            words: stepWords({ step, glazeName: this.glazes().find((glaze) => glaze.bucketId === step.layer?.bucketId)?.name, waxFootMm }),
            plan: step.kind === 'layer' ? planAfter({ plan: way.plan, steps: way.steps, done: at + 1 }) : undefined,
          })),
        };
      });
  });

  protected forbid(change: WayChange): void {
    this.forbidden.update((list) => [...list, change]);
  }
}
