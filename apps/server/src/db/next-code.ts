import { QueryTypes, type Transaction } from 'sequelize';
import type { Context } from '../context';

/** Tables whose rows carry a code that is written on the thing itself. */
type CodedTable = 'tiles' | 'runner_tiles';

/** The next free code (T1, T2 …) of a studio. Its row is held until the transaction ends, so that two tablets never get the same one. */
export async function nextCode(
  { models, sequelize }: Context,
  studioId: string,
  table: CodedTable,
  letter: string,
  transaction: Transaction,
): Promise<string> {
  await models.studios.findOne({ where: { id: studioId }, attributes: ['id'], transaction, lock: transaction.LOCK.UPDATE });
  const [row] = await sequelize.query<{ highest: number | null }>(
    `SELECT MAX(CAST(SUBSTRING(code, 2) AS UNSIGNED)) AS highest FROM ${table} WHERE studio_id = ? FOR UPDATE`,
    { replacements: [studioId], type: QueryTypes.SELECT, transaction },
  );
  return `${letter}${Number(row?.highest ?? 0) + 1}`;
}
