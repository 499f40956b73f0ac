import { unlink } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import type { RequestHandler } from 'express';
import multer, { MulterError } from 'multer';
import { ForeignKeyConstraintError, UniqueConstraintError } from 'sequelize';
import { LIMITS, type StudioOutcome } from '@cazuela/contract';
import { ProblemError } from '../../../http/problem-error';
import type { Call } from '../../../http/route';
import { openStudioFile } from './read-studio-file';
import { takeInStudio } from './take-in-studio';

const takeOne = multer({
  storage: multer.diskStorage({ destination: tmpdir() }),
  limits: { fileSize: LIMITS.studioFileBytes, files: 1, fields: 0, parts: 2 },
}).single('file');

/** Receives the zip of a studio in the field “file”, on disk: it may be large. */
export const receiveStudioFile = (): RequestHandler => (request, response, next) => {
  takeOne(request, response, (error: unknown) => {
    if (error === undefined || error === null) return next();
    const isLarge = error instanceof MulterError && error.code === 'LIMIT_FILE_SIZE';
    next(
      isLarge
        ? new ProblemError('tooLarge', 'That file is larger than any studio: is it the right one?')
        : new ProblemError('checkInput', 'The file did not come whole. Send one zip in the field “file”.', {}, { cause: error }),
    );
  });
};

/** Takes a whole studio in; what is here already stays. */
export async function importStudioFile({ context, studioId, request }: Call<unknown>): Promise<StudioOutcome> {
  if (!request.file) throw new ProblemError('checkInput', 'Choose the zip of a studio first.');
  const { path } = request.file;
  try {
    const opened = await openStudioFile(path);
    try {
      return await takeInStudio(context, studioId, opened);
    } catch (error) {
      if (error instanceof ForeignKeyConstraintError)
        throw new ProblemError('notReadable', 'A row of this file points to one that is not in it. Nothing was taken in.', {}, { cause: error });
      if (error instanceof UniqueConstraintError)
        throw new ProblemError('notReadable', 'A row stands in this file twice. Nothing was taken in.', {}, { cause: error });
      throw error;
    } finally {
      opened.close();
    }
  } finally {
    await unlink(path).catch(() => undefined);
  }
}
