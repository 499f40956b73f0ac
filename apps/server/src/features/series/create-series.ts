import type * as z from 'zod';
import { seriesSheet } from '@cazuela/core';
import type { SeriesDocument, seriesCreateSchema } from '@cazuela/contract';
import { inTransaction } from '../../db/in-transaction';
import { nextCode } from '../../db/next-code';
import type { Call } from '../../http/route';
import { ProblemError } from '../../http/problem-error';
import { seriesById } from './read-series';

/** Gets the next free code (K1, K2 …), once its steps are known to be possible. */
export async function createSeries({ context, studioId, body }: Call<z.infer<typeof seriesCreateSchema>>): Promise<SeriesDocument> {
  const { models, sequelize } = context;
  seriesSheet({ code: 'K', question: body.body });
  await inTransaction(sequelize, async (transaction) => {
    const there = await models.series.findOne({ where: { id: body.id }, transaction });
    if (there && there.get().studioId !== studioId) throw new ProblemError('conflict', 'This id is taken by another studio.');
    if (there) return;
    const code = await nextCode(context, studioId, 'K', transaction);
    await models.series.create({ id: body.id, studioId, version: 1, code, body: body.body, createdAt: context.now(), doneAt: null }, { transaction });
  });
  return seriesById(context, studioId, body.id);
}
