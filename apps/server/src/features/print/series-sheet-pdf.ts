import { formatFixed, seriesSheet, type SeriesStep } from '@cazuela/core';
import type { SeriesBody, StudioBody } from '@cazuela/contract';
import type { Call } from '../../http/route';
import { seriesById } from '../series/read-series';
import { A4, MARGIN_MM, paper, table, text } from './paper';
import { sendPdf } from './weigh-sheet';
import { studioById } from '../studios/studio-from-row';
import { printedMass, formatMass, type PrintedMass } from './weights';

/** The sheet of a series: what goes in before each tile, with the code to scratch on its back. */
export async function seriesSheetPdf({ context, studioId, id, query, response }: Call<unknown>): Promise<void> {
  const series = await seriesById(context, studioId, id);
  const { body: studio } = await studioById(context, studioId);
  const { steps } = seriesSheet({ code: series.code, question: series.body });
  const doc = await paper(A4, `Series ${series.code}`);
  const wide = A4.widthMm - 2 * MARGIN_MM;
  let y = text(doc, `${series.code} · ${series.body.name}`, { xMm: MARGIN_MM, yMm: MARGIN_MM, widthMm: wide, size: 20, font: 'heading' });
  y = text(doc, howTo(series.body), { xMm: MARGIN_MM, yMm: y + 1, widthMm: wide, size: 11 });
  const columns = [
    { title: 'Code on the tile', widthMm: 40, font: 'figures' },
    { title: 'Percent', widthMm: 30, align: 'right', font: 'figures' },
    { title: series.body.kind === 'blend' ? `Of ${series.body.a.bucketName}` : 'Base, dry', widthMm: 48, align: 'right', font: 'figures' },
    { title: series.body.kind === 'blend' ? `Of ${series.body.b.bucketName}` : 'Stain to add', widthMm: 48, align: 'right', font: 'figures' },
  ] as const;
  table(doc, {
    topMm: y + 5,
    columns,
    rows: steps.map((step) => rowOf(step, printedMass(query['mass']), studio.scales)),
    withTickBox: true,
    page: A4,
  });
  await sendPdf(response, doc, `series-${series.code}`);
}

function rowOf({ code, percent, baseGrams, stainGrams, waterMl, aMl, bMl }: SeriesStep, mass: PrintedMass, scales: StudioBody['scales']): string[] {
  const share = `${Number(percent.toFixed(3))} %`;
  if (aMl !== undefined && bMl !== undefined) return [code, share, `${formatFixed(aMl, 1)} mL`, `${formatFixed(bMl, 1)} mL`];
  return [
    code,
    share,
    baseGrams === undefined ? 'as it stands' : formatMass(baseGrams, mass, scales),
    `${stainGrams ? formatMass(stainGrams, mass, scales) : 'none'}${waterMl && waterMl >= 0.5 ? `, ${formatFixed(waterMl, 0)} mL water` : ''}`,
  ];
}

export function howTo(body: SeriesBody): string {
  switch (body.kind) {
    case 'oneCup':
      return `One cup of ${formatFixed(body.baseGrams, 0)} g dry base of ${body.bucketName}: add the ${body.powderName} of a step, stir until no streak is left, dip its tile, then the next. Respirator on while powder is weighed.`;
    case 'cups':
      return `A cup for each step, ${formatFixed(body.cupBaseGrams, 1)} g dry base of ${body.bucketName} in each, its ${body.powderName} over it. Respirator on while powder is weighed.`;
    case 'blend':
      return `Measure both buckets well stirred into one cup for each step, ${formatFixed(body.totalMl, 0)} mL together.${body.by === 'share' ? ` Percent is the share of ${body.b.bucketName}, dry.` : ''}`;
  }
}
