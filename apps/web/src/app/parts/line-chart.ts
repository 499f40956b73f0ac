import { type ElementRef, afterRenderEffect, ChangeDetectionStrategy, Component, DestroyRef, inject, input, output, viewChild } from '@angular/core';
import { CategoryScale, Chart, Filler, LinearScale, LineController, LineElement, PointElement, type ChartConfiguration } from 'chart.js';
import { leaveField } from '../ui/leave-field';

Chart.register(LineController, LineElement, PointElement, LinearScale, CategoryScale, Filler);
Chart.defaults.font = { family: "'Atkinson Hyperlegible Next Variable', sans-serif", size: 14, weight: 500 };

export type LineChartConfig = ChartConfiguration<'line', { x: number; y: number }[]>;

/** Where the pointer is in a chart, in its own units, and how much of them a pixel is. */
export interface ChartPoint {
  x: number;
  y: number;
  perPixelX: number;
  perPixelY: number;
}

/** Chart.js on a canvas, with the same in words for those who cannot see it. */
@Component({
  selector: 'cz-line-chart',
  template: `<canvas #canvas role="img" [attr.aria-label]="words()"></canvas>`,
  styles: `
    :host {
      display: block;
      position: relative;
      min-height: 12rem;
    }
    canvas {
      position: absolute;
      inset: 0;
    }
    :host(.draggable) {
      cursor: grab;
      touch-action: none;
    }
    :host(.draggable:active) {
      cursor: grabbing;
    }
    /* The zoom plugin takes all touches for itself; the page must still scroll under a thumb. */
    :host(.pannable) canvas {
      touch-action: pan-y !important;
    }
    @media (max-width: 700px) {
      /* On a phone the page must still scroll under a thumb; the fields beside it do the same. */
      :host(.draggable) {
        touch-action: pan-y;
      }
    }
  `,
  host: {
    '[class.draggable]': 'draggable()',
    '(pointerdown)': 'take($event)',
    '(pointermove)': 'move($event)',
    '(pointerup)': 'drop()',
    '(pointercancel)': 'drop()',
  },
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class LineChart {
  readonly config = input.required<LineChartConfig>();
  readonly words = input.required<string>();
  readonly draggable = input(false);
  readonly grabbed = output<ChartPoint>();
  readonly dragged = output<ChartPoint>();
  readonly dropped = output<void>();
  private isHeld = false;
  private optionsTold = '';
  private readonly canvas = viewChild.required<ElementRef<HTMLCanvasElement>>('canvas');
  private chart: Chart<'line', { x: number; y: number }[]> | undefined;

  constructor() {
    afterRenderEffect(() => {
      const config = this.config();
      if (this.chart) this.moveTo(this.chart, config);
      else this.chart = new Chart(this.canvas().nativeElement, config);
    });
    inject(DestroyRef).onDestroy(() => this.chart?.destroy());
  }

  /** The same chart with new numbers is updated in place while something is dragged; unchanged parts are not computed again. */
  private moveTo(chart: Chart<'line', { x: number; y: number }[]>, { data, options = {} }: LineChartConfig): void {
    const { datasets } = chart.data;
    if (datasets.length === data.datasets.length) data.datasets.forEach((dataset, index) => Object.assign(datasets[index]!, dataset));
    else chart.data = data;
    // Another function may depend on other values than the last one, so options with a new function are replaced.
    const told = JSON.stringify(options, (_key, value: unknown) => (typeof value === 'function' ? numberOf(value) : value));
    if (told !== this.optionsTold) chart.options = options;
    this.optionsTold = told;
    chart.update('none');
  }

  protected take(event: PointerEvent): void {
    const point = this.draggable() && event.isPrimary ? this.pointAt(event) : undefined;
    if (!point) return;
    leaveField();
    this.isHeld = true;
    this.canvas().nativeElement.setPointerCapture?.(event.pointerId);
    event.preventDefault();
    this.grabbed.emit(point);
  }

  protected move(event: PointerEvent): void {
    const point = this.isHeld ? this.pointAt(event) : undefined;
    if (point) this.dragged.emit(point);
  }

  protected drop(): void {
    if (!this.isHeld) return;
    this.isHeld = false;
    this.dropped.emit();
  }

  private pointAt(event: PointerEvent): ChartPoint | undefined {
    const [xs, ys] = [this.chart?.scales['x'], this.chart?.scales['y']];
    if (!xs || !ys) return undefined;
    const box = this.canvas().nativeElement.getBoundingClientRect();
    const [left, top] = [event.clientX - box.left, event.clientY - box.top];
    const [x, y, x1, y1] = [xs.getValueForPixel(left), ys.getValueForPixel(top), xs.getValueForPixel(left + 1), ys.getValueForPixel(top + 1)];
    if (x === undefined || y === undefined || x1 === undefined || y1 === undefined) return undefined;
    return { x, y, perPixelX: Math.abs(x1 - x), perPixelY: Math.abs(y1 - y) };
  }
}

const functionNumbers = new WeakMap<object, number>();
let functionCount = 0;
/** The same function has the same number for as long as the page lives. */
function numberOf(one: object): string {
  const known = functionNumbers.get(one) ?? ++functionCount;
  functionNumbers.set(one, known);
  return `function ${known}`;
}
