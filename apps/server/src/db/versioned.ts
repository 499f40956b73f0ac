import { isDeepStrictEqual } from 'node:util';
import type { Model, ModelStatic, Transaction, WhereOptions } from 'sequelize';
import { ProblemError } from '../http/problem-error';
import { withRetries } from './in-transaction';

interface VersionedRow {
  id: string;
  version: number;
}

/**
 * Writes a document only if it still has the version that the writer read; otherwise throws `stale` with the document as it is now, so that the
 * screen can offer both. The same change sent twice, because the first answer was lost, is found done.
 */
export async function updateVersioned<Row extends VersionedRow>(question: {
  table: ModelStatic<Model<Row, Row>>;
  where: WhereOptions<Row>;
  version: number;
  values: Partial<Row>;
  missing: string;
  toContract: (row: Row) => unknown;
  transaction?: Transaction;
}): Promise<Row> {
  const { table, where, version, values, missing, toContract, transaction } = question;
  const options = transaction ? { transaction } : {};
  const write = (): Promise<[number]> =>
    table.update({ ...values, version: version + 1 } as Partial<Row>, { where: { ...where, version } as WhereOptions<Row>, ...options });
  // Inside a transaction, the transaction is repeated.
  const [affected] = transaction ? await write() : await withRetries(write);
  const current = await table.findOne({ where, ...options });
  if (!current) throw new ProblemError('notFound', missing);
  const row = current.get();
  if (affected === 0 && !(row.version === version + 1 && isKept(row, values))) {
    throw new ProblemError('stale', 'Somebody changed this while you were working on it. Both are kept here: choose one.', {
      current: toContract(row),
    });
  }
  return row;
}

/** Returns whether a row holds these values already; a value that is left out and null are the same. */
function isKept<Row extends VersionedRow>(row: Row, values: Partial<Row>): boolean {
  return (Object.keys(values) as (keyof Row)[]).every((key) => isDeepStrictEqual(row[key] ?? null, values[key] ?? null));
}

/** Creates a row once: a second create with the same id in the same studio answers with the existing row. */
export async function createOnce<Row extends { id: string; studioId: string }>(table: ModelStatic<Model<Row, Row>>, values: Row): Promise<Row> {
  const where = { id: values.id } as unknown as WhereOptions<Row>;
  // When both are sent at the same moment, the slower one finds the key taken, looks again and sees the other's row.
  const row = await withRetries(async () => (await table.findOne({ where }))?.get() ?? (await table.create(values as never)).get());
  if (row.studioId !== values.studioId) throw new ProblemError('conflict', 'This id is taken by another studio.');
  return row;
}
