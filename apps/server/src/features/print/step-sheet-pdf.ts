import type { stepSheetSchema } from '@cazuela/contract';
import { type StepSheet } from '@cazuela/contract';
import type * as z from 'zod';
import type { Call } from '../../http/route';
import { ProblemError } from '../../http/problem-error';
import { A4, MARGIN_MM, MM, paper, text, type Paper } from './paper';
import { sendPdf } from './weigh-sheet';

const DRAWING_HIGH_MM = 78;
const BOX_MM = 5;

/** The steps of a plan on paper, with boxes to tick and the section above them: what stands on the screen, black on white. */
export async function stepSheetPdf({ context, studioId, id, body, response }: Call<z.infer<typeof stepSheetSchema>>): Promise<void> {
  if ((await context.models.pieces.count({ where: { id, studioId } })) === 0) throw new ProblemError('notFound', 'There is no such piece.');
  const doc = await paper(A4, `Steps, ${body.title}`);
  const wide = A4.widthMm - 2 * MARGIN_MM;
  let y = text(doc, body.title, { xMm: MARGIN_MM, yMm: MARGIN_MM, widthMm: wide, size: 20, font: 'heading' });
  for (const line of body.lines) y = text(doc, line, { xMm: MARGIN_MM, yMm: y + 1, widthMm: wide, size: 11 });
  y = drawing(doc, body.drawing, y + 3);
  y = steps(doc, body.steps, y + 4, A4);
  for (const warning of body.warnings) y = text(doc, `! ${warning}`, { xMm: MARGIN_MM, yMm: roomFor(doc, y + 1, 12, A4), widthMm: wide, size: 10 });
  await sendPdf(response, doc, `steps-${body.title}`);
}

function drawing(doc: PDFKit.PDFDocument, { left, top, wide, high, paths, note }: StepSheet['drawing'], yMm: number): number {
  const scale = Math.min((A4.widthMm - 2 * MARGIN_MM) / wide, DRAWING_HIGH_MM / high);
  doc.save();
  doc
    .translate(MARGIN_MM * MM, yMm * MM)
    .scale(scale * MM)
    .translate(-left, -top);
  for (const path of paths) {
    if (path.d.trim() === '') continue;
    doc.path(path.d).lineWidth(path.width ?? 1);
    if (path.fill && path.stroke) doc.fillAndStroke(path.fill, path.stroke);
    else if (path.fill) doc.fill(path.fill);
    else doc.stroke(path.stroke ?? '#000000');
  }
  doc.restore();
  return text(doc, note, { xMm: MARGIN_MM, yMm: yMm + high * scale + 1, widthMm: A4.widthMm - 2 * MARGIN_MM, size: 9 });
}

function steps(doc: PDFKit.PDFDocument, rows: StepSheet['steps'], topMm: number, page: Paper): number {
  const indent = MARGIN_MM + BOX_MM + 4;
  const wide = page.widthMm - indent - MARGIN_MM;
  let y = topMm;
  rows.forEach(({ words, wait, caution }, at) => {
    y = roomFor(doc, y, 16, page);
    doc
      .rect(MARGIN_MM * MM, (y + 0.5) * MM, BOX_MM * MM, BOX_MM * MM)
      .lineWidth(0.7)
      .stroke('#000000');
    doc.fillColor('#000000');
    y = text(doc, `${at + 1}. ${words}${wait ? `: ${wait}` : ''}`, { xMm: indent, yMm: y, widthMm: wide, size: 12 });
    if (caution) y = text(doc, caution, { xMm: indent, yMm: y, widthMm: wide, size: 9 });
    y += 2;
  });
  return y;
}

/** On a new page when this one has no room left. */
function roomFor(doc: PDFKit.PDFDocument, yMm: number, needMm: number, page: Paper): number {
  if (yMm + needMm <= page.heightMm - MARGIN_MM) return yMm;
  doc.addPage({ size: [page.widthMm * MM, page.heightMm * MM], margin: 0 });
  return MARGIN_MM;
}
