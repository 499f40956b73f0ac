import type { PowderMoves, StockMove } from '@cazuela/contract';
import { inTransaction } from '../../db/in-transaction';
import type { Call } from '../../http/route';
import { ProblemError } from '../../http/problem-error';
import { stockOf } from './stock';

/**
 * Powder received, counted or thrown out. A count is what is there, whatever the sums say. The first note of a powder starts from an empty shelf:
 * what was used before is not subtracted.
 */
export async function moveStock(call: Call<StockMove>): Promise<PowderMoves> {
  const { context, studioId, id: powderId, body } = call;
  const { models, sequelize } = context;
  await inTransaction(sequelize, async (transaction) => {
    const powder = await models.powders.findOne({ where: { id: powderId, studioId }, transaction, lock: transaction.LOCK.UPDATE });
    if (!powder) throw new ProblemError('notFound', 'There is no such powder.');
    if (await models.stockMoves.findOne({ where: { studioId, id: body.id }, transaction })) return;
    const known = (await stockOf(context, studioId, transaction)).get(powderId);
    const used = Number((await models.powderUses.sum('grams', { where: { studioId, powderId }, transaction })) ?? 0);
    const held = known ?? -used;
    const before = known === undefined ? 0 : known;
    if (body.kind === 'thrownOut' && known === undefined) {
      throw new ProblemError('checkInput', 'Nobody has counted this powder yet: weigh what is there first.');
    }
    const after = body.kind === 'counted' ? body.grams : before + (body.kind === 'received' ? body.grams : -body.grams);
    await models.stockMoves.create({ id: body.id, studioId, powderId, deltaGrams: after - held, body }, { transaction });
  });
  return readMoves(call);
}

/** What came in, what was counted, and what took from it, newest first. */
export async function readMoves({ context, studioId, id: powderId }: Call<unknown>): Promise<PowderMoves> {
  const { models } = context;
  const moves = await models.stockMoves.findAll({ where: { studioId, powderId }, order: [['seq', 'DESC']], limit: 100 });
  const uses = await models.powderUses.findAll({ where: { studioId, powderId } });
  const ids = uses.map((use) => use.get().whatId);
  const batches = await models.batches.findAll({ where: { studioId, id: ids } });
  const versions = await models.recipeVersions.findAll({ where: { studioId, id: batches.map((batch) => batch.get().recipeVersionId) } });
  const buckets = await models.buckets.findAll({ where: { studioId, id: ids } });
  const series = await models.series.findAll({ where: { studioId, id: ids } });
  const versionName = new Map(versions.map((version) => [version.get().id, version.get().body.name]));
  const names = new Map([
    ...batches.map((batch) => [batch.get().id, versionName.get(batch.get().recipeVersionId) ?? ''] as const),
    ...buckets.map((bucket) => [bucket.get().id, `${bucket.get().code} ${bucket.get().name}`] as const),
    ...series.map((one) => [one.get().id, `${one.get().code} ${one.get().body.name}`] as const),
  ]);
  return {
    moves: moves.map((move) => move.get().body),
    uses: uses.map((use) => ({ what: use.get().what, id: use.get().whatId, grams: use.get().grams, name: names.get(use.get().whatId) ?? '' })),
  };
}
