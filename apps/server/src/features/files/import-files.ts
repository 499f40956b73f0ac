import type * as z from 'zod';
import { Op, type Transaction } from 'sequelize';
import type { importCommitSchema, ImportOutcome, importRowsSchema, ImportRow } from '@cazuela/formats';
import type { Context } from '../../context';
import { inTransaction } from '../../db/in-transaction';
import type { Call } from '../../http/route';
import { ProblemError } from '../../http/problem-error';
import { importFile } from './import-file';

/** Files that nobody finished sending are deleted after a day. */
const FORGET_AFTER_MS = 24 * 3_600_000;

/** Some rows of a file arrive and wait. Sent twice, they are there once. */
export async function stageRows({ context, studioId, id, body }: Call<z.infer<typeof importRowsSchema>>): Promise<{ rows: number }> {
  const { models } = context;
  await forgetOld(context);
  await inTransaction(context.sequelize, async (transaction) => {
    const there = (await models.imports.findOne({ where: { id }, transaction }))?.get();
    if (there && there.studioId !== studioId) throw new ProblemError('conflict', 'This id is taken by another studio.');
    if (!there) await models.imports.create({ id, studioId, outcome: null, createdAt: context.now() }, { transaction });
    await models.importRows.bulkCreate(
      body.rows.map((row, index) => ({ importId: id, seq: body.from + index, body: row })),
      { ignoreDuplicates: true, transaction },
    );
  });
  return { rows: await models.importRows.count({ where: { importId: id } }) };
}

/** All of it or nothing, in one transaction. Sent again after a lost answer, it answers with what was done. */
export async function commitImport({ context, studioId, id, body }: Call<z.infer<typeof importCommitSchema>>): Promise<ImportOutcome> {
  return inTransaction(context.sequelize, async (transaction) => {
    const { models } = context;
    const row = await models.imports.findOne({ where: { id, studioId }, transaction, lock: transaction.LOCK.UPDATE });
    if (!row) throw new ProblemError('notFound', 'This file is no longer on its way in: choose it again.');
    const done = row.get().outcome;
    if (done) return done;
    const rows = await stagedRows(context, id, transaction);
    if (rows.length !== body.rows) {
      throw new ProblemError('checkInput', `Of ${body.rows} entries ${rows.length} have come: nothing was taken in. Choose the file again.`);
    }
    const outcome = await importFile(context, { studioId, rows, choice: body.choice, transaction });
    await models.imports.update({ outcome }, { where: { id }, transaction });
    await models.importRows.destroy({ where: { importId: id }, transaction });
    return outcome;
  });
}

/** Stopped while sending: what had come is deleted, and nothing was imported. */
export async function stopImport({ context, studioId, id }: Call<unknown>): Promise<{ rows: number }> {
  await context.models.imports.destroy({ where: { id, studioId, outcome: null } });
  return { rows: 0 };
}

async function stagedRows({ models }: Context, importId: string, transaction: Transaction): Promise<ImportRow[]> {
  const rows = await models.importRows.findAll({ where: { importId }, order: [['seq', 'ASC']], transaction });
  return rows.map((row) => row.get().body);
}

async function forgetOld({ models, now }: Context): Promise<void> {
  await models.imports.destroy({ where: { createdAt: { [Op.lt]: new Date(now().getTime() - FORGET_AFTER_MS) } } });
}
