import type { RequestHandler } from 'express';
import multer, { MulterError } from 'multer';
import { idSchema, LIMITS } from '@cazuela/contract';
import type { Context } from '../../context';
import { ProblemError } from '../../http/problem-error';
import { studioById } from '../studios/studio-from-row';

const takeOne = multer({ storage: multer.memoryStorage(), limits: { fileSize: LIMITS.photoBytes, files: 1, fields: 0, parts: 2 } }).single('photo');

export const requireStudio =
  (context: Context): RequestHandler =>
  async (request, _response, next) => {
    const id = idSchema.safeParse((request.params as Record<string, string>)['studioId']);
    if (!id.success) throw new ProblemError('notFound', 'There is nothing at this address.');
    await studioById(context, id.data);
    next();
  };

/**
 * Receives one file in the field “photo”, in memory. A request that was cut short or put together wrongly is the sender's mistake, and is answered
 * so.
 */
export const receivePhoto = (): RequestHandler => (request, response, next) => {
  takeOne(request, response, (error: unknown) => next(error === undefined || error === null ? undefined : problemOf(error)));
};

function problemOf(error: unknown): ProblemError {
  if (error instanceof MulterError && error.code === 'LIMIT_FILE_SIZE')
    return new ProblemError('tooLarge', `The photo is larger than ${LIMITS.photoBytes / 1024 / 1024} MB. Take it at a lower size, or crop it.`);
  return new ProblemError('checkInput', 'The photo did not come whole. Send one photo in the field “photo”.', {}, { cause: error });
}
