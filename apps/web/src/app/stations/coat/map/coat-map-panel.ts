import {
  afterRenderEffect,
  ChangeDetectionStrategy,
  Component,
  computed,
  DestroyRef,
  inject,
  signal,
  viewChild,
  type ElementRef,
} from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { TOO_THICK_CELL, type CoatMap, type CoatWindow } from '@cazuela/core';
import { filter, Observable, switchMap } from 'rxjs';
import { PreferencesStore } from '../../../data/state/preferences';
import { Units } from '../../../data/units/units';
import { token } from '../../../parts/token';
import type { MapAnswer, MapQuestion } from './coat-map-protocol';
import { coatMapWorker } from './coat-map.worker-factory';
import { CoatScreen } from '../coat-screen';

const CELLS = 200;
/** How far the map reaches around the bucket's SG. */
const SG_REACH = 0.14;
/** Without a window, coats this much above and below the wanted one count as right. */
const NEAR_SHARE = 0.1;
const SG_TICKS = 5;

/** Every coat up to a thicker bucket and a longer dip, the right ones as a band. A tap takes those seconds and that SG. */
@Component({
  selector: 'cz-coat-map-panel',
  template: `
    <figure>
      <span class="sg-axis" aria-hidden="true">
        @for (tick of sgTicks(); track tick) {
          <span class="figure">{{ tick }}</span>
        }
      </span>
      <div class="field">
        <canvas
          #canvas
          width="200"
          height="200"
          role="img"
          [attr.aria-label]="said()"
          (pointerdown)="take($event)"
          (pointermove)="move($event)"
        ></canvas>
        @for (label of labels(); track label.words) {
          <span class="label" [style.left.%]="label.left" [style.top.%]="label.top" aria-hidden="true">{{ label.words }}</span>
        }
        @if (mark(); as at) {
          <span class="mark" [style.left.%]="at.left" [style.top.%]="at.top" aria-hidden="true"></span>
        }
      </div>
      <span class="time-axis figure" aria-hidden="true"
        ><span>0 s</span><span>{{ units.seconds(asked()?.mostSeconds ?? 0) }}</span></span
      >
      <figcaption class="quiet small">{{ said() }} Tap the map to take its seconds and SG; the fields beside it do the same.</figcaption>
    </figure>
    @if (failure(); as words) {
      <p class="look" role="alert">{{ words }}</p>
    }
  `,
  styles: `
    figure {
      display: grid;
      grid-template-columns: 3.4rem minmax(0, 1fr);
      gap: 0.3rem 0.5rem;
      margin: 0;
    }
    .sg-axis {
      display: flex;
      flex-direction: column;
      justify-content: space-between;
      text-align: right;
    }
    .field {
      position: relative;
      height: 21rem;
    }
    canvas {
      width: 100%;
      height: 100%;
      border: 1px solid var(--line);
      cursor: crosshair;
      touch-action: pan-y;
    }
    .label {
      position: absolute;
      transform: translate(-50%, -50%);
      padding: 0 0.4rem;
      background: color-mix(in srgb, var(--paper) 82%, transparent);
      border-radius: 4px;
      pointer-events: none;
      white-space: nowrap;
    }
    .mark {
      position: absolute;
      width: 18px;
      height: 18px;
      margin: -9px;
      border: 3px solid var(--iron);
      border-radius: 50%;
      background: var(--paper);
      pointer-events: none;
    }
    .time-axis {
      grid-column: 2;
      display: flex;
      justify-content: space-between;
    }
    figcaption {
      grid-column: 1 / -1;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class CoatMapPanel {
  private readonly screen = inject(CoatScreen);
  protected readonly units = inject(Units);
  private readonly preferences = inject(PreferencesStore).value;
  private readonly canvas = viewChild.required<ElementRef<HTMLCanvasElement>>('canvas');
  private readonly worker = coatMapWorker();
  private asks = 0;
  protected readonly failure = signal('');
  /** The middle of the map stays where it was while the SG is changed on it. */
  private readonly middleSg = computed(() => this.screen.bucket()?.contents?.sg ?? 1.45);
  protected readonly asked = computed(() => {
    const situation = this.screen.situation();
    const result = this.screen.result();
    if (!situation || result?.kind !== 'ok') return undefined;
    const { sg: _sg, ...rest } = situation;
    const lowSg = Math.max(1.02, this.middleSg() - SG_REACH);
    return {
      situation: rest,
      lowSg,
      highSg: Math.min(2.2, this.middleSg() + SG_REACH),
      mostSeconds: 10,
      columns: CELLS,
      rows: CELLS,
    };
  });
  /** Compared as text: moving about on the map asks for no new one. */
  private readonly question = computed(() => ({ question: this.asked(), knowledge: this.screen.knowledge() }), {
    equal: (a, b) => JSON.stringify(a) === JSON.stringify(b),
  });
  private readonly map = toSignal(
    toObservable(this.question).pipe(
      filter(({ question }) => question !== undefined),
      switchMap(({ question, knowledge }) => this.ask({ ask: ++this.asks, question: question!, knowledge })),
    ),
  );
  /** The band that counts as right, and whether a window said so. */
  private readonly band = computed(() => {
    const [window, coatMm] = [this.screen.window(), this.screen.question().coatMm ?? 0.6];
    return window
      ? { thinMm: window.thinMm, thickMm: window.thickMm, told: true }
      : { thinMm: coatMm * (1 - NEAR_SHARE), thickMm: coatMm * (1 + NEAR_SHARE), told: false };
  });
  protected readonly said = computed(() => {
    const { thinMm, thickMm, told } = this.band();
    const range = `${this.units.coat(thinMm)} to ${this.units.coat(thickMm)}`;
    return told ? `Band: right on this body, ${range}.` : `Band: the coat wanted within a tenth, ${range}; no window is told yet.`;
  });
  protected readonly sgTicks = computed(() => {
    const asked = this.asked();
    if (!asked) return [];
    return Array.from({ length: SG_TICKS }, (_, index) => this.units.sg(asked.highSg - ((asked.highSg - asked.lowSg) * index) / (SG_TICKS - 1)));
  });
  protected readonly mark = computed(() => {
    const [asked, sg, seconds] = [this.asked(), this.screen.sg(), this.screen.question().seconds];
    if (!asked || sg === null || seconds === null) return undefined;
    const [left, top] = [(100 * seconds) / asked.mostSeconds, (100 * (asked.highSg - sg)) / (asked.highSg - asked.lowSg)];
    return left > 100 || top < 0 || top > 100 ? undefined : { left, top };
  });
  /** A word on each region that is large enough for one. */
  protected readonly labels = computed(() => {
    const map = this.map();
    return map ? regionLabels(map, this.band()) : [];
  });

  constructor() {
    inject(DestroyRef).onDestroy(() => this.worker.terminate());
    afterRenderEffect(() => {
      this.preferences();
      const [map, band] = [this.map(), this.band()];
      if (map) paint(this.canvas().nativeElement, map, band);
    });
  }

  protected move(event: PointerEvent): void {
    if (event.buttons === 1) this.take(event);
  }

  protected take(event: PointerEvent): void {
    const asked = this.asked();
    if (!asked) return;
    const box = this.canvas().nativeElement.getBoundingClientRect();
    const [x, y] = [(event.clientX - box.left) / box.width, (event.clientY - box.top) / box.height];
    this.screen.change({
      seconds: Number((x * asked.mostSeconds).toFixed(1)),
      sg: Number((asked.highSg - y * (asked.highSg - asked.lowSg)).toFixed(3)),
    });
  }

  /** Asks the worker; unsubscribing drops the answer. */
  private ask(question: MapQuestion): Observable<CoatMap> {
    return new Observable((subscriber) => {
      this.worker.onmessage = ({ data }: MessageEvent<MapAnswer>) => {
        if (data.ask !== question.ask) return;
        this.failure.set(data.kind === 'failed' ? data.message : '');
        if (data.kind === 'map') subscriber.next(data.map);
      };
      this.worker.postMessage(question);
    });
  }
}

type Band = Pick<CoatWindow, 'thinMm' | 'thickMm'>;
type Region = 'tooThick' | 'thin' | 'right' | 'thick';

function regionOf(coatMm: number, { thinMm, thickMm }: Band): Region {
  if (coatMm === TOO_THICK_CELL) return 'tooThick';
  return coatMm < thinMm ? 'thin' : coatMm > thickMm ? 'thick' : 'right';
}

const TINTS: Record<Region, [name: string, alpha: number]> = {
  thin: ['--slip', 255],
  right: ['--copper', 150],
  thick: ['--rutile', 140],
  tooThick: ['--iron-wash', 150],
};
const REGION_WORDS: Record<Region, string> = { thin: 'thin', right: 'right', thick: 'thick', tooThick: 'too thick to dip' };
/** A region smaller than this share of the map gets no word. */
const LEAST_SHARE = 0.04;

function paint(canvas: HTMLCanvasElement, map: CoatMap, band: Band): void {
  const context = canvas.getContext('2d');
  if (!context) return;
  const { rows, columns, coatMm } = map;
  const tints = Object.fromEntries(Object.entries(TINTS).map(([region, [name, alpha]]) => [region, [...rgb(token(name)), alpha]])) as Record<
    Region,
    number[]
  >;
  const image = context.createImageData(columns, rows);
  for (let row = 0; row < rows; row++) {
    for (let column = 0; column < columns; column++) {
      // The thickest SG lies on top.
      const at = 4 * ((rows - 1 - row) * columns + column);
      image.data.set(tints[regionOf(coatMm[row * columns + column]!, band)], at);
    }
  }
  context.putImageData(image, 0, 0);
}

/** A place well inside each region, as shares of the map: for a word on it, because colour alone says nothing. */
function regionLabels({ rows, columns, coatMm }: CoatMap, band: Band): { words: string; left: number; top: number }[] {
  const cells: Record<Region, number[]> = { tooThick: [], thin: [], right: [], thick: [] };
  coatMm.forEach((mm, index) => cells[regionOf(mm, band)].push(index));
  return Object.entries(cells)
    .filter(([, own]) => own.length > LEAST_SHARE * rows * columns)
    .map(([region, own]) => {
      // Cells come row by row: the middle one lies in the middle row, and the middle of its run is well inside however the region bends.
      const row = Math.floor(own[own.length >> 1]! / columns);
      const run = own.filter((index) => Math.floor(index / columns) === row).map((index) => index % columns);
      const column = run[run.length >> 1]!;
      return { words: REGION_WORDS[region as Region], left: (100 * column) / columns, top: (100 * (rows - 1 - row)) / rows };
    });
}

function rgb(colour: string): [number, number, number] {
  const match = /^#([0-9a-f]{2})([0-9a-f]{2})([0-9a-f]{2})$/i.exec(colour);
  return match ? (match.slice(1).map((pair) => parseInt(pair, 16)) as [number, number, number]) : [128, 128, 128];
}
