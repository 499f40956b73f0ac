import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { dropsCounted, epsomDose, turningPoint } from '@cazuela/core';
import { Units } from '../../../data/units';
import { LineChart, token, type LineChartConfig } from '../../../parts/line-chart';
import { doseWords, turnWords } from '../bucket-words';
import { BucketScreen } from './bucket-screen';

/** Epsom brine by the drop: every drop counted, the dose and its ceiling always in sight, the response drawn with its turning point. */
@Component({
  selector: 'cz-drop-counter',
  imports: [LineChart],
  template: `
    @if (dose(); as it) {
      <div class="sides">
        <button type="button" class="drop" [disabled]="it.zone === 'ceiling'" (click)="add(1)">
          One drop in<br /><span class="figure">{{ counted().drops }}</span>
        </button>
        <div class="stack">
          <p role="status">
            <span class="figure">{{ counted().drops }}</span> drops are {{ millilitres() }} or {{ grams() }}:
            <span class="figure">{{ percent() }}</span> of the dry glaze.
          </p>
          <p [class]="says().tone">{{ says().words }}</p>
          <span class="row">
            <button type="button" class="press quiet-press" [disabled]="it.dropsLeft < 5" (click)="add(5)">Five drops</button>
            <button type="button" class="press bare" [disabled]="!last()" (click)="back()">Take the last back</button>
          </span>
          @if (it.bySyringe) {
            <p class="quiet small">So many drops are surer by syringe: 1 mL of saturated brine is 20 drops.</p>
          }
          <p class="quiet small">Saturated Epsom brine, a drop at a time; stir a minute, then time the swirl above. It needs clay to act on.</p>
        </div>
      </div>
      @if (chart(); as drawn) {
        <cz-line-chart [config]="drawn" [words]="turn() || 'Swirl seconds after each dose'" />
      }
      @if (turn(); as words) {
        <p>{{ words }}</p>
      }
    }
  `,
  styles: `
    .sides {
      display: grid;
      grid-template-columns: 11rem minmax(0, 1fr);
      gap: 1.4rem;
      margin: 0.6rem 0;
    }
    .drop {
      min-height: 9rem;
      border: 2px solid var(--cobalt);
      border-radius: 50% 50% 50% 12%;
      background: none;
      color: var(--cobalt);
      font: 650 1.15rem var(--text);
      cursor: pointer;
      .figure {
        font-size: 2.4rem;
      }
      &:disabled {
        border-style: dashed;
        color: var(--iron-wash);
        border-color: var(--line);
        cursor: default;
      }
    }
    @media (max-width: 700px) {
      .sides {
        grid-template-columns: minmax(0, 1fr);
      }
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class DropCounter {
  private readonly screen = inject(BucketScreen);
  private readonly units = inject(Units);
  protected readonly counted = computed(() => dropsCounted({ events: this.screen.events() }));
  protected readonly dose = computed(() => {
    const contents = this.screen.contents();
    return contents && contents.dryGrams > 0 ? epsomDose({ drops: this.counted().drops, dryGrams: contents.dryGrams }) : undefined;
  });
  protected readonly says = computed(() => doseWords(this.dose()!));
  protected readonly grams = computed(() => `${this.units.plain(this.dose()!.grams)} g`);
  protected readonly millilitres = computed(() => `${this.units.plain(this.dose()!.millilitres)} mL`);
  protected readonly percent = computed(() => `${this.units.plain(this.dose()!.percent)} %`);
  protected readonly turn = computed(() => turnWords(turningPoint({ points: this.counted().swirls })));
  /** The last drops that were not taken back yet. */
  protected readonly last = computed(() => {
    const events = this.screen.events();
    const undone = new Set(events.flatMap((event) => (event.type === 'undone' ? [event.eventId] : [])));
    return events.filter((event) => event.type === 'dropsAdded' && !undone.has(event.id)).at(-1);
  });
  protected readonly chart = computed((): LineChartConfig | undefined => {
    const { swirls } = this.counted();
    if (swirls.length < 2) return undefined;
    const ink = token('--iron-wash');
    const line = token('--line');
    const axis = (text: string): object => ({
      type: 'linear',
      title: { display: true, text, color: ink },
      ticks: { color: ink },
      grid: { color: line },
    });
    const points = [...swirls].sort((a, b) => a.drops - b.drops).map(({ drops, seconds }) => ({ x: drops, y: seconds }));
    return {
      type: 'line',
      data: { datasets: [{ data: points, borderColor: token('--cobalt'), backgroundColor: token('--cobalt'), pointRadius: 4 }] },
      options: {
        animation: false,
        maintainAspectRatio: false,
        plugins: { legend: { display: false } },
        scales: { x: axis('drops'), y: { ...axis('seconds until it stops'), min: 0 } },
      } as LineChartConfig['options'] & object,
    };
  });

  protected add(drops: number): void {
    this.screen.note({ type: 'dropsAdded', drops });
  }

  protected back(): void {
    const last = this.last();
    if (last) this.screen.note({ type: 'undone', eventId: last.id });
  }
}
