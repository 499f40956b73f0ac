import type { Firing } from '@cazuela/contract';
import type { Context } from '../../context';
import type { FiringRow } from '../../db/rows';
import { ProblemError } from '../../http/problem-error';
import { readingsOf } from './logs/log-answer';

/** Throws `notFound`. */
export async function readFiring(context: Context, studioId: string, id: string): Promise<Firing> {
  const row = await context.models.firings.findOne({ where: { id, studioId } });
  if (!row) throw new ProblemError('notFound', 'There is no such firing.');
  return (await withReadings(context, studioId, [row.get()], { withOpening: true }))[0]!;
}

/** Firings with what was read of them. */
export async function withReadings(
  context: Context,
  studioId: string,
  rows: FiringRow[],
  options: { withOpening?: boolean } = {},
): Promise<Firing[]> {
  const read = await readingsOf(
    context,
    studioId,
    rows.map(({ id }) => id),
    options,
  );
  return rows.map((row) => ({ ...firingFromRow(row), ...read.get(row.id) }));
}

export const firingFromRow = (row: FiringRow): Firing => ({ id: row.id, version: row.version, body: row.body });
