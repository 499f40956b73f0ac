import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { MatButton } from '@angular/material/button';
import type { DayHelp, DayItem, Timetable } from '@cazuela/core';
import { formatDayTime } from '../../../data/units/times';
import { percentOf } from '../../../parts/words/chance-words';
import { HELP_WORDS } from '../day-words';
import { DayScreen } from '../day-screen';
import { DayPlans } from './day-plans';

const MOST_HELPS = 4;

/** How good the plan is: when hands are done, what is proven, how sure it is, and what would help most. */
@Component({
  selector: 'cz-plan-quality',
  imports: [MatButton],
  template: `
    @if (timetable(); as table) {
      @if (table.finishAt) {
        <p class="answer">
          <span class="figure">{{ at(table.finishAt) }}</span> <span>hands are done</span>
        </p>
        <p class="small">{{ proof() }}</p>
        @if (odds(); as words) {
          <p class="small">{{ words }}</p>
        }
        @if (late(); as words) {
          <p class="look" role="alert">{{ words }}</p>
        }
        @for (lot of crowded(); track lot.item.id) {
          <p class="small look">
            {{ lot.item.count }} × {{ lot.item.name }} are more than there are places for wet pots: they stand alone, and all else waits.
            <button type="button" matButton="text" (click)="splitLot(lot)">{{ lot.words }}</button>
          </p>
        }
        @if (plans.quality()?.pinsMinutes; as minutes) {
          <p class="small look">What is held fast costs {{ whole(minutes) }} min.</p>
        }
        @if (helps().length > 0) {
          <h3>What would help most</h3>
          <ol class="plain-list">
            @for (help of helps(); track help.words) {
              <li>
                {{ help.words }}: <strong>{{ help.saves }}</strong>
                @if (help.split; as split) {
                  <button type="button" matButton="text" (click)="splitLot(split)">{{ split.words }}</button>
                }
              </li>
            }
          </ol>
          <p class="quiet small">Each was planned by a short search, and so was the day it is compared with.</p>
        }
      } @else {
        <p class="quiet">Nothing is left to plan.</p>
      }
    }
    @if (plans.isSearching()) {
      <p class="quiet small" role="status">Looking for a shorter day…</p>
    }
    @if (plans.failure(); as words) {
      <p class="field-error" role="alert">{{ words }}</p>
    }
  `,
  styles: `
    .answer {
      font: 500 1.1rem var(--text);
      .figure {
        font-size: 2.1rem;
        font-weight: 600;
      }
    }
    h3 {
      margin-top: 0.8rem;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PlanQuality {
  readonly timetable = input.required<Timetable | undefined>();
  protected readonly plans = inject(DayPlans);
  private readonly screen = inject(DayScreen);
  /** Which lot is to be split, in words. */
  private splitOf({ split }: DayHelp): { item: DayItem; count: number; words: string } | undefined {
    const item = split && this.screen.state()?.standing.lots.find((lot) => lot.item.id === split.itemId)?.item;
    return item && split.count < item.count
      ? { item, count: split.count, words: `Split off ${split.count} of ${item.count} × ${item.name}` }
      : undefined;
  }

  /** Lots larger than all places to dry: each in parts that fit. */
  protected readonly crowded = computed(() => {
    const places = this.screen.planning().dryingPlaces ?? Infinity;
    return (this.screen.state()?.standing.lots ?? []).flatMap(({ item, open }) => {
      if (item.count <= places || open === item.steps.length) return [];
      const count = item.count - Math.ceil(item.count / Math.ceil(item.count / places));
      return [{ item, count, words: `Split off ${count} of them` }];
    });
  });

  protected splitLot({ item, count, words }: { item: DayItem; count: number; words: string }): void {
    this.screen.split(item, count, words);
  }

  protected readonly at = (time: string): string => formatDayTime(time, this.screen.nowAt());
  protected readonly whole = Math.round;
  protected readonly proof = computed(() => {
    const [plan, finishAt] = [this.plans.plan(), this.timetable()?.finishAt];
    if (!plan || !finishAt) return '';
    if (plan.isProven) return 'No plan can be done before: every order was looked at, or its least is reached.';
    const gap = Math.round((Date.parse(finishAt) - Date.parse(plan.boundAt)) / 60_000);
    return gap < 1
      ? 'No plan can be done a minute sooner.'
      : `No plan can be done before ${this.at(plan.boundAt)}; this one is ${gap} min over that.`;
  });
  protected readonly odds = computed(() => {
    const quality = this.plans.quality();
    if (!quality) return '';
    const { likelyMinutes, deadlineChance, draws } = quality.odds;
    const likely = this.at(new Date(quality.fromMs + likelyMinutes * 60_000).toISOString());
    const chance = deadlineChance === undefined ? '' : ` The chance to be ready in time is ${percentOf(deadlineChance)}.`;
    return `In four of five days by ${likely}.${chance} From ${draws.toLocaleString('en-GB')} draws in which labor and waits scatter. ${this.ground()}`;
  });
  /** What labor stands on. */
  private ground(): string {
    const spells = this.screen.learning.laborSpells();
    return spells === 0
      ? 'Labor is a starting guess, until ticks have taught it.'
      : `Labor is learnt from ${spells} ${spells === 1 ? 'spell' : 'spells'} of work here, where there are any.`;
  }

  /** By the deadline it cannot be done: the best of three ways out. */
  protected readonly late = computed(() => {
    const table = this.timetable();
    const deadlineAt = this.screen.planning().deadlineAt;
    if (!table?.dryAt || !deadlineAt || Date.parse(table.dryAt) <= Date.parse(deadlineAt) + 1_000) return '';
    const helps = this.plans.quality()?.helps ?? [];
    const best = helps.find(({ help }) => help === 'onePerson');
    const fewer = helps.find(({ help }) => help === 'fewer');
    const outs = [
      `load it at ${this.at(table.dryAt)}`,
      ...(fewer ? [`leave two pieces for another day (${saved(fewer)})`] : []),
      ...(best ? [`ask one more person (${saved(best)})`] : []),
    ];
    return `Not all is dry by ${this.at(deadlineAt)}. Ways out: ${outs.join('; ')}.`;
  });
  protected readonly helps = computed(() =>
    (this.plans.quality()?.helps ?? [])
      .slice(0, MOST_HELPS)
      .map((help) => ({ words: HELP_WORDS[help.help], saves: saved(help), split: this.splitOf(help) })),
  );
}

const saved = ({ savesMinutes, lateSavesMinutes }: { savesMinutes: number; lateSavesMinutes: number }): string =>
  savesMinutes >= 1 ? `${Math.round(savesMinutes)} min sooner` : `${Math.round(lateSavesMinutes)} min less late`;
