import { isDeepStrictEqual } from 'node:util';
import type { Model, ModelStatic, Transaction, WhereOptions } from 'sequelize';
import { ProblemError } from '../http/problem-error';
import { withRetries } from './in-transaction';

interface VersionedRow {
  id: string;
  version: number;
}

/**
 * Writes a document only if it still has the version the writer read; otherwise says who came first by handing back the
 * document as it is now, so that the screen can offer both. The same change sent twice, as when the answer to the first was lost on its
 * way, finds itself done.
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
  // Inside a transaction it is the transaction that is done again.
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

/** Whether a row holds these values already; what was not told and what is null are the same. */
function isKept<Row extends VersionedRow>(row: Row, values: Partial<Row>): boolean {
  return (Object.keys(values) as (keyof Row)[]).every((key) => isDeepStrictEqual(row[key] ?? null, values[key] ?? null));
}

/** Creates a row once: a second create with the same id in the same studio answers with what is there. */
export async function createOnce<Row extends { id: string; studioId: string }>(table: ModelStatic<Model<Row, Row>>, values: Row): Promise<Row> {
  const where = { id: values.id } as unknown as WhereOptions<Row>;
  // Sent twice at the same moment, the slower one finds the key taken, looks again and sees what the other made.
  const row = await withRetries(async () => (await table.findOne({ where }))?.get() ?? (await table.create(values as never)).get());
  if (row.studioId !== values.studioId) throw new ProblemError('conflict', 'This id is taken by another studio.');
  return row;
}
