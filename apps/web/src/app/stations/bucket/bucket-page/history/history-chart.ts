import { DAY_MS, type BucketMoment } from '@cazuela/core';
import { Chart } from 'chart.js';
import annotation from 'chartjs-plugin-annotation';
import zoom from 'chartjs-plugin-zoom';
import { format } from 'date-fns';
import type { LineChartConfig } from '../../../../parts/line-chart';
import { token } from '../../../../parts/token';
import type { Units } from '../../../../data/units/units';

Chart.register(zoom, annotation);

export type HistoryMode = 'sg' | 'volume' | 'dry';
export interface TimeWindow {
  fromMs: number;
  toMs: number;
}

interface Dot {
  x: number;
  y: number;
}
const MARK_KINDS = ['water', 'powder', 'out', 'drops'] as const;
type MarkKind = (typeof MARK_KINDS)[number];

export interface HistorySeries {
  points: Dot[];
  measured: Dot[];
  /** What went in or out, for the marks below the curve. */
  marks: Record<MarkKind, Dot[]>;
  all: TimeWindow;
}

/** More points than the screen has columns are thinned to lowest and highest. */
const MOST_POINTS = 320;
const MOST_MARKS = 80;
const MARKS: Partial<Record<BucketMoment['event']['type'], MarkKind>> = {
  waterAdded: 'water',
  waterPouredOff: 'water',
  powderAdded: 'powder',
  filled: 'powder',
  glazeTaken: 'out',
  dropsAdded: 'drops',
  gumAdded: 'drops',
};

/** What the chart of a bucket shows in one mode; undefined with fewer than two points. */
export function historySeries(history: readonly BucketMoment[], mode: HistoryMode): HistorySeries | undefined {
  const points: Dot[] = [];
  const measured: Dot[] = [];
  const marks: HistorySeries['marks'] = { water: [], powder: [], out: [], drops: [] };
  for (const { event, undone, sg, volumeMl, dryGrams } of history) {
    const y = mode === 'sg' ? sg : mode === 'volume' ? volumeMl : dryGrams;
    if (undone || y === undefined) continue;
    const dot = { x: Date.parse(event.at), y };
    points.push(dot);
    if (event.type === (mode === 'sg' ? 'sgMeasured' : 'volumeMeasured')) measured.push(dot);
    const kind = MARKS[event.type];
    if (kind) marks[kind].push(dot);
  }
  if (points.length < 2) return undefined;
  const [fromMs, toMs] = [points[0]!.x, points.at(-1)!.x];
  return { points, measured, marks, all: { fromMs, toMs: Math.max(toMs, fromMs + 60_000) } };
}

/** The narrowest window is so many times narrower than all of it. */
const CLOSEST = 400;

/** The visible window: its points and one to each side, thinned to what the screen can show. */
export function thinned<Point extends { x: number; y: number }>(points: readonly Point[], { fromMs, toMs }: TimeWindow, most = MOST_POINTS): Point[] {
  const first = Math.max(0, firstFrom(points, fromMs) - 1);
  const last = Math.min(points.length, firstFrom(points, toMs) + 2);
  const inside = points.slice(first, last);
  if (inside.length <= most) return inside;
  const width = Math.ceil(inside.length / (most / 2));
  const kept: Point[] = [];
  for (let start = 0; start < inside.length; start += width) {
    const some = inside.slice(start, start + width);
    const low = some.reduce((a, b) => (b.y < a.y ? b : a));
    const high = some.reduce((a, b) => (b.y > a.y ? b : a));
    kept.push(...(low === high ? [low] : low.x <= high.x ? [low, high] : [high, low]));
  }
  return kept;
}

/** The window moved by a share of its width, or widened; never beyond the data. */
export function movedWindow(window: TimeWindow, all: TimeWindow, change: { by?: number; times?: number }): TimeWindow {
  const whole = all.toMs - all.fromMs;
  const width = Math.min(whole, Math.max(whole / CLOSEST, (window.toMs - window.fromMs) * (change.times ?? 1)));
  const middle = (window.fromMs + window.toMs) / 2 + (change.by ?? 0) * (window.toMs - window.fromMs);
  const fromMs = Math.min(all.toMs - width, Math.max(all.fromMs, middle - width / 2));
  return { fromMs, toMs: fromMs + width };
}

/**
 * The chart of one mode in one window: the curve, its measured points, what went in and out below, and the SG it should have as a band. Dragged,
 * pinched, or zoomed with the wheel and Ctrl; each time `moved` is told the window that is now seen.
 */
