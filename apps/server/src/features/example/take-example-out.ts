import type { Transaction } from 'sequelize';
import type { RecordKind } from '@cazuela/contract';
import type { Context } from '../../context';
import { ProblemError } from '../../http/problem-error';
import { deleteForGood } from '../records/delete-record';
import { findRecord } from '../records/find-record';

/** Those that name others go first. */
const ORDER: readonly RecordKind[] = ['piece', 'bucket', 'recipe', 'body'];

/**
 * Deletes the example. What something of the studio's own needs is put away instead, and named; it is the studio's from then on. Returns the names
 * of those.
 */
export async function takeExampleOut(
  context: Context,
  { studioId, at, by }: { studioId: string; at: string; by: string },
  transaction: Transaction,
): Promise<string[]> {
  const { models } = context;
  const marks = (await models.exampleRecords.findAll({ where: { studioId }, transaction })).map((row) => row.get());
  const putAway: string[] = [];
  for (const kind of ORDER) {
    for (const { recordId: id } of marks.filter((mark) => mark.kind === kind)) {
      const found = await findRecord(context, { studioId, kind, id }, transaction).catch((error: unknown) => {
        if (error instanceof ProblemError && error.code === 'notFound') return undefined;
        throw error;
      });
      if (found && found.uses.length === 0) await deleteForGood(context, { studioId, kind, id }, transaction);
      else if (found) {
        putAway.push(found.name);
        // Glaze cannot be put away: its bucket is closed by whoever empties it.
        if (kind !== 'bucket') await models.putAway.upsert({ studioId, kind, recordId: id, at: new Date(at), by }, { transaction });
      }
      await models.exampleRecords.destroy({ where: { studioId, kind, recordId: id }, transaction });
    }
  }
  return putAway;
}
