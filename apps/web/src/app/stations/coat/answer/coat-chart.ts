import type { CoatCurvePoint, CoatObservation, CoatWindow } from '@cazuela/core';
import type { ComparisonCurve } from './comparison-curves';
import type { LineChartConfig } from '../../../parts/line-chart';
import { token } from '../../../parts/token';

/** Readings at an SG further away than this are drawn hollow: they belong to another curve. */
const SAME_SG = 0.015;
/** Lines of the comparison curves, each with its own dash. */
export const COMPARISON_COLOURS = ['--rutile', '--iron-wash', '--copper', '--iron'] as const;
const DASHES = [
  [9, 4],
  [3, 3],
  [12, 3, 3, 3],
  [2, 5],
];

/** The unit stands once, at the end of its axis. */
const unitAtTheEnd =
  (unit: string) =>
  (value: string | number, at: number, all: readonly unknown[]): string =>
    `${value}${at === all.length - 1 ? ` ${unit}` : ''}`;
const SECONDS = unitAtTheEnd('s');
const MILLIMETRES = unitAtTheEnd('mm');

/** Coat against seconds with the 80 % bands of the next dip and, darker, of the mean, the wanted coat as a line, the chosen time as a point, measured dips as diamonds. */
export function coatChart(
  curve: readonly CoatCurvePoint[],
  marks: {
    coatMm: number;
    seconds: number;
    atSecondsMm: number | undefined;
    dips?: readonly CoatObservation[];
    sg: number;
    window?: CoatWindow | undefined;
    also?: readonly ComparisonCurve[];
    /** Axes that stay fixed during a drag. */
    held?: { mostSeconds: number; mostMm: number } | undefined;
  },
): LineChartConfig {
  const dips = marks.dips ?? [];
  const ink = token('--iron-wash');
  const last = marks.held?.mostSeconds ?? curve.at(-1)?.seconds ?? 6;
  const level = (y: number): { x: number; y: number }[] => [
    { x: 0, y },
    { x: last, y },
  ];
  // Where the glaze looks right on this body.
  const right = marks.window
    ? [
        { data: level(marks.window.thickMm), borderWidth: 0, pointRadius: 0, backgroundColor: `${token('--copper')}2e`, fill: '+1' },
        { data: level(marks.window.thinMm), borderWidth: 0, pointRadius: 0 },
      ]
    : [];
  return {
    type: 'line',
    data: {
      datasets: [
        ...right,
        {
          data: curve.map((point) => ({ x: point.seconds, y: point.highMm })),
          borderWidth: 0,
          pointRadius: 0,
          backgroundColor: `${token('--cobalt')}26`,
          fill: '+1',
        },
        { data: curve.map((point) => ({ x: point.seconds, y: point.lowMm })), borderWidth: 0, pointRadius: 0 },
        {
          data: curve.map((point) => ({ x: point.seconds, y: point.meanHighMm })),
          borderWidth: 0,
          pointRadius: 0,
          backgroundColor: `${token('--cobalt')}33`,
          fill: '+1',
        },
        { data: curve.map((point) => ({ x: point.seconds, y: point.meanLowMm })), borderWidth: 0, pointRadius: 0 },
        {
          data: curve.map((point) => ({ x: point.seconds, y: point.coatMm })),
          borderColor: token('--cobalt'),
          borderWidth: 3,
          pointRadius: 0,
          tension: 0.2,
        },
        {
          data: [
            { x: 0, y: marks.coatMm },
            { x: last, y: marks.coatMm },
          ],
          borderColor: token('--copper'),
          borderWidth: 1.5,
          borderDash: [6, 5],
          // What can be dragged.
          pointRadius: [0, 7],
          pointBackgroundColor: token('--copper'),
          clip: false,
        },
        ...(marks.also ?? []).map((one, index) => ({
          data: one.points,
          borderColor: token(COMPARISON_COLOURS[index % COMPARISON_COLOURS.length]!),
          borderWidth: 2,
          borderDash: DASHES[index % DASHES.length]!,
          pointRadius: 0,
        })),
        {
          data: marks.atSecondsMm === undefined ? [] : [{ x: marks.seconds, y: marks.atSecondsMm }],
          pointRadius: 7,
          pointBackgroundColor: token('--iron'),
          borderWidth: 0,
        },
        {
          data: dips.map((dip) => ({ x: dip.seconds, y: dip.coatMm })),
          showLine: false,
          pointStyle: 'rectRot',
          pointRadius: 6,
          pointBorderColor: token('--rutile'),
          pointBorderWidth: 2,
          pointBackgroundColor: dips.map((dip) => (Math.abs(dip.situation.sg - marks.sg) <= SAME_SG ? token('--rutile') : 'transparent')),
        },
      ],
    },
    options: {
      animation: false,
      responsive: true,
      maintainAspectRatio: false,
      events: [],
      scales: {
        x: {
          type: 'linear',
          min: 0,
          max: last,
          grid: { display: false },
          border: { color: ink, width: 1.5 },
          ticks: { color: ink, maxTicksLimit: 7, callback: SECONDS },
        },
        y: {
          beginAtZero: true,
          ...(marks.held ? { max: marks.held.mostMm } : { suggestedMax: marks.coatMm * 1.6 }),
          grid: { color: token('--line'), tickLength: 0 },
          border: { display: false, dash: [2, 5] },
          ticks: { color: ink, padding: 8, maxTicksLimit: 6, callback: MILLIMETRES },
        },
      },
    },
  };
}
