import type { Studio } from '@cazuela/contract';
import type { Context } from '../../context';
import type { StudioRow } from '../../db/rows';
import { ProblemError } from '../../http/problem-error';

export const studioFromRow = (row: StudioRow): Studio => ({ id: row.id, version: row.version, demo: Boolean(row.demo), ...row.body });

/** Returns the studio's row. Throws `notFound` when there is none with that id. */
export async function studioById({ models }: Context, studioId: string): Promise<StudioRow> {
  const row = await models.studios.findOne({ where: { id: studioId } });
  if (!row) throw new ProblemError('notFound', 'There is no such studio.');
  return row.get();
}
