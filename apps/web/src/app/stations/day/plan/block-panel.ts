import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { MatButton } from '@angular/material/button';
import type { TimetableTask } from '@cazuela/core';
import { format } from 'date-fns';
import { formatDayTime, localMs } from '../../../data/units/times';
import { SelectField } from '../../../ui/select-field';
import { TimeField } from '../../../ui/time-field';
import { DayScreen } from '../day-screen';

const ANYBODY = '';

/** The block that is chosen in the timeline: what it is, and what is held fast of it. */
@Component({
  selector: 'cz-block-panel',
  imports: [MatButton, SelectField, TimeField],
  template: `
    <h3>{{ task().step.words }}</h3>
    <p>{{ task().item.count }} × {{ task().item.name }}{{ task().item.code ? ', lot ' + task().item.code : '' }}</p>
    <p class="small quiet">{{ times() }}</p>
    @if (task().isBegun) {
      <p class="small">{{ task().person }} is at it.</p>
    } @else {
      <div class="field-row">
        <cz-select label="Done by" [options]="people()" [value]="pin()?.person ?? ''" (changed)="pinPerson($event)" />
        <cz-time-field label="Not before" [value]="notBefore()" (changed)="pinTime($event)" />
      </div>
      <div class="row">
        @if (pin()) {
          <button type="button" matButton="outlined" (click)="unpin()">Let it go again</button>
        }
        <button type="button" matButton="outlined" (click)="first.emit(task().item.id)">These pots first</button>
      </div>
    }
  `,
  styles: `
    cz-select {
      width: 11rem;
    }
    cz-time-field {
      width: 8rem;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class BlockPanel {
  readonly task = input.required<TimetableTask>();
  readonly first = output<string>();
  private readonly screen = inject(DayScreen);
  protected readonly pin = computed(() => this.screen.planning().pins.find(({ stepId }) => stepId === this.task().step.id));
  protected readonly people = computed(() => [
    [ANYBODY, 'whoever is best'] as const,
    ...this.screen.planning().people.map(({ name }) => [name, name] as const),
  ]);
  protected readonly notBefore = computed(() => {
    const at = this.pin()?.notBeforeAt;
    return at ? format(new Date(at), 'HH:mm') : '';
  });
  protected readonly times = computed(() => {
    const { startAt, endAt, dryAt, person, step } = this.task();
    const at = (time: string): string => formatDayTime(time, this.screen.nowAt());
    return `${person}, ${at(startAt)} to ${at(endAt)}${step.waitMinutes > 0 ? `, the last one dry at ${at(dryAt)}` : ''}`;
  });

  protected pinPerson(person: string): void {
    this.hold({ person: person || undefined });
  }

  protected pinTime(time: string): void {
    const date = format(new Date(this.task().startAt), 'yyyy-MM-dd');
    this.hold({ notBeforeAt: new Date(localMs(date, time)).toISOString() });
  }

  protected unpin(): void {
    this.screen.plan((planning) => ({ ...planning, pins: planning.pins.filter(({ stepId }) => stepId !== this.task().step.id) }));
  }

  private hold(change: { person?: string | undefined; notBeforeAt?: string }): void {
    const stepId = this.task().step.id;
    this.screen.plan((planning) => {
      const { person, notBeforeAt } = { ...planning.pins.find((pin) => pin.stepId === stepId), ...change };
      const others = planning.pins.filter((pin) => pin.stepId !== stepId);
      if (!person && !notBeforeAt) return { ...planning, pins: others };
      return { ...planning, pins: [...others, { stepId, ...(person ? { person } : {}), ...(notBeforeAt ? { notBeforeAt } : {}) }] };
    });
  }
}
