import type { BucketMoment } from '@cazuela/core';
import { format } from 'date-fns';
import { token, type LineChartConfig } from '../../../parts/line-chart';

/** SG over time with the wanted range as a band; measured points are marked. Nothing below two readings. */
export function sgChart(
  history: readonly BucketMoment[],
  range: { sgLow: number; sgHigh: number },
): { config: LineChartConfig; words: string } | undefined {
  const moments = history.filter((moment) => !moment.undone && moment.sg !== undefined);
  if (moments.length < 2) return undefined;
  const points = moments.map((moment) => ({ x: Date.parse(moment.event.at), y: moment.sg! }));
  const first = points[0]!;
  const last = points.at(-1)!;
  const edge = (y: number): { x: number; y: number }[] => [
    { x: first.x, y },
    { x: last.x, y },
  ];
  const measured = moments.filter((moment) => moment.event.type === 'sgMeasured').length;
  const ink = token('--iron-wash');
  return {
    words: `SG over time: ${moments.length} steps, ${measured} of them measured, from ${first.y.toFixed(2)} to ${last.y.toFixed(2)}.`,
    config: {
      type: 'line',
      data: {
        datasets: [
          { data: edge(range.sgHigh), borderWidth: 0, pointRadius: 0, backgroundColor: `${token('--copper')}2e`, fill: 1 },
          { data: edge(range.sgLow), borderWidth: 0, pointRadius: 0 },
          {
            data: points,
            borderColor: token('--iron'),
            borderWidth: 1.5,
            stepped: 'after',
            clip: 8,
            pointRadius: moments.map((moment) => (moment.event.type === 'sgMeasured' ? 3.5 : 0)),
            pointBackgroundColor: token('--cobalt'),
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
            min: first.x,
            max: last.x,
            grid: { display: false },
            ticks: { color: ink, maxTicksLimit: 7, callback: (value) => format(new Date(Number(value)), 'd MMM') },
          },
          y: {
            grid: { color: token('--line') },
            ticks: { color: ink, callback: (value) => Number(value).toFixed(2) },
            title: { display: true, text: 'SG', color: ink },
          },
        },
      },
    },
  };
}
