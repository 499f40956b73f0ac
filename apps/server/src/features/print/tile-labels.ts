import { formatFixed, seriesSheet, type SeriesStep } from '@cazuela/core';
import type { SeriesBody } from '@cazuela/contract';
import type { Call } from '../../http/route';
import { seriesById } from '../series/read-series';
import { labelPages, labelsAsked } from './label-pages';
import { MM } from './paper';
import { sendPdf } from './weigh-sheet';

/** A label for each tile of a series, in the order of its steps: code, what is in it, of which glaze. */
export async function tileLabelsPdf({ context, studioId, id, query, response }: Call<unknown>): Promise<void> {
  const series = await seriesById(context, studioId, id);
  const { steps } = seriesSheet({ code: series.code, question: series.body });
  const asked = labelsAsked(query, steps.length);
  const pad = 3;
  const doc = await labelPages(`Tiles of ${series.code}`, asked, (page, { xMm, yMm, index }) => {
    const step = steps[index % steps.length]!;
    const [left, width] = [(xMm + pad) * MM, (asked.size.widthMm - 2 * pad) * MM];
    page
      .font('figures')
      .fontSize(17)
      .text(step.code, left, (yMm + pad) * MM, { width, lineBreak: false });
    page
      .font('text')
      .fontSize(9)
      .text(tileWords(series.body, step).join('\n'), left, (yMm + pad + 7.5) * MM, {
        width,
        height: (asked.size.heightMm - 2 * pad - 7.5) * MM,
        ellipsis: true,
      });
  });
  await sendPdf(response, doc, `tiles-${series.code}`);
}

/** What a tile says of itself. */
export function tileWords(body: SeriesBody, { percent }: SeriesStep): string[] {
  const share = `${Number(percent.toFixed(2))} %`;
  if (body.kind !== 'blend') return [`${body.powderName} ${share}`, `in ${body.bucketName}`, `SG ${formatFixed(body.sg, 2)}`];
  return body.by === 'share'
    ? [`${share} ${body.b.bucketName}`, `${Number((100 - percent).toFixed(2))} % ${body.a.bucketName}`]
    : [`${share} stain`, `${body.a.bucketName} with ${body.b.bucketName}`];
}
