import type { Response } from 'express';
import { formatFixed, lineOnScale, replayBatch, scaleForLine, type BatchEvent } from '@cazuela/core';
import type { Call } from '../../http/route';
import { ProblemError } from '../../http/problem-error';
import { eventsOf } from '../events/append-events';
import { recipeVersionById } from '../recipes/repository';
import { A4, bytesOf, MARGIN_MM, paper, table, text } from './paper';
import { studioById } from '../studios/studio-from-row';
import { printedMass, formatMass } from './weights';

/** The weigh sheet of a batch on paper, in working order with a box to tick. */
export async function weighSheetPdf({ context, studioId, id, query, response }: Call<unknown>): Promise<void> {
  const batch = (await context.models.batches.findOne({ where: { id, studioId } }))?.get();
  if (!batch) throw new ProblemError('notFound', 'There is no such batch.');
  const { body } = await studioById(context, studioId);
  const version = await recipeVersionById(context, studioId, batch.recipeVersionId);
  const state = replayBatch({ plan: batch.plan, events: await eventsOf<BatchEvent>(context, { studioId, stream: 'batch', streamId: id }) });
  const say = (grams: number): string => formatMass(grams, printedMass(query['mass']), body.scales);
  const doc = await paper(A4, `Weigh sheet, ${version.body.name}`);
  const wide = A4.widthMm - 2 * MARGIN_MM;
  let y = text(doc, `${version.body.name}, version ${version.number}`, { xMm: MARGIN_MM, yMm: MARGIN_MM, widthMm: wide, size: 20, font: 'heading' });
  const sums = `${body.name} · ${batch.createdAt.toISOString().slice(0, 10)} · ${say(batch.plan.totalGrams * state.factor)} of powder, ${formatFixed((batch.plan.expectedMl * state.factor) / 1000, 2)} L at SG ${formatFixed(batch.plan.expectedSg, 2)}`;
  y = text(doc, sums, { xMm: MARGIN_MM, yMm: y + 1, widthMm: wide, size: 11 });
  y = text(doc, 'Before the first powder: respirator on, ventilation on, wipe wet, no food at the bench.', {
    xMm: MARGIN_MM,
    yMm: y + 3,
    widthMm: wide,
    size: 11,
  });
  let running = 0;
  const rows = state.lines.map((line) => {
    running += line.targetGrams;
    const { pan, totalGrams } = batch.plan;
    const scale = scaleForLine({ targetGrams: line.targetGrams, totalGrams: totalGrams * state.factor, scales: body.scales, pan });
    const on = lineOnScale({ targetGrams: line.targetGrams, ...scale, panGrams: pan?.panGrams });
    const remark = on.kind === 'tooSmall' ? `± ${formatFixed(100 * on.error, 1)} %` : on.loads > 1 ? `in ${on.loads} loads` : '';
    const lot = line.lot ? `, lot ${line.lot}` : '';
    return [`${line.name}${line.part === 'base' ? '' : ' (over the base)'}${lot}`, say(line.targetGrams), say(running), remark];
  });
  const columns = [
    { title: 'Into the bucket', widthMm: 72 },
    { title: 'Weigh', widthMm: 38, align: 'right', font: 'figures' },
    { title: 'Then it holds', widthMm: 38, align: 'right', font: 'figures' },
    { title: '', widthMm: 22 },
  ] as const;
  const water = ['Water first', say(batch.plan.waterGrams * state.factor), '', ''];
  y = table(doc, { topMm: y + 5, columns, rows: [water, ...rows], withTickBox: true, page: A4 });
  const last =
    'After the last: slake, lid on. Mix from the bottom up, sieve coarse then fine. What stays in the sieve: weigh it, grind it, put it back. Rinse water to its own bucket, never the drain.';
  text(doc, last, { xMm: MARGIN_MM, yMm: y + 2, widthMm: wide, size: 10 });
  await sendPdf(response, doc, `weigh-sheet-${version.body.name}`);
}

/** Shown in the browser, with a file name for those who keep it. */
export async function sendPdf(response: Response, doc: PDFKit.PDFDocument, name: string): Promise<void> {
  const bytes = await bytesOf(doc);
  response.type('application/pdf').setHeader('Content-Disposition', `inline; filename="${name.replace(/[^\w\- ]+/g, '').trim() || 'cazuela'}.pdf"`);
  response.send(bytes);
}
