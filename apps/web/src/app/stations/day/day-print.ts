import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { formatDate, formatDayTime } from '../../data/units/times';
import { Units } from '../../data/units/units';
import { DayScreen } from './day-screen';

/** On paper: one page for each person, and one for the wall. */
@Component({
  selector: 'cz-day-print',
  template: `
    @for (person of people(); track person.name) {
      <section>
        <h1>{{ title() }}: {{ person.name }}</h1>
        <table>
          <thead>
            <tr>
              <th scope="col">from</th>
              <th scope="col">until</th>
              <th scope="col">what</th>
              <th scope="col">pots</th>
              <th scope="col">dry at</th>
              <th scope="col">done</th>
            </tr>
          </thead>
          <tbody>
            @for (task of person.tasks; track task.step.id) {
              <tr>
                <td>{{ at(task.startAt) }}</td>
                <td>{{ at(task.endAt) }}</td>
                <td>{{ task.step.words }}{{ task.step.coatMm ? ', ' + units.coat(task.step.coatMm) : '' }}</td>
                <td>{{ task.item.code ? task.item.code + ': ' : '' }}{{ task.item.count }} × {{ task.item.name }}</td>
                <td>{{ task.step.waitMinutes > 0 ? at(task.dryAt) : '' }}</td>
                <td>□</td>
              </tr>
            }
          </tbody>
        </table>
      </section>
    }
    <section>
      <h1>{{ title() }}: for the wall</h1>
      @for (lot of lots(); track lot.item.id) {
        <h2>{{ lot.item.code ? lot.item.code + ': ' : '' }}{{ lot.item.count }} × {{ lot.item.name }}</h2>
        <ol>
          @for (row of lot.rows; track row.step.id) {
            <li>
              {{ row.state === 'done' ? '✓' : row.state === 'skipped' ? '–' : '□' }} {{ row.step.words }} <em>{{ row.who }}</em>
            </li>
          }
        </ol>
      }
    </section>
  `,
  styles: `
    :host {
      display: none;
    }
    @media print {
      :host {
        display: block;
      }
      section {
        break-after: page;
      }
      section:last-child {
        break-after: auto;
      }
      table {
        width: 100%;
        border-collapse: collapse;
      }
      th,
      td {
        padding: 0.25rem 0.4rem;
        border-bottom: 1px solid #000;
        text-align: left;
        vertical-align: top;
      }
      li {
        list-style: none;
      }
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class DayPrint {
  private readonly screen = inject(DayScreen);
  protected readonly units = inject(Units);
  protected readonly title = computed(() => formatDate(`${this.screen.date()}T12:00:00`));
  protected readonly at = (time: string): string => formatDayTime(time, `${this.screen.date()}T12:00:00`);
  private readonly tasks = computed(() => this.screen.timetable()?.tasks ?? []);
  protected readonly people = computed(() =>
    [...new Set(this.tasks().map(({ person }) => person))].map((name) => ({ name, tasks: this.tasks().filter(({ person }) => person === name) })),
  );
  protected readonly lots = computed(() => {
    const state = this.screen.state();
    return (state?.standing.lots ?? []).map(({ item }) => ({
      item,
      rows: (state?.steps ?? [])
        .filter((row) => row.item.id === item.id)
        .map((row) => {
          const task = this.tasks().find(({ step }) => step.id === row.step.id);
          const by = row.doneBy && row.doneAt ? `${row.doneBy}, ${this.at(row.doneAt)}` : '';
          return { ...row, who: task ? `${task.person}, ${this.at(task.startAt)}` : by };
        }),
    }));
  });
}
