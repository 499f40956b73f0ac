import type { ElementRef } from '@angular/core';
import { afterRenderEffect, ChangeDetectionStrategy, Component, DestroyRef, inject, input, viewChild } from '@angular/core';
import { CategoryScale, Chart, Filler, LinearScale, LineController, LineElement, PointElement, type ChartConfiguration } from 'chart.js';

Chart.register(LineController, LineElement, PointElement, LinearScale, CategoryScale, Filler);

export type LineChartConfig = ChartConfiguration<'line', { x: number; y: number }[]>;

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
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class LineChart {
  readonly config = input.required<LineChartConfig>();
  readonly words = input.required<string>();
  private readonly canvas = viewChild.required<ElementRef<HTMLCanvasElement>>('canvas');
  private chart: Chart<'line', { x: number; y: number }[]> | undefined;

  constructor() {
    afterRenderEffect(() => {
      const config = this.config();
      if (this.chart) {
        // Same chart, new numbers: it moves with the hand instead of being drawn anew.
        this.chart.data = config.data;
        this.chart.options = config.options ?? {};
        this.chart.update('none');
      } else this.chart = new Chart(this.canvas().nativeElement, config);
    });
    inject(DestroyRef).onDestroy(() => this.chart?.destroy());
  }
}

let looked: { theme: string; colours: Map<string, string> } | undefined;

/**
 * A colour token as the page has it now: canvas cannot read CSS variables. Looked up once a theme, for asking the page in the middle of
 * its making costs a layout each time.
 */
export function token(name: string): string {
  const theme = `${document.documentElement.dataset['theme'] ?? 'auto'} ${window.matchMedia?.('(prefers-color-scheme: dark)').matches ? 'dark' : 'light'}`;
  if (looked?.theme !== theme) looked = { theme, colours: new Map() };
  const known = looked.colours.get(name);
  if (known) return known;
  const colour = getComputedStyle(document.documentElement).getPropertyValue(name).trim();
  if (colour) looked.colours.set(name, colour);
  return colour || '#30231b';
}