export function historyChart(
  series: HistorySeries,
  window: TimeWindow,
  look: { mode: HistoryMode; range: { sgLow: number; sgHigh: number }; units: Units; moved: (window: TimeWindow) => void },
): { config: LineChartConfig; words: string } {
  const { mode, range, units, moved } = look;
  const points = thinned(series.points, window);
  const readings = thinned(series.measured, window, MOST_POINTS / 2);
  const say = (value: number): string => (mode === 'sg' ? units.sg(value) : mode === 'volume' ? units.litres(value) : units.mass(value));
  const values = points.map((point) => point.y);
  const [low, high] = [Math.min(...values), Math.max(...values)];
  // Below the curve, one row for each kind; otherwise the marks of one visit would overlap.
  const row = (high - low || 0.01) * 0.07;
  const foot = (kind: MarkKind): number => low - row * (1.5 + MARK_KINDS.indexOf(kind));
  const ink = token('--iron-wash');
  const colour = { water: token('--cobalt'), powder: token('--iron'), out: token('--rutile'), drops: token('--copper') };
  const dots = { borderWidth: 0, showLine: false, clip: 8 } as const;
  // One row of marks in four colours: each dataset costs the chart as much as its curve.
  const marked = MARK_KINDS.flatMap((kind) =>
    thinned(series.marks[kind], window, MOST_MARKS).map(({ x }) => ({ x, y: foot(kind), colour: colour[kind] })),
  );
  const marks = {
    ...dots,
    data: marked,
    pointStyle: 'rect' as const,
    pointRadius: 3,
    pointBackgroundColor: marked.map((mark) => mark.colour),
    pointBorderWidth: 0,
  };
  const band = {
    type: 'box',
    yMin: range.sgLow,
    yMax: range.sgHigh,
    borderWidth: 0,
    backgroundColor: `${token('--copper')}2e`,
    drawTime: 'beforeDatasetsDraw',
    adjustScaleRange: true,
  } as const;
  const tell = ({ chart }: { chart: { scales: Record<string, { min: number; max: number }> } }): void =>
    moved({ fromMs: chart.scales['x']!.min, toMs: chart.scales['x']!.max });
  const format_ = window.toMs - window.fromMs > 2 * DAY_MS ? 'd MMM' : 'd MMM HH:mm';
  return {
    words: `${{ sg: 'SG', volume: 'Volume', dry: 'Dry powder' }[mode]} over time: ${series.points.length} steps, ${series.measured.length} of them measured, from ${say(series.points[0]!.y)} to ${say(series.points.at(-1)!.y)}. Seen from ${format(window.fromMs, format_)} to ${format(window.toMs, format_)}.`,
    config: {
      type: 'line',
      data: {
        datasets: [
          { data: points, borderColor: token('--iron'), borderWidth: 1.5, stepped: 'after', clip: 8, pointRadius: 0 },
          { ...dots, data: readings, pointRadius: 3.5, pointBackgroundColor: token('--cobalt'), pointBorderWidth: 0 },
          marks,
        ],
      },
      options: {
        animation: false,
        responsive: true,
        maintainAspectRatio: false,
        parsing: false,
        normalized: true,
        events: [],
        plugins: {
          annotation: { annotations: mode === 'sg' ? { band } : {} },
          zoom: {
            limits: { x: { min: series.all.fromMs, max: series.all.toMs, minRange: (series.all.toMs - series.all.fromMs) / CLOSEST } },
            pan: { enabled: true, mode: 'x', onPan: tell },
            zoom: { mode: 'x', wheel: { enabled: true, modifierKey: 'ctrl' }, pinch: { enabled: true }, onZoom: tell },
          },
        },
        scales: {
          x: {
            type: 'linear',
            min: window.fromMs,
            max: window.toMs,
            grid: { display: false },
            ticks: {
              color: ink,
              maxTicksLimit: 7,
              maxRotation: 0,
              includeBounds: false,
              callback: (value) => format(new Date(Number(value)), format_),
            },
          },
          y: {
            grace: '8%',
            grid: { color: token('--line') },
            ticks: { color: ink, maxTicksLimit: 6, callback: (value) => say(Number(value)) },
          },
        },
      },
    },
  };
}

function firstFrom(points: readonly { x: number }[], ms: number): number {
  let [low, high] = [0, points.length];
  while (low < high) {
    const middle = (low + high) >> 1;
    if (points[middle]!.x < ms) low = middle + 1;
    else high = middle;
  }
  return low;
}
