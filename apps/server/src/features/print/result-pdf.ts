import { formatFixed } from '@cazuela/core';
import type { Result } from '@cazuela/contract';
import type { Call } from '../../http/route';
import { ProblemError } from '../../http/problem-error';
import { resultById } from '../kiln/results';
import { A4, MARGIN_MM, MM, paper, text } from './paper';
import { sendPdf } from './weigh-sheet';

const PHOTO_MM = 90;
const GAP_MM = 6;

/** A page for a fired piece: its photo and its whole story, for a folder or a buyer. */
export async function resultPdf({ context, studioId, id, response }: Call<unknown>): Promise<void> {
  const { models } = context;
  const result = await resultById(context, studioId, id);
  if (!result) throw new ProblemError('notFound', 'There is no such result.');
  const { body } = result;
  const [piece, photo, firing, changes] = await Promise.all([
    models.pieces.findOne({ where: { id: body.pieceId, studioId } }),
    body.photoId ? models.photos.findOne({ where: { id: body.photoId, studioId } }) : null,
    models.firings.findOne({ where: { id: body.firingId, studioId } }),
    models.resultChanges.findAll({ where: { studioId }, order: [['madeAt', 'ASC']] }),
  ]);
  const clay = piece && (await models.bodies.findOne({ where: { id: piece.get().clayBodyId, studioId } }));
  const shelf = await shelfName(context, studioId, firing?.get().body.kilnId, body.shelfId);
  const doc = await paper(A4, result.pieceName);
  const wide = A4.widthMm - 2 * MARGIN_MM;
  let y = text(doc, result.pieceName, { xMm: MARGIN_MM, yMm: MARGIN_MM, widthMm: wide, size: 22, font: 'heading' });
  const beside = photo ? { xMm: MARGIN_MM + PHOTO_MM + GAP_MM, widthMm: wide - PHOTO_MM - GAP_MM } : { xMm: MARGIN_MM, widthMm: wide };
  const top = y + 3;
  if (photo) doc.image(photo.get().jpeg, MARGIN_MM * MM, top * MM, { fit: [PHOTO_MM * MM, PHOTO_MM * MM] });
  y = top;
  const facts = [
    body.stars > 0 ? `${body.stars} of 5 stars` : '',
    clay ? `Clay: ${clay.get().name}` : '',
    `Fired in ${result.kiln}, ${day(result.firedAt)}, to cone ${body.coneReached}${shelf ? `, ${shelf}` : ''}`,
    body.foot ? `Foot: ${body.foot}` : '',
    body.ranMm === undefined ? '' : `Ran ${formatFixed(body.ranMm, 0)} mm below its edge`,
    body.note,
    ...body.faults.map(({ fault, where }) => `${fault}, ${where}`),
  ].filter((line) => line !== '');
  for (const line of facts) y = text(doc, line, { ...beside, yMm: y, size: 11 }) + 1;
  y = Math.max(y, photo ? top + PHOTO_MM : 0) + 5;
  y = text(doc, 'How it was glazed', { xMm: MARGIN_MM, yMm: y, widthMm: wide, size: 14, font: 'heading' }) + 1;
  for (const coat of result.glazedWith) y = text(doc, coatWords(coat), { xMm: MARGIN_MM, yMm: y, widthMm: wide, size: 11 }) + 1;
  if (result.glazedWith.length === 0) y = text(doc, 'No coat was noted.', { xMm: MARGIN_MM, yMm: y, widthMm: wide, size: 11 }) + 1;
  const own = changes.map((row) => row.get().body).filter(({ resultId }) => resultId === id);
  if (own.length > 0) y = text(doc, 'What was changed after it', { xMm: MARGIN_MM, yMm: y + 4, widthMm: wide, size: 14, font: 'heading' }) + 1;
  for (const { decision, fault, kind, reason, at, by } of own)
    y =
      text(doc, `${day(at)}, ${by}: ${fault}, ${wordsOf(kind)}, ${decision}${reason ? `, ${reason}` : ''}`, {
        xMm: MARGIN_MM,
        yMm: y,
        widthMm: wide,
        size: 11,
      }) + 1;
  text(doc, 'Nothing here says that it is safe for food: only a laboratory’s leach test does.', {
    xMm: MARGIN_MM,
    yMm: A4.heightMm - MARGIN_MM - 6,
    widthMm: wide,
    size: 9,
  });
  await sendPdf(response, doc, `piece-${result.pieceName}`);
}

async function shelfName(
  { models }: Call<unknown>['context'],
  studioId: string,
  kilnId: string | undefined,
  shelfId: string | null | undefined,
): Promise<string> {
  if (!kilnId || !shelfId) return '';
  const kiln = await models.kilns.findOne({ where: { id: kilnId, studioId } });
  return kiln?.get().body.shelves.find((shelf) => shelf.id === shelfId)?.name ?? '';
}

function coatWords({ words, bucketCode, sg, coatMm, seconds, secondsPlanned, doneAt }: Result['glazedWith'][number]): string {
  const figures = [
    bucketCode ?? '',
    sg === null ? '' : `SG ${formatFixed(sg, 2)}`,
    coatMm === null ? '' : `${formatFixed(coatMm, 2)} mm`,
    seconds === null ? '' : `${formatFixed(seconds, 1)} s${secondsPlanned ? ' planned' : ''}`,
    doneAt === null ? '' : day(doneAt),
  ].filter((part) => part !== '');
  return figures.length > 0 ? `${words} (${figures.join(', ')})` : words;
}

const day = (at: string): string => at.slice(0, 10);
/** "keepSeconds" as words: "keep seconds". */
const wordsOf = (kind: string): string => kind.replace(/[A-Z]/g, (letter) => ` ${letter.toLowerCase()}`);
