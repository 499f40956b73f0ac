import type { Response } from 'express';
import type { Call } from '../../http/route';
import { ProblemError } from '../../http/problem-error';
import { thumbnailOf } from './thumbnail';

const NO_PHOTO = 'There is no such photo.';

export async function readPhoto({ context, studioId, id, response }: Call<unknown>): Promise<void> {
  const row = await context.models.photos.findOne({ where: { id, studioId }, attributes: ['jpeg'] });
  if (!row) throw new ProblemError('notFound', NO_PHOTO);
  sendJpeg(response, row.get().jpeg);
}

/** A photo that came without its thumbnail gets it now. */
export async function readThumbnail({ context: { models }, studioId, id, response }: Call<unknown>): Promise<void> {
  const row = await models.photos.findOne({ where: { id, studioId }, attributes: ['thumbnail'] });
  if (!row) throw new ProblemError('notFound', NO_PHOTO);
  const known = row.get().thumbnail;
  if (known) return sendJpeg(response, known);
  const whole = await models.photos.findOne({ where: { id, studioId }, attributes: ['jpeg'] });
  if (!whole) throw new ProblemError('notFound', NO_PHOTO);
  const thumbnail = await thumbnailOf(whole.get().jpeg);
  await models.photos.update({ thumbnail }, { where: { id, studioId } });
  sendJpeg(response, thumbnail);
}

/** A photo never changes: another one has another id. */
function sendJpeg(response: Response, jpeg: Buffer): void {
  response.setHeader('Cache-Control', 'private, max-age=31536000, immutable');
  response.type('image/jpeg').send(jpeg);
}
