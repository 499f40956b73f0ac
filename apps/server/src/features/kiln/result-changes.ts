import type * as z from 'zod';
import type { resultChangeCreateSchema, ResultChangeEntry } from '@cazuela/contract';
import type { ResultChangeRow } from '../../db/rows';
import { createOnce } from '../../db/versioned';
import { ProblemError } from '../../http/problem-error';
import type { Call } from '../../http/route';

/** Entries on the list, newest first. */
const NEWEST = 1_000;

export async function listResultChanges({ context, studioId }: Call<unknown>): Promise<ResultChangeEntry[]> {
  const rows = await context.models.resultChanges.findAll({ where: { studioId }, order: [['madeAt', 'DESC']], limit: NEWEST });
  return rows.map((row) => entryFromRow(row.get()));
}

export async function createResultChange({
  context,
  studioId,
  body: { id, body },
}: Call<z.infer<typeof resultChangeCreateSchema>>): Promise<ResultChangeEntry> {
  const { models } = context;
  if ((await models.results.count({ where: { studioId, id: body.resultId } })) === 0)
    throw new ProblemError('checkInput', 'The result that it is about is not here any more.');
  if ((await models.pieces.count({ where: { studioId, id: body.pieceId } })) === 0)
    throw new ProblemError('checkInput', 'The plan that it is for is not here any more.');
  return entryFromRow(await createOnce(models.resultChanges, { id, studioId, body, madeAt: new Date(body.at) }));
}

const entryFromRow = ({ id, body }: ResultChangeRow): ResultChangeEntry => ({ id, body });
