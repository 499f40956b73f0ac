import * as QRCode from 'qrcode';
import { formatFixed } from '@cazuela/core';
import type { Bucket } from '@cazuela/contract';
import type { Call } from '../../http/route';
import { ProblemError } from '../../http/problem-error';
import { bucketById } from '../buckets/read-buckets';
import { powdersOf } from '../powders/list-powders';
import { recipeVersionById } from '../recipes/repository';
import { LABEL_SIZES, type LabelSize } from './label-sizes';
import { A4, MM, paper } from './paper';
import { sendPdf } from './weigh-sheet';

const MOST_COPIES = 60;

/** The label of a bucket: what it is, its range, its hazards, and a code that opens it. One, or a sheet of them. */
export async function bucketLabelsPdf({ context, studioId, id, query, request, response }: Call<unknown>): Promise<void> {
  const asked = typeof query['size'] === 'string' ? query['size'] : '62x29';
  const size = Object.hasOwn(LABEL_SIZES, asked) ? LABEL_SIZES[asked] : undefined;
  if (!size) throw new ProblemError('checkInput', `Labels come in these sizes: ${Object.keys(LABEL_SIZES).join(', ')}.`);
  const perSheet = size.sheet ? size.sheet.across * size.sheet.down : 1;
  const copies = query['copies'] === undefined ? perSheet : Number(query['copies']);
  if (!Number.isInteger(copies) || copies < 1 || copies > MOST_COPIES)
    throw new ProblemError('checkInput', `Print from 1 to ${MOST_COPIES} labels at once.`);
  const bucket = await bucketById(context, studioId, id);
  const version = bucket.recipeVersionId ? await recipeVersionById(context, studioId, bucket.recipeVersionId) : undefined;
  const powders = await powdersOf(context, studioId);
  const inside = new Set((bucket.contents?.parts ?? []).map((part) => part.powderId));
  const all = [...new Set(powders.filter((powder) => inside.has(powder.id)).flatMap((powder) => powder.hazards))];
  // Wet glaze makes no dust; dried on the rim and the floor it does.
  const hazards = [
    ...all.filter((hazard) => !/^(silica )?dust$/.test(hazard)),
    ...(all.some((hazard) => hazard.includes('dust')) ? ['dries to dust: wipe wet'] : []),
  ];
  const cone = version
    ? `cone ${version.body.coneLow === version.body.coneHigh ? version.body.coneLow : `${version.body.coneLow}–${version.body.coneHigh}`}`
    : '';
  const food = version?.body.foodTested && !bucket.contents?.stainGrams ? 'leach tested by this studio' : 'not tested for food';
  const modules = QRCode.create(`${request.protocol}://${request.get('host') ?? 'localhost'}/bucket/${id}`, { errorCorrectionLevel: 'M' }).modules;
  const words = { ...wordsOf(bucket), cone, food, version: version ? `version ${version.number}` : '', hazards };
  const page = size.sheet ? A4 : size;
  const doc = await paper(page, `Label ${bucket.code}`);
  for (let index = 0; index < copies; index++) {
    if (index > 0 && index % perSheet === 0) doc.addPage({ size: [page.widthMm * MM, page.heightMm * MM], margin: 0 });
    draw(doc, { ...placeOf(size, index % perSheet), size, words, modules });
  }
  await sendPdf(response, doc, `label-${bucket.code}`);
}

interface Words {
  code: string;
  name: string;
  date: string;
  sg: string;
  cone: string;
  food: string;
  version: string;
  hazards: string[];
}

function wordsOf(bucket: Bucket): Pick<Words, 'code' | 'name' | 'date' | 'sg'> {
  const { sgLow, sgHigh, name } = bucket.body;
  const measured = bucket.contents?.measuredAt
    ? `, measured ${formatFixed(bucket.contents.sg, 2)} on ${bucket.contents.measuredAt.slice(0, 10)}`
    : '';
  const filled = bucket.events.find((event) => event.type === 'filled');
  return {
    code: bucket.code,
    name,
    date: (filled?.at ?? bucket.createdAt).slice(0, 10),
    sg: `SG ${formatFixed(sgLow, 2)}–${formatFixed(sgHigh, 2)}${measured}`,
  };
}

function placeOf({ sheet, widthMm, heightMm }: LabelSize, index: number): { xMm: number; yMm: number } {
  if (!sheet) return { xMm: 0, yMm: 0 };
  const { across, leftMm, topMm, gapXMm, gapYMm } = sheet;
  return { xMm: leftMm + (index % across) * (widthMm + gapXMm), yMm: topMm + Math.floor(index / across) * (heightMm + gapYMm) };
}

type Modules = ReturnType<typeof QRCode.create>['modules'];

function draw(
  doc: PDFKit.PDFDocument,
  { xMm, yMm, size, words, modules }: { xMm: number; yMm: number; size: LabelSize; words: Words; modules: Modules },
): void {
  const pad = 3;
  const codeMm = Math.min(size.heightMm - 2 * pad, size.widthMm * 0.32);
  const left = xMm + pad;
  const wide = size.widthMm - 3 * pad - codeMm;
  const grow = Math.min(1.8, size.heightMm / 29);
  doc
    .font('figures')
    .fontSize(14 * grow)
    .text(words.code, left * MM, (yMm + pad - 0.6) * MM, { lineBreak: false });
  const besideMm = doc.widthOfString(words.code) / MM + 1.6;
  doc
    .font('heading')
    .fontSize(9 * grow)
    .text(words.name, (left + besideMm) * MM, (yMm + pad + 0.7 * grow) * MM, {
      width: (wide - besideMm) * MM,
      height: 4.5 * grow * MM,
      ellipsis: true,
      lineBreak: false,
    });
  const lines = [[words.version, words.date, words.cone].filter(Boolean).join(' · '), words.sg, words.food];
  const top = yMm + pad + 6 * grow;
  doc.font('text').fontSize(5.4 * grow);
  doc.text(lines.join('\n'), left * MM, top * MM, { width: wide * MM });
  // The hazards are never cut off: smaller letters before fewer words.
  if (words.hazards.length > 0)
    fitted(doc, words.hazards.join(' · '), { left: left * MM, width: wide * MM, bottom: (yMm + size.heightMm - 1.2) * MM, largest: 4.7 * grow });
  const cell = codeMm / modules.size;
  const codeX = xMm + size.widthMm - pad - codeMm;
  const codeY = yMm + (size.heightMm - codeMm) / 2;
  for (let row = 0; row < modules.size; row++) {
    for (let column = 0; column < modules.size; column++) {
      // Slightly wider than the cell, so that printers leave no white lines in the code.
      if (modules.get(row, column)) doc.rect((codeX + column * cell) * MM, (codeY + row * cell) * MM, cell * MM * 1.02, cell * MM * 1.02);
    }
  }
  doc.fill('black');
}

/** Size of the small print; nobody reads smaller letters. */
const SMALLEST_POINTS = 3.2;

/** Written below what is there, in the largest letters that fit; only what does not fit in the smallest is left to the data sheets. */
function fitted(
  doc: PDFKit.PDFDocument,
  words: string,
  { left, width, bottom, largest }: { left: number; width: number; bottom: number; largest: number },
): void {
  const top = doc.y + 1;
  for (let points = largest; points >= SMALLEST_POINTS; points -= 0.2) {
    if (doc.fontSize(points).heightOfString(words, { width }) > bottom - top) continue;
    doc.text(words, left, top, { width });
    return;
  }
  doc.fontSize(SMALLEST_POINTS).text(`Hazards: read the data sheets. ${words}`, left, top, { width, height: bottom - top, ellipsis: true });
}
