import { ChangeDetectionStrategy, Component, computed, DestroyRef, inject, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { type DayPerson, SOMEBODY } from '@cazuela/core';
import { format } from 'date-fns';
import { localMs } from '../../../data/units/times';
import { DateTimeField } from '../../../ui/date-time-field';
import { NumberField } from '../../../ui/number-field';
import { TextField } from '../../../ui/text-field';
import { DayScreen } from '../day-screen';
import { BlockPanel } from './block-panel';
import { DayPlans } from './day-plans';
import { DayTimeline, type DoneBar } from './day-timeline';
import { PeopleEditor } from './people-editor';
import { PlanQuality } from './plan-quality';

/** The day at a table: its timeline, who is there, until when, and how good the plan is. */
@Component({
  selector: 'cz-plan-panel',
  imports: [BlockPanel, DateTimeField, DayTimeline, MatButton, NumberField, PeopleEditor, PlanQuality, TextField],
  templateUrl: './plan-panel.html',
  styleUrl: './plan-panel.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PlanPanel {
  protected readonly screen = inject(DayScreen);
  private readonly picked = signal('');
  protected readonly tasks = computed(() => this.screen.timetable()?.tasks ?? []);
  protected readonly chosen = computed(() => this.tasks().find(({ step }) => step.id === this.picked()));
  protected readonly people = computed(() => {
    const named = this.screen.planning().people.map(({ name }) => name);
    const others = [...this.tasks().map(({ person }) => person), ...this.done().map(({ person }) => person)];
    const all = [...new Set([...named, ...others])];
    return all.length > 0 ? all : [SOMEBODY];
  });
  /** What was done, from about when it was begun. */
  protected readonly done = computed((): DoneBar[] => {
    const standing = this.screen.state()?.standing;
    if (!standing) return [];
    const seen = new Set<string>();
    return standing.lots.flatMap(({ item, open, readyMs }) =>
      item.steps.flatMap((step, at): DoneBar[] => {
        const end = standing.ended.get(step.id);
        // What was ticked before a lot was split is one bar.
        if (!end || end.skipped || seen.has(end.eventId)) return [];
        seen.add(end.eventId);
        const laborMs = step.laborSeconds * item.count * 1_000;
        const fromMs = Math.max(end.sinceMs, Date.parse(end.at) - laborMs);
        return [
          {
            stepId: step.id,
            itemId: item.id,
            name: item.name,
            words: step.words,
            person: end.by,
            fromAt: new Date(fromMs).toISOString(),
            untilAt: end.at,
            ...(at === open - 1 && open < item.steps.length && Number.isFinite(readyMs) ? { dryAt: new Date(readyMs).toISOString() } : {}),
          },
        ];
      }),
    );
  });
  protected readonly colours = computed(
    () =>
      new Map(
        this.tasks().flatMap(({ step }) =>
          step.bucketId ? [[step.bucketId, this.screen.buckets.find(step.bucketId)?.body.colour ?? ''] as const] : [],
        ),
      ),
  );
  protected readonly pinned = computed(() => new Set(this.screen.planning().pins.map(({ stepId }) => stepId)));
  protected readonly members = computed(() => this.screen.studio()?.members ?? []);
  protected readonly deadline = computed(() => {
    const at = this.screen.planning().deadlineAt;
    return at ? format(new Date(at), "yyyy-MM-dd'T'HH:mm") : '';
  });

  constructor() {
    const plans = inject(DayPlans);
    plans.isAtTable.set(true);
    inject(DestroyRef).onDestroy(() => plans.isAtTable.set(false));
  }

  protected choose(stepId: string): void {
    this.picked.set(stepId);
  }

  protected move({ stepId, person, notBeforeMs }: { stepId: string; person: string; notBeforeMs: number }): void {
    const isNamed = this.screen.planning().people.some(({ name }) => name === person);
    this.screen.plan((planning) => ({
      ...planning,
      pins: [
        ...planning.pins.filter((pin) => pin.stepId !== stepId),
        { stepId, ...(isNamed ? { person } : {}), notBeforeAt: new Date(notBeforeMs).toISOString() },
      ],
    }));
  }

  protected setPeople(people: DayPerson[]): void {
    this.screen.plan((planning) => ({ ...planning, people }));
  }

  protected setDeadline(text: string): void {
    const [date = '', time = ''] = text.split('T');
    this.screen.plan((planning) => ({ ...planning, deadlineAt: new Date(localMs(date, time)).toISOString() }));
  }

  protected setPlaces(places: number | null): void {
    const whole = places === null ? undefined : Math.round(places);
    this.screen.plan(({ dryingPlaces: _places, ...planning }) => ({ ...planning, ...(whole === undefined ? {} : { dryingPlaces: whole }) }));
  }

  protected nameDeadline(words: string): void {
    const named = words.trim();
    this.screen.plan(({ deadlineWords: _words, ...planning }) => ({ ...planning, ...(named ? { deadlineWords: named } : {}) }));
  }

  protected noDeadline(): void {
    this.screen.plan(({ deadlineAt: _at, deadlineWords: _words, ...planning }) => planning);
  }

  protected unpinAll(): void {
    this.screen.plan((planning) => ({ ...planning, pins: [] }));
  }

  protected first(itemId: string): void {
    const name = this.screen.state()?.standing.lots.find(({ item }) => item.id === itemId)?.item.name ?? 'These';
    this.screen.note(`${name} first`, { type: 'lotFirst', itemId });
  }
}
