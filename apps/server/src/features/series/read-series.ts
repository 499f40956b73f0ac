import type { SeriesDocument } from '@cazuela/contract';
import type { Context } from '../../context';
import type { SeriesRow } from '../../db/rows';
import type { Call } from '../../http/route';
import { ProblemError } from '../../http/problem-error';

export async function listSeries({ context, studioId }: Call<unknown>): Promise<SeriesDocument[]> {
  const rows = await context.models.series.findAll({ where: { studioId }, order: [['createdAt', 'DESC']], limit: 200 });
  return rows.map((row) => seriesFromRow(row.get()));
}

export async function readSeries({ context, studioId, id }: Call<unknown>): Promise<SeriesDocument> {
  return seriesById(context, studioId, id);
}

export async function seriesById({ models }: Context, studioId: string, id: string): Promise<SeriesDocument> {
  const row = await models.series.findOne({ where: { id, studioId } });
  if (!row) throw new ProblemError('notFound', 'There is no such series.');
  return seriesFromRow(row.get());
}

const seriesFromRow = ({ id, version, code, body, createdAt, doneAt }: SeriesRow): SeriesDocument => ({
  id,
  version,
  code,
  body,
  createdAt: createdAt.toISOString(),
  doneAt: doneAt?.toISOString() ?? null,
});
