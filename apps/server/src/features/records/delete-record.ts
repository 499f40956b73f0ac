import { ForeignKeyConstraintError, type Transaction } from 'sequelize';
import type { RecordKind, RecordUses } from '@cazuela/contract';
import type { Context } from '../../context';
import { inTransaction } from '../../db/in-transaction';
import { lockStreams, type Stream } from '../../db/lock-streams';
import type { Call } from '../../http/route';
import { ProblemError } from '../../http/problem-error';
import { findRecord, tableOf, usesOf, type RecordAddress } from './find-record';
import { kindOf } from './kind-of';
import { RECORD_TABLES } from './record-kinds';

/** Records that are a list of events, and are locked as such. */
const STREAMS: readonly RecordKind[] = ['batch', 'bucket', 'day', 'load', 'firing'];

export async function readRecordUses(call: Call<unknown>): Promise<RecordUses> {
  const { context, studioId, id } = call;
  return usesOf(await findRecord(context, { studioId, kind: kindOf(call), id }));
}

export async function deleteRecord(call: Call<unknown>): Promise<{ kind: RecordKind; id: string }> {
  const { context, studioId, id } = call;
  const kind = kindOf(call);
  try {
    await inTransaction(context.sequelize, (transaction) => deleteForGood(context, { studioId, kind, id }, transaction));
  } catch (error) {
    // Something was made of it between the look and the deletion.
    if (error instanceof ForeignKeyConstraintError) throw new ProblemError('conflict', 'Somebody used it just now: put it away instead.');
    throw error;
  }
  return { kind, id };
}

/** Deletes a record with what belongs to it. Throws `conflict` with what hangs on it, and deletes nothing then. */
export async function deleteForGood(context: Context, address: RecordAddress, transaction: Transaction): Promise<void> {
  const { studioId, kind, id } = address;
  if (STREAMS.includes(kind)) await lockStreams(context, [{ studioId, stream: kind as Stream['stream'], streamId: id }], transaction);
  const found = await findRecord(context, address, transaction);
  if (found.uses.length > 0) {
    throw new ProblemError('conflict', `${found.name} is needed by ${found.uses.join(', ')}: put it away instead.`);
  }
  // A photo is there because of its result: the result goes first.
  const byResult = kind === 'result';
  if (byResult) await destroyRow(context, address, transaction);
  for (const { owned } of found.owned) await tableOf(context, owned.table).destroy({ where: { ...owned.where, studioId }, transaction });
  if (!byResult) await destroyRow(context, address, transaction);
  await context.models.putAway.destroy({ where: { studioId, kind, recordId: id }, transaction });
  await context.models.exampleRecords.destroy({ where: { studioId, kind, recordId: id }, transaction });
}

async function destroyRow(context: Context, { studioId, kind, id }: RecordAddress, transaction: Transaction): Promise<void> {
  await tableOf(context, RECORD_TABLES[kind].table).destroy({ where: { id, studioId }, transaction });
}
