import type * as z from 'zod';
import { seriesSheet } from '@cazuela/core';
import type { SeriesBody, SeriesDocument, seriesDoneSchema } from '@cazuela/contract';
import { inTransaction } from '../../db/in-transaction';
import type { Call } from '../../http/route';
import { ProblemError } from '../../http/problem-error';
import { lockStreams } from '../../db/lock-streams';
import { appendToStream } from '../events/append-events';
import { setPowderUses } from '../powders/stock';
import { seriesById } from './read-series';

/** The tiles are dipped: the stain has left the shelf and the glaze its buckets. Sent twice, it counts once. */
export async function finishSeries({ context, studioId, id, body }: Call<z.infer<typeof seriesDoneSchema>>): Promise<SeriesDocument> {
  const { models, sequelize } = context;
  await inTransaction(sequelize, async (transaction) => {
    const row = await models.series.findOne({ where: { id, studioId }, transaction, lock: transaction.LOCK.UPDATE });
    if (!row) throw new ProblemError('notFound', 'There is no such series.');
    const series = row.get();
    if (series.doneAt) return;
    const done = dippedBody(series.body, body.weighedGrams);
    const { stainGrams, glaze } = seriesSheet({ code: series.code, question: done });
    if (series.body.kind !== 'blend') {
      const uses = [{ powderId: series.body.powderId, grams: stainGrams }];
      await setPowderUses(context, { studioId, what: 'series', whatId: id }, uses, transaction);
    }
    const buckets = glaze.flatMap(({ bucketId }) => (bucketId ? [{ studioId, stream: 'bucket' as const, streamId: bucketId }] : []));
    await lockStreams(context, buckets, transaction);
    for (const [index, { bucketId, millilitres }] of glaze.entries()) {
      if (!bucketId || millilitres <= 0) continue;
      const taken = { id: body.eventIds[index]!, at: body.at, by: body.by, type: 'glazeTaken', millilitres, reason: 'other' } as const;
      await appendToStream(context, { studioId, stream: 'bucket', streamId: bucketId }, [taken], transaction);
    }
    await models.series.update({ doneAt: new Date(body.at), body: done, version: series.version + 1 }, { where: { id, studioId }, transaction });
  });
  return seriesById(context, studioId, id);
}

/** With what really went in, where it was typed for every step. */
const dippedBody = (body: SeriesBody, weighedGrams: readonly number[] | undefined): SeriesBody =>
  body.kind === 'blend' || weighedGrams?.length !== body.percents.length ? body : { ...body, weighedGrams: [...weighedGrams] };
