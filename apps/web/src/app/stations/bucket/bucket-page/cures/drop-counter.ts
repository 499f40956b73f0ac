import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { MatButton } from '@angular/material/button';
import { dropDose, dropGrams, dropsCounted, offeredDose, thinnestPoint, turningPoint, type DropKind, type ReadingAfter } from '@cazuela/core';
import { Units } from '../../../../data/units/units';
import { LineChart, type LineChartConfig } from '../../../../parts/line-chart';
import { token } from '../../../../parts/token';
import { NumberField } from '../../../../ui/number-field';
import { TapTimer } from '../../../../parts/tap-timer';
import { DROP_NAMES, doseWords, keptWords, thinnestWords, turnWords } from './cure-words';
import { BucketScreen } from '../bucket-screen';

/** Brine or silicate by the drop: every drop is counted, the dose and its most are always visible, the response is drawn with its turning point. */
@Component({
  selector: 'cz-drop-counter',
  imports: [LineChart, MatButton, NumberField, TapTimer],
  templateUrl: './drop-counter.html',
  styles: `
    :host {
      display: grid;
      gap: 0.5rem;
    }
    .sides {
      display: grid;
      grid-template-columns: 11rem minmax(0, 1fr) 12rem;
      gap: 1.4rem;
      margin: 0.6rem 0;
    }
    .drop {
      min-height: 10rem;
      border: 2px solid var(--cobalt);
      border-radius: 50% 50% 50% 12%;
      background: none;
      color: var(--cobalt);
      font: 650 1.15rem var(--text);
      cursor: pointer;
      touch-action: manipulation;
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
    @media (max-width: 900px) {
      .sides {
        grid-template-columns: minmax(0, 1fr);
      }
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class DropCounter {
  readonly of = input<DropKind>('epsom');
  protected readonly screen = inject(BucketScreen);
  private readonly units = inject(Units);
  protected readonly epsomHow = 'Saturated Epsom brine. It needs clay to act on; it does not change the SG.';
  protected readonly silicateHow =
    'Liquid sodium silicate: wear eye protection, it dries to glass. It thins without water, up to a point, and stays in for good.';
  protected readonly seconds = signal<number | null>(null);
  private readonly justKept = signal(false);
  protected readonly counted = computed(() => dropsCounted({ events: this.screen.events(), of: this.of() }));
  private readonly insideGrams = computed(() => this.screen.contents()?.additives?.[this.of() === 'epsom' ? 'epsomGrams' : 'silicateGrams'] ?? 0);
  protected readonly dose = computed(() => {
    const contents = this.screen.contents();
    return contents && contents.dryGrams > 0 ? dropDose({ grams: this.insideGrams(), of: this.of(), dryGrams: contents.dryGrams }) : undefined;
  });
  protected readonly verdict = computed(() => doseWords(this.dose()!, this.of()));
  protected readonly grams = computed(() => `${this.units.plain(this.dose()!.grams)} g`);
  protected readonly millilitres = computed(() => `${this.units.plain(this.dose()!.millilitres)} mL`);
  protected readonly percent = computed(() => `${this.units.plain(this.dose()!.percent)} %`);
  private readonly points = computed<ReadingAfter[]>(() => (this.of() === 'epsom' ? this.counted().swirls : this.counted().flows));
  private readonly thinnest = computed(() => thinnestPoint({ points: this.points() }));
  protected readonly past = computed(() => this.of() === 'silicate' && this.thinnest().kind === 'past');
  private readonly turned = computed(() => turningPoint({ points: this.points() }));
  protected readonly turn = computed(() =>
    this.of() === 'epsom' ? { tone: 'ink', words: turnWords(this.turned()) } : thinnestWords(this.thinnest(), this.units),
  );
  private readonly turnDrops = computed(() => {
    const point = this.of() === 'epsom' ? this.turned() : this.thinnest();
    return point.kind === 'ok' || point.kind === 'past' || point.kind === 'thinnest' ? point.drops : undefined;
  });
  private readonly kept = computed(() => this.screen.bucket()?.body.doses?.find((dose) => dose.of === this.of()));
  /** The dose that worked in the bucket before, for this one. */
  protected readonly offered = computed(() => {
    const [kept, contents, bucket] = [this.kept(), this.screen.contents(), this.screen.bucket()];
    if (!kept || !contents || !bucket || kept.fromCode === bucket.code) return '';
    const dose = offeredDose({ kept, dryGrams: contents.dryGrams, insideGrams: this.insideGrams() });
    return dose.drops > 0 ? keptWords(kept, dose, this.units) : '';
  });
  protected readonly keptSays = computed(() => {
    const kept = this.kept();
    const contents = this.screen.contents();
    if (!this.justKept() || !kept || !contents) return '';
    const perLitre = (kept.gramsPerDryKg * contents.dryGrams) / contents.volumeMl / dropGrams({ drops: 1, of: this.of() });
    return `Kept: about ${Math.round(perLitre)} drops a litre. The next bucket of it is offered this, by its dry weight.`;
  });
  /** The last drops that were not taken back. */
  protected readonly last = computed(() =>
    this.screen
      .history()
      .filter(({ event, undone }) => !undone && event.type === 'dropsAdded' && (event.of ?? 'epsom') === this.of())
      .at(-1),
  );
  protected readonly chart = computed((): LineChartConfig | undefined => {
    const sorted = [...this.points()].sort((a, b) => a.drops - b.drops).map(({ drops, seconds }) => ({ x: drops, y: seconds }));
    return sorted.length < 2 ? undefined : responseChart(sorted, this.turnDrops(), this.of() === 'epsom' ? 'swirl, s' : 'flow cup, s');
  });

  protected add(drops: number): void {
    const of = this.of();
    this.screen.note({ type: 'dropsAdded', drops, ...(of === 'epsom' ? {} : { of }) });
    this.justKept.set(false);
  }

  protected back(): void {
    const last = this.last();
    if (last) this.screen.note({ type: 'undone', eventId: last.event.id });
  }

  protected keep(): void {
    const seconds = this.seconds();
    if (!seconds) return;
    this.screen.note({ type: this.of() === 'epsom' ? 'swirlTimed' : 'flowTimed', seconds });
    this.seconds.set(null);
  }

  protected keepDose(): void {
    const [bucket, contents] = [this.screen.bucket()!, this.screen.contents()!];
    const dose = {
      of: this.of(),
      gramsPerDryKg: (1000 * this.insideGrams()) / contents.dryGrams,
      fromCode: bucket.code,
      at: new Date().toISOString(),
    };
    const others = (bucket.body.doses ?? []).filter((one) => one.of !== this.of());
    this.screen.change({ doses: [...others, dose] }, () => this.justKept.set(true));
  }

  protected readonly names = DROP_NAMES;
}

function responseChart(points: { x: number; y: number }[], turnDrops: number | undefined, yTitle: string): LineChartConfig {
  const ink = token('--iron-wash');
  const axis = (text: string): object => ({
    type: 'linear',
    title: { display: true, text, color: ink },
    ticks: { color: ink },
    grid: { color: token('--line') },
  });
  const top = Math.max(...points.map((point) => point.y));
  const mark = [
    { x: turnDrops ?? 0, y: 0 },
    { x: turnDrops ?? 0, y: top },
  ];
  return {
    type: 'line',
    data: {
      datasets: [
        { data: points, borderColor: token('--cobalt'), backgroundColor: token('--cobalt'), pointRadius: 4 },
        ...(turnDrops === undefined ? [] : [{ data: mark, borderColor: token('--rutile'), borderDash: [6, 4], borderWidth: 2, pointRadius: 0 }]),
      ],
    },
    options: {
      animation: false,
      maintainAspectRatio: false,
      plugins: { legend: { display: false } },
      scales: { x: axis('drops'), y: { ...axis(yTitle), min: 0 } },
    } as LineChartConfig['options'] & object,
  };
}
