import type * as z from 'zod';
import { LIMITS, type coatWindowPutSchema, type CoatWindowDocument } from '@cazuela/contract';
import { inTransaction } from '../../db/in-transaction';
import type { CoatWindowRow } from '../../db/rows';
import { ProblemError } from '../../http/problem-error';
import type { Call } from '../../http/route';

export async function listWindows({ context, studioId }: Call<unknown>): Promise<CoatWindowDocument[]> {
  const rows = await context.models.coatWindows.findAll({ where: { studioId } });
  return rows.map((row) => windowFromRow(row.get()));
}

/**
 * Sets a window, or adds a change to one; nothing is lost. One glaze on one body has one window, also when two people set it first at the same
 * moment: the later one is shown what the other made of it.
 */
export async function putWindow({ context, studioId, id, body }: Call<z.infer<typeof coatWindowPutSchema>>): Promise<CoatWindowDocument> {
  const { models, sequelize } = context;
  const { version, glazeId, bodyId, change } = body;
  return inTransaction(sequelize, async (transaction) => {
    const there = await models.coatWindows.findOne({ where: { studioId, glazeId, bodyId }, transaction, lock: transaction.LOCK.UPDATE });
    if (!there) {
      if ((await models.coatWindows.count({ where: { id }, transaction })) > 0)
        throw new ProblemError('conflict', 'This window belongs to another glaze or clay body: reload the page, then set it again.');
      if ((await models.bodies.count({ where: { id: bodyId, studioId }, transaction })) === 0)
        throw new ProblemError('checkInput', 'Choose a clay body from the list.');
      const row = { id, studioId, version: 1, glazeId, bodyId, changes: [change] };
      return windowFromRow((await models.coatWindows.create(row, { transaction })).get());
    }
    const known = there.get();
    // The same change, sent twice, is there already.
    if (known.changes.some((one) => one.at === change.at && one.by === change.by)) return windowFromRow(known);
    if (known.version !== version) {
      throw new ProblemError('stale', 'Somebody changed this window while you were at it. Look at both, then keep again.', {
        current: windowFromRow(known),
      });
    }
    if (known.changes.length >= LIMITS.windowChanges)
      throw new ProblemError(
        'checkInput',
        `This window was changed ${LIMITS.windowChanges} times, and no more is kept. Set one for the next version of the recipe.`,
      );
    const next = { ...known, version: known.version + 1, changes: [...known.changes, change] };
    await models.coatWindows.update({ version: next.version, changes: next.changes }, { where: { id: known.id }, transaction });
    return windowFromRow(next);
  });
}

const windowFromRow = ({ id, version, glazeId, bodyId, changes }: CoatWindowRow): CoatWindowDocument => ({ id, version, glazeId, bodyId, changes });
