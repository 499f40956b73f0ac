import type * as z from 'zod';
import { QueryTypes } from 'sequelize';
import { seriesSheet } from '@cazuela/core';
import type { SeriesDocument, seriesCreateSchema } from '@cazuela/contract';
import { inTransaction } from '../../db/in-transaction';
import type { Call } from '../../http/route';
import { ProblemError } from '../../http/problem-error';
import { seriesById } from './read-series';

/** Kept with the next free code (K1, K2 …), once its steps are known to be possible. */
export async function createSeries({ context, studioId, body }: Call<z.infer<typeof seriesCreateSchema>>): Promise<SeriesDocument> {
  const { models, sequelize } = context;
  seriesSheet({ code: 'K', question: body.body });
  await inTransaction(sequelize, async (transaction) => {
    // The studio's row is held so that two tablets never get the same code.
    await models.studios.findOne({ where: { id: studioId }, attributes: ['id'], transaction, lock: transaction.LOCK.UPDATE });
    const there = await models.series.findOne({ where: { id: body.id }, transaction });
    if (there && there.get().studioId !== studioId) throw new ProblemError('conflict', 'This id is taken by another studio.');
    if (there) return;
    const [row] = await sequelize.query<{ highest: number | null }>(
      'SELECT MAX(CAST(SUBSTRING(code, 2) AS UNSIGNED)) AS highest FROM series WHERE studio_id = ? FOR UPDATE',
      { replacements: [studioId], type: QueryTypes.SELECT, transaction },
    );
    const code = `K${Number(row?.highest ?? 0) + 1}`;
    await models.series.create({ id: body.id, studioId, version: 1, code, body: body.body, createdAt: context.now(), doneAt: null }, { transaction });
  });
  return seriesById(context, studioId, body.id);
}
