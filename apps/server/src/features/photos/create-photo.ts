import { QueryTypes, type Transaction } from 'sequelize';
import { v7 as uuid } from 'uuid';
import type * as z from 'zod';
import { LIMITS, type photoAnswerSchema } from '@cazuela/contract';
import type { Context } from '../../context';
import { inTransaction } from '../../db/in-transaction';
import type { Call } from '../../http/route';
import { ProblemError } from '../../http/problem-error';
import { reencode } from './photo-file';
import { coloursOfPhoto } from './photo-pixels';
import { thumbnailOf } from './thumbnail';

/** A photo that belongs to no result after this time was abandoned. */
const FORGET_AFTER_MS = 2 * 24 * 3_600_000;

export async function createPhoto({ context, studioId, request }: Call<unknown>): Promise<z.infer<typeof photoAnswerSchema>> {
  if (!request.file) throw new ProblemError('checkInput', 'Choose a photo first.');
  const { data, info } = await reencode(request.file.buffer);
  const colours = await coloursOfPhoto(data, null);
  const thumbnail = await thumbnailOf(data);
  const photo = { id: uuid(), studioId, width: info.width, height: info.height, jpeg: data, thumbnail, colours, createdAt: context.now() };
  await inTransaction(context.sequelize, async (transaction) => {
    await forgetUnused(context, studioId, transaction);
    await requireRoom(context, studioId, data.length, transaction);
    await context.models.photos.create(photo, { transaction });
  });
  return { id: photo.id, width: info.width, height: info.height };
}

async function forgetUnused({ sequelize, now }: Context, studioId: string, transaction: Transaction): Promise<void> {
  await sequelize.query(
    `DELETE FROM photos WHERE studio_id = ? AND created_at < ? AND firing_id IS NULL AND NOT EXISTS (SELECT 1 FROM results WHERE results.photo_id = photos.id)`,
    { replacements: [studioId, new Date(now().getTime() - FORGET_AFTER_MS)], transaction },
  );
}

async function requireRoom({ sequelize }: Context, studioId: string, bytes: number, transaction: Transaction): Promise<void> {
  const [there] = await sequelize.query<{ photos: number; bytes: string | number | null }>(
    'SELECT COUNT(*) AS photos, SUM(OCTET_LENGTH(jpeg)) AS bytes FROM photos WHERE studio_id = ?',
    { replacements: [studioId], type: QueryTypes.SELECT, transaction },
  );
  if (Number(there?.photos) >= LIMITS.photos || Number(there?.bytes) + bytes > LIMITS.photosBytes)
    throw new ProblemError('tooLarge', 'The studio’s photos have filled their room. Take some off old results, then add new ones.');
}
