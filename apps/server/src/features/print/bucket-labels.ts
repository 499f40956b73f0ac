import * as QRCode from 'qrcode';
import { formatFixed, replayBatch, type BatchEvent } from '@cazuela/core';
import type { Bucket } from '@cazuela/contract';
import type { Call } from '../../http/route';
import type { Context } from '../../context';
import { eventsOf } from '../events/append-events';
import { bucketById } from '../buckets/read-buckets';
import { powdersOf } from '../powders/list-powders';
import { recipeVersionById } from '../recipes/repository';
import { labelPages, labelsAsked } from './label-pages';
import type { LabelSize } from './label-sizes';
import { MM } from './paper';
import { sendPdf } from './weigh-sheet';

/** The label of a bucket: what it is, its range, its hazards, and a code that opens it. One, or a sheet of them. */
export async function bucketLabelsPdf({ context, studioId, id, query, request, response }: Call<unknown>): Promise<void> {
  const asked = labelsAsked(query);
  const { size } = asked;
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
  const lots = await lotsOf(context, studioId, id);
  const words = { ...wordsOf(bucket), cone, food, version: version ? `version ${version.number}` : '', stain: stainWords(bucket), lots, hazards };
  const doc = await labelPages(`Label ${bucket.code}`, asked, (page, { xMm, yMm }) => draw(page, { xMm, yMm, size, words, modules }));
  await sendPdf(response, doc, `label-${bucket.code}`);
}

/** Lots of the powders that were weighed into it, as they were written down at the bench. */
async function lotsOf(context: Context, studioId: string, bucketId: string): Promise<string> {
  const batches = await context.models.batches.findAll({ where: { studioId, bucketId } });
  const found = await Promise.all(
    batches.map(async (row) => {
      const { id, plan } = row.get();
      return replayBatch({ plan, events: await eventsOf<BatchEvent>(context, { studioId, stream: 'batch', streamId: id }) }).lines;
    }),
  );
  return [...new Set(found.flat().flatMap(({ name, lot }) => (lot ? [`${name} ${lot}`] : [])))].join(', ');
}

/** Every stain with its percent of the base. */
function stainWords({ contents }: Bucket): string {
  if (!contents || !(contents.baseDryGrams > 0)) return '';
  const stains = contents.parts.filter(({ part, grams }) => part === 'stain' && grams > 0);
  return stains.map(({ name, grams }) => `${name} ${Number(((100 * grams) / contents.baseDryGrams).toPrecision(2))} %`).join(', ');
}

interface Words {
  code: string;
  name: string;
  date: string;
  sg: string;
  cone: string;
  food: string;
  version: string;
  stain: string;
  lots: string;
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
  const lines = [
    [words.version, words.date, words.cone].filter(Boolean).join(' · '),
    words.sg,
    words.stain,
    words.lots && `lots: ${words.lots}`,
    words.food,
  ].filter(Boolean);
  nameIn(doc, words.name, {
    left: (left + besideMm) * MM,
    top: (yMm + pad) * MM,
    width: (wide - besideMm) * MM,
    height: 5.6 * grow * MM,
    largest: 9 * grow,
  });
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

/** The whole name: smaller letters and a second line before a cut. */
function nameIn(
  doc: PDFKit.PDFDocument,
  name: string,
  { left, top, width, height, largest }: { left: number; top: number; width: number; height: number; largest: number },
): void {
  doc.font('heading');
  for (let points = largest; points > SMALLEST_POINTS; points -= 0.2) {
    const tall = doc.fontSize(points).heightOfString(name, { width });
    if (tall <= height) return void doc.text(name, left, top + Math.max(0, (height - tall) / 2), { width });
  }
  doc.fontSize(SMALLEST_POINTS).text(name, left, top, { width, height, ellipsis: true });
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
