import { ChangeDetectionStrategy, Component, computed, inject, linkedSignal, signal } from '@angular/core';
import { MatButton, MatIconButton } from '@angular/material/button';
import { MatTooltip } from '@angular/material/tooltip';
import { MatIcon } from '@angular/material/icon';
import { daysLeft } from '@cazuela/core';
import { PreferencesStore } from '../../../../data/state/preferences';
import { formatWhen } from '../../../../data/units/times';
import { Units } from '../../../../data/units/units';
import { Choice } from '../../../../ui/choice';
import { LineChart } from '../../../../parts/line-chart';
import { driftWords, eventWords, evaporatedWords } from '../../bucket-words';
import { BucketScreen } from '../bucket-screen';
import { historyChart, historySeries, movedWindow, type HistoryMode, type HistorySeries, type TimeWindow } from './history-chart';
import { TakeBack } from '../../../../parts/take-back';

/** Steps of the history shown at first, and added at a time. */
const NEWEST = 8;
const MORE = 100;

/** What time did to the bucket: drift, what evaporated since it was measured, its lid, the chart, every step. */
@Component({
  selector: 'cz-history-panel',
  imports: [Choice, LineChart, MatButton, MatIcon, MatIconButton, MatTooltip],
  templateUrl: './history-panel.html',
  styles: `
    :host {
      display: grid;
      gap: 0.6rem;
    }
    .spread,
    .row {
      display: flex;
      flex-wrap: wrap;
      gap: 0.6rem 1rem;
      align-items: end;
      justify-content: space-between;
    }
    .tools {
      gap: 0;
    }
    .chart {
      height: 13rem;
      cursor: grab;
    }
    .key {
      display: flex;
      flex-wrap: wrap;
      gap: 0.2rem 0.5rem;
      align-items: center;
    }
    .dot {
      width: 9px;
      height: 9px;
      margin-left: 0.6rem;
    }
    .measured {
      background: var(--cobalt);
      border-radius: 50%;
    }
    .water {
      background: var(--cobalt);
    }
    .powder {
      background: var(--iron);
    }
    .out {
      background: var(--rutile);
    }
    .drops {
      background: var(--copper);
    }
    .range {
      background: color-mix(in srgb, var(--copper) 18%, transparent);
    }
    .undone td {
      text-decoration: line-through;
      color: var(--iron-wash);
    }
    .nowrap {
      white-space: nowrap;
    }
    .back {
      padding: 0;
      width: 44px;
    }
    @media (max-width: 900px) {
      td:nth-child(2) {
        display: none;
      }
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class HistoryPanel {
  protected readonly screen = inject(BucketScreen);
  protected readonly units = inject(Units);
  private readonly preferences = inject(PreferencesStore).value;
  protected readonly when = formatWhen;
  protected readonly more = MORE;
  protected readonly most = signal(NEWEST);
  protected readonly mode = signal<HistoryMode>('sg');
  protected readonly modes = [
    ['sg', 'SG'],
    ['volume', 'volume'],
    ['dry', 'dry powder'],
  ] as const;
  protected readonly lids = [
    ['open', 'off'],
    ['closed', 'on'],
    ['untold', 'not told'],
  ] as const;
  protected readonly lid = computed(() => this.screen.contents()?.lid ?? 'untold');
  private readonly series = computed(() => historySeries(this.screen.history(), this.mode()));
  /** All of it, until somebody zooms in: then the window stays, also when something new comes in. */
  private readonly window = linkedSignal<HistorySeries | undefined, TimeWindow | undefined>({
    source: this.series,
    computation: (series, before) => {
      const [seen, whole] = [before?.value, before?.source?.all];
      const closer = seen && whole && seen.toMs - seen.fromMs < 0.999 * (whole.toMs - whole.fromMs);
      return closer ? seen : series?.all;
    },
  });
  protected readonly chart = computed(() => {
    // Read so that the chart is drawn again in the colours of the other theme.
    this.preferences();
    const [series, window, bucket] = [this.series(), this.window(), this.screen.bucket()];
    const look = { mode: this.mode(), units: this.units, moved: this.moved };
    return series && window && bucket ? historyChart(series, window, { ...look, range: bucket.body }) : undefined;
  });
  /** By a hand on the chart. */
  private readonly moved = (window: TimeWindow): void => this.window.set(window);
  protected readonly rows = computed(() =>
    this.screen
      .history()
      .slice(-this.most())
      .map((moment) => ({
        ...moment,
        words: eventWords(moment.event, this.units),
        canBack: moment.event.type !== 'filled' || moment.event.pairEventId !== undefined,
      }))
      .reverse(),
  );
  /** What its readings say of evaporation. */
  protected readonly drift = computed(() => {
    const [bucket, contents] = [this.screen.bucket(), this.screen.contents()];
    if (!bucket || !contents?.measuredAt) return '';
    return contents.drift ? driftWords(contents.drift, daysLeft({ contents, ...bucket.body, nowAt: this.screen.nowAt() }), this.units) : '';
  });
  protected readonly gone = computed(() => {
    const evaporated = this.screen.evaporated();
    if (!evaporated || evaporated.waterMl < 5) return undefined;
    // Outside its range it is corrected from a measurement, not by an estimate.
    const { sg } = this.screen.contents()!;
    const inRange = sg <= this.screen.bucket()!.body.sgHigh;
    // Less than the reading can be off is not worth pouring.
    const pourable = inRange && evaporated.lowMl > evaporated.readingErrorMl ? this.units.pourable(evaporated.lowMl) : 0;
    return { words: evaporatedWords(evaporated, this.units), pourable };
  });

  protected setLid(lid: 'open' | 'closed' | 'untold'): void {
    if (lid !== 'untold' && lid !== this.lid()) this.screen.note({ type: 'lidSet', lid });
  }

  protected topUp(millilitres: number): void {
    this.screen.note({ type: 'waterAdded', grams: millilitres, entered: { value: millilitres, unit: 'mL' } });
  }

  private readonly others = inject(TakeBack);

  protected undo(eventId: string): void {
    this.others.ask(
      this.screen.events().find((event) => event.id === eventId),
      () => this.screen.note({ type: 'undone', eventId }),
    );
  }

  protected move(change: { by?: number; times?: number }): void {
    const [series, window] = [this.series(), this.window()];
    if (series && window) this.window.set(movedWindow(window, series.all, change));
  }

  protected key(event: KeyboardEvent): void {
    const change = { ArrowLeft: { by: -0.2 }, ArrowRight: { by: 0.2 }, '+': { times: 0.5 }, '-': { times: 2 } }[event.key];
    if (!change) return;
    event.preventDefault();
    this.move(change);
  }
}
