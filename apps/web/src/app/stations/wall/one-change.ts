import { ChangeDetectionStrategy, Component, computed, inject, input, linkedSignal, output, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { RouterLink } from '@angular/router';
import type { Firing, Result, ResultChangeBody } from '@cazuela/contract';
import { CHANGES, helpedBefore, type FaultPlace, type FiredFault, type ResultChange } from '@cazuela/core';
import { createMutation } from '../../data/http/mutation';
import { ResultChanges, type LedgerEntry } from '../../data/results/result-changes';
import { formatWhen } from '../../data/units/times';
import { Units } from '../../data/units/units';
import { percentOf } from '../../parts/words/chance-words';
import { Notice } from '../../ui/notice';
import { TextField } from '../../ui/text-field';
import { changeWords, outcomeWords, TO_FAULT } from './change-words';

const BECOMES = {
  plan: 'It becomes a new version of the plan.',
  schedule: 'It becomes a new version of the schedule.',
  kiln: 'It goes onto the card of the kiln.',
  window: 'It becomes a new version of the window of this glaze on this clay.',
  recipe: 'It becomes a new version of the recipe where its clay stands calcined on the shelf too; else it is done there by hand.',
  bucket: 'It is done at the bucket; the ledger keeps it.',
  habit: 'The ledger keeps it.',
} as const;
const PAGES = { plan: '/piece', recipe: '/recipe', schedule: '/kiln/schedules', kiln: '/kiln/kilns' } as const;

const pageOf = ({ what, id }: NonNullable<ResultChangeBody['became']>): { path: string[]; query: Record<string, string> } =>
  what === 'window' ? { path: ['/coat'], query: { window: id } } : { path: [PAGES[what], id], query: {} };

/** One thing to do otherwise next time, with what it should do: made with one tap, or refused with why. */
@Component({
  selector: 'cz-one-change',
  imports: [MatButton, RouterLink, TextField],
  template: `
    @for (done of decided(); track done.id) {
      <p class="done">
        <strong>{{ done.words }}.</strong> {{ done.what }}
        @if (done.link; as link) {
          <a [routerLink]="link.path" [queryParams]="link.query">Look at it</a>
        }
        <span [class]="done.tone"> {{ done.outcome }}</span>
      </p>
    }
    @if (open()[0]; as change) {
      <div class="box">
        <p class="quiet small">{{ decided().length > 0 ? 'What else could be done' : 'One change for next time' }}</p>
        <p class="words">{{ words(change) }}</p>
        <p>
          The chance {{ toFault() }}: <strong class="figure">{{ percent(change.chanceBefore) }}</strong> as it was,
          <strong class="figure">{{ percent(change.chanceAfter) }}</strong> with it. <span class="quiet">{{ before(change) }}</span>
        </p>
        <div class="row">
          <button type="button" matButton="filled" [disabled]="working.busy()" (click)="make(change)">Make this change</button>
          <button type="button" matButton="outlined" [attr.aria-expanded]="refusing()" (click)="refusing.set(!refusing())">Not this one</button>
          <span class="quiet small">{{ becomes(change) }}</span>
        </div>
        @if (refusing()) {
          <form class="field-row" aria-label="Why not" (submit)="$event.preventDefault(); refuse(change)">
            <cz-text-field label="Why not" [longest]="200" [value]="reason()" (changed)="reason.set($event)" />
            <button type="submit" matButton="outlined" [disabled]="working.busy()">Keep that</button>
          </form>
        }
        @if (working.failure(); as failure) {
          <p class="field-error" role="alert">{{ failure.problem.detail }}</p>
        }
      </div>
      @if (open().length > 1) {
        <p class="quiet small">
          Or:
          @for (other of open().slice(1, 4); track other.kind) {
            <button type="button" matButton="text" (click)="preferred.set(other.kind)">{{ words(other) }} ({{ percent(other.chanceAfter) }})</button>
          }
        </p>
      }
    }
  `,
  styles: `
    :host {
      display: grid;
      gap: 0.5rem;
      margin: 0.5rem 0 1rem;
    }
    .box {
      display: grid;
      gap: 0.5rem;
      padding: 0.8rem 1rem;
      border: 2px solid var(--iron);
      border-radius: 10px;
      background: var(--paper);
    }
    .words {
      font: 600 1.25rem var(--heading);
    }
    .row {
      flex-wrap: wrap;
    }
    cz-text-field {
      width: min(24rem, 100%);
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class OneChange {
  readonly result = input.required<Result>();
  readonly fault = input.required<FiredFault>();
  readonly where = input.required<FaultPlace>();
  /** Best first. */
  readonly changes = input.required<readonly ResultChange[]>();
  readonly firing = input<Firing>();
  readonly ledger = input<readonly LedgerEntry[]>([]);
  readonly decidedNow = output<void>();
  private readonly units = inject(Units);
  private readonly maker = inject(ResultChanges);
  private readonly notice = inject(Notice);
  protected readonly working = createMutation();
  protected readonly percent = percentOf;
  protected readonly refusing = signal(false);
  protected readonly reason = signal('');
  /** Another one was tapped. */
  protected readonly preferred = linkedSignal<string>(() => this.changes()[0]?.kind ?? '');
  protected readonly toFault = computed(() => TO_FAULT[this.fault()]);
  private readonly own = computed(() =>
    this.ledger().filter(({ entry: { body } }) => body.resultId === this.result().id && body.fault === this.fault() && body.where === this.where()),
  );
  protected readonly decided = computed(() =>
    this.own().map(({ entry: { id, body }, outcome }) => {
      const isMade = body.decision === 'made';
      const who = `${body.by}, ${formatWhen(body.at)}`;
      const told = outcomeWords(outcome);
      return {
        id,
        words: changeWords(body.kind, body, this.units),
        what: isMade
          ? `Made by ${who}${body.became ? `: version ${body.became.version} of the ${body.became.what}.` : '.'}`
          : `Not wanted by ${who}${body.reason ? `: ${body.reason}` : ''}.`,
        link: body.became && pageOf(body.became),
        outcome: isMade ? `${told.words.charAt(0).toUpperCase()}${told.words.slice(1)}.` : '',
        tone: told.tone,
      };
    }),
  );
  /** Those that nobody decided on; the one that was tapped first. */
  protected readonly open = computed(() => {
    const known = new Set(this.own().map(({ entry }) => entry.body.kind));
    const left = this.changes().filter(({ kind }) => !known.has(kind));
    const first = left.find(({ kind }) => kind === this.preferred());
    return first ? [first, ...left.filter((change) => change !== first)] : left;
  });

  protected words(change: ResultChange): string {
    return changeWords(change.kind, change, this.units);
  }

  protected becomes({ kind }: ResultChange): string {
    const { changes } = CHANGES[kind];
    if (kind === 'closerFit')
      return 'It becomes a new version of the recipe, from the powders of the studio, marked untested: try it on a tile, in boiling and in freezing water.';
    if (changes === 'schedule' && !this.firing()?.body.schedule) return 'No schedule was noted with this firing: the ledger keeps it.';
    return BECOMES[changes];
  }

  /** How often such a change helped here. */
  protected before({ kind }: ResultChange): string {
    const made = this.ledger()
      .filter(({ entry }) => entry.body.decision === 'made')
      .map(({ entry, outcome }) => ({ change: { ...entry.body, madeAt: entry.body.at }, outcome }));
    const { tried, helped } = helpedBefore({ kind, fault: this.fault() }, made);
    return tried === 0 ? 'Not tried here yet.' : `Such a change helped here ${helped} of ${tried} ${tried === 1 ? 'time' : 'times'}.`;
  }

  protected make(change: ResultChange): void {
    this.decide(this.maker.make(this.asked(change), this.firing()), 'The change is made.');
  }

  protected refuse(change: ResultChange): void {
    this.decide(this.maker.refuse(this.asked(change), this.reason().trim()), 'Kept in the ledger.');
  }

  private asked(change: ResultChange): Parameters<ResultChanges['refuse']>[0] {
    return { result: this.result(), fault: this.fault(), where: this.where(), change };
  }

  private decide(work: ReturnType<ResultChanges['make']>, words: string): void {
    this.working.run(work, () => {
      this.notice.tell(words);
      this.refusing.set(false);
      this.reason.set('');
      this.decidedNow.emit();
    });
  }
}
