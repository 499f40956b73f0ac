import multer from 'multer';
import sharp, { type OutputInfo } from 'sharp';
import { v7 as uuid } from 'uuid';
import { LIMITS, type photoAnswerSchema } from '@cazuela/contract';
import type * as z from 'zod';
import { route, type Call, type Route } from '../../http/route';
import { ProblemError } from '../../http/problem-error';

/** Longest side kept, px: enough to see a crawl, small enough for a database. */
const LONGEST_PX = 1600;
/** A picture that unpacks to more than this is an attack or a mistake. */
const MOST_PIXELS = 60_000_000;

const takeOne = multer({ storage: multer.memoryStorage(), limits: { fileSize: LIMITS.photoBytes, files: 1, fields: 0 } }).single('photo');

export const photoRoutes: readonly Route[] = [
  route({ method: 'post', path: '/photos', before: takeOne, handle: createPhoto }),
  route({ method: 'get', path: '/photos/:id', handle: readPhoto }),
];

/** Re-encoded before it is stored: what is served is ours, upright, without place or camera data. */
async function createPhoto({ context, studioId, request }: Call<unknown>): Promise<z.infer<typeof photoAnswerSchema>> {
  if (!request.file) throw new ProblemError('checkInput', 'Choose a photo first.');
  const { data, info } = await reencode(request.file.buffer);
  const id = uuid();
  await context.models.photos.create({ id, studioId, width: info.width, height: info.height, jpeg: data, createdAt: context.now() });
  return { id, width: info.width, height: info.height };
}

async function reencode(bytes: Buffer): Promise<{ data: Buffer; info: OutputInfo }> {
  try {
    return await sharp(bytes, { limitInputPixels: MOST_PIXELS })
      .rotate()
      .resize({ width: LONGEST_PX, height: LONGEST_PX, fit: 'inside', withoutEnlargement: true })
      .flatten({ background: '#FCFAF5' })
      .jpeg({ quality: 82 })
      .toBuffer({ resolveWithObject: true });
  } catch {
    throw new ProblemError('notAPhoto', 'This file is not a photo we can read, whatever its name says. JPEG, PNG and WebP work.');
  }
}

async function readPhoto({ context, studioId, id, response }: Call<unknown>): Promise<void> {
  const row = await context.models.photos.findOne({ where: { id, studioId } });
  if (!row) throw new ProblemError('notFound', 'There is no such photo.');
  response.setHeader('Cache-Control', 'private, max-age=31536000, immutable');
  response.type('image/jpeg').send(row.get().jpeg);
}
