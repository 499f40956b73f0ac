import { ChangeDetectionStrategy, Component, computed, input, linkedSignal, output, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import type { DayPerson, DayWork } from '@cazuela/core';
import { Checkbox } from '../../../ui/checkbox';
import { TimeField } from '../../../ui/time-field';
import { ASKED_WORK, WORK_WORDS } from '../day-words';

/** Where nobody said anything else. */
const USUAL: Omit<DayPerson, 'name'> = { fromTime: '09:00', untilTime: '17:00', breaks: [{ fromTime: '13:00', untilTime: '14:00' }], doesNotDo: [] };

/** Who glazes on the day: hours, breaks, and what they do not do. */
@Component({
  selector: 'cz-people-editor',
  imports: [Checkbox, MatButton, TimeField],
  template: `
    <ul class="plain-list ruled">
      @for (person of shown(); track person.name) {
        <li>
          <div class="who">
            <strong>{{ person.name }}</strong>
            <cz-time-field [label]="person.name + ' comes'" labelHidden [value]="person.fromTime" (changed)="change(person, { fromTime: $event })" />
            <span aria-hidden="true">to</span>
            <cz-time-field
              [label]="person.name + ' leaves'"
              labelHidden
              [value]="person.untilTime"
              (changed)="change(person, { untilTime: $event })"
            />
            <button
              type="button"
              matButton="text"
              [attr.aria-label]="person.name + ': breaks and work'"
              [attr.aria-expanded]="open() === person.name"
              (click)="toggle(person.name)"
            >
              {{ breaksWords(person) }}
            </button>
            <button type="button" matButton="text" [attr.aria-label]="person.name + ' does not come'" (click)="remove(person)">Not there</button>
          </div>
          @if (person.fromTime >= person.untilTime) {
            <p class="field-error" role="alert">{{ person.name }} leaves before coming: say a later time.</p>
          }
          @if (open() === person.name) {
            <div class="more">
              @for (pause of person.breaks; track $index) {
                <div class="who">
                  <span>Break</span>
                  <cz-time-field
                    [label]="person.name + ', break from'"
                    labelHidden
                    [value]="pause.fromTime"
                    (changed)="changeBreak(person, $index, { fromTime: $event })"
                  />
                  <span aria-hidden="true">to</span>
                  <cz-time-field
                    [label]="person.name + ', break until'"
                    labelHidden
                    [value]="pause.untilTime"
                    (changed)="changeBreak(person, $index, { untilTime: $event })"
                  />
                  <button type="button" matButton="text" [attr.aria-label]="'No break at ' + pause.fromTime" (click)="removeBreak(person, $index)">
                    None
                  </button>
                </div>
                @if (pause.fromTime >= pause.untilTime) {
                  <p class="field-error" role="alert">That break ends before it begins: say a later time.</p>
                }
              }
              <button type="button" matButton="text" (click)="addBreak(person)">Add a break</button>
              <p class="small quiet">{{ person.name }} does:</p>
              <div class="works">
                @for (work of works; track work) {
                  <cz-checkbox [label]="workWords[work]" [value]="!person.doesNotDo.includes(work)" (changed)="toggleWork(person, work, $event)" />
                }
              </div>
            </div>
          }
        </li>
      } @empty {
        <li class="quiet">Nobody is named: the plan is for one person, there from 07:00 to 22:00.</li>
      }
    </ul>
    <div class="row">
      @for (name of others(); track name) {
        <button type="button" matButton="outlined" [attr.aria-label]="name + ' comes too'" (click)="add(name)">+ {{ name }}</button>
      }
    </div>
  `,
  styles: `
    .who {
      display: flex;
      flex-wrap: wrap;
      align-items: center;
      gap: 0.5rem;
      padding: 0.25rem 0;
      strong {
        min-width: 4rem;
      }
    }
    cz-time-field {
      width: 7.4rem;
    }
    .more {
      padding: 0.2rem 0 0.8rem 1rem;
    }
    .works {
      display: flex;
      flex-wrap: wrap;
      gap: 0 1rem;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PeopleEditor {
  readonly people = input.required<readonly DayPerson[]>();
  readonly members = input.required<readonly string[]>();
  readonly changed = output<DayPerson[]>();
  /** The same people, read anew from the records, are no news: what is being mended stays. */
  private readonly told = computed(() => this.people(), { equal: (a, b) => JSON.stringify(a) === JSON.stringify(b) });
  /** With hours that cannot be, until they are mended. */
  protected readonly shown = linkedSignal(() => this.told());
  protected readonly open = signal('');
  protected readonly works = ASKED_WORK;
  protected readonly workWords = WORK_WORDS;
  protected readonly others = computed(() => this.members().filter((name) => !this.shown().some((person) => person.name === name)));

  private set(people: readonly DayPerson[]): void {
    this.shown.set(people);
    if (people.every(isPossible)) this.changed.emit([...people]);
  }

  protected breaksWords({ breaks, doesNotDo }: DayPerson): string {
    const pauses = breaks.length === 0 ? 'no break' : `break ${breaks.map(({ fromTime, untilTime }) => `${fromTime}–${untilTime}`).join(', ')}`;
    return doesNotDo.length === 0 ? pauses : `${pauses}; not: ${doesNotDo.map((work) => WORK_WORDS[work]).join(', ')}`;
  }

  protected toggle(name: string): void {
    this.open.update((open) => (open === name ? '' : name));
  }

  protected add(name: string): void {
    const like = this.shown()[0];
    this.set([...this.shown(), { ...USUAL, ...(like ? { fromTime: like.fromTime, untilTime: like.untilTime, breaks: like.breaks } : {}), name }]);
  }

  protected remove({ name }: DayPerson): void {
    this.set(this.shown().filter((person) => person.name !== name));
  }

  protected change({ name }: DayPerson, change: Partial<DayPerson>): void {
    this.set(this.shown().map((person) => (person.name === name ? { ...person, ...change } : person)));
  }

  protected changeBreak(person: DayPerson, at: number, change: Partial<DayPerson['breaks'][number]>): void {
    this.change(person, { breaks: person.breaks.map((pause, index) => (index === at ? { ...pause, ...change } : pause)) });
  }

  protected removeBreak(person: DayPerson, at: number): void {
    this.change(person, { breaks: person.breaks.filter((_, index) => index !== at) });
  }

  protected addBreak(person: DayPerson): void {
    this.change(person, { breaks: [...person.breaks, { fromTime: '13:00', untilTime: '14:00' }] });
  }

  protected toggleWork(person: DayPerson, work: DayWork, does: boolean): void {
    const left = person.doesNotDo.filter((one) => one !== work);
    this.change(person, { doesNotDo: does ? left : [...left, work] });
  }
}

const isPossible = ({ fromTime, untilTime, breaks }: DayPerson): boolean =>
  fromTime < untilTime && breaks.every((pause) => pause.fromTime < pause.untilTime);
