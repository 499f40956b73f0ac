import { Op, type Transaction, type WhereOptions } from 'sequelize';
import type { RecordKind, RecordUses } from '@cazuela/contract';
import type { Context } from '../../context';
import { ProblemError } from '../../http/problem-error';
import { MENTIONING, RECORD_TABLES, type AnyTable, type Mentioning, type Owned } from './record-kinds';

export interface RecordAddress {
  studioId: string;
  kind: RecordKind;
  id: string;
}

/** A record with what hangs on it and what would go with it. */
export interface FoundRecord {
  row: Record<string, unknown>;
  name: string;
  uses: string[];
  owned: { owned: Owned; count: number }[];
}

/** Throws `notFound`. With a transaction the row is locked until it ends. */
export async function findRecord(context: Context, { studioId, kind, id }: RecordAddress, transaction?: Transaction): Promise<FoundRecord> {
  const { table, words, nameOf, owned: ownedOf, followsFrom } = RECORD_TABLES[kind];
  const found = await tableOf(context, table).findOne({
    where: { id, studioId },
    ...(transaction ? { transaction, lock: transaction.LOCK.UPDATE } : {}),
  });
  if (!found) throw new ProblemError('notFound', `There is no such ${words}: it may have been deleted.`);
  const row = found.get() as Record<string, unknown>;
  const owned = await Promise.all(
    (ownedOf?.(row) ?? []).map(async (one) => ({ owned: one, count: await countOf(context, one, { studioId, transaction }) })),
  );
  // Versions of a recipe are mentioned by their own ids.
  const ids = [id, ...(kind === 'recipe' ? await versionIds(context, { studioId, id, transaction }) : [])];
  const from = followsFrom?.(row);
  const uses: string[] = from ? [from] : [];
  for (const where of MENTIONING) {
    const count = await mentions(context, where, { studioId, kind, id, ids, owned: owned.map((one) => one.owned), transaction });
    if (count > 0) uses.push(`${count} ${count === 1 ? where.one : where.many}`);
  }
  return { row, name: await nameOf(row, context.models), uses, owned };
}

export const usesOf = ({ name, uses, owned }: FoundRecord): RecordUses => ({
  name,
  uses,
  goesWith: owned.filter(({ count }) => count > 0).map(({ owned: { one, many }, count }) => `${count} ${count === 1 ? one : many}`),
});

interface Within {
  studioId: string;
  transaction: Transaction | undefined;
}

const countOf = (context: Context, { table, where }: Owned, { studioId, transaction }: Within): Promise<number> =>
  tableOf(context, table).count({ where: { ...where, studioId }, ...(transaction ? { transaction } : {}) });

async function versionIds({ models }: Context, { studioId, id, transaction }: Within & { id: string }): Promise<string[]> {
  const rows = await models.recipeVersions.findAll({
    where: { recipeId: id, studioId },
    attributes: ['id'],
    ...(transaction ? { transaction } : {}),
  });
  return rows.map((row) => row.get().id);
}

/** Ids are random, so their text in a JSON column is a mention and nothing else. */
async function mentions(
  context: Context,
  { table, columns, distinct }: Mentioning,
  question: RecordAddress & { ids: readonly string[]; owned: readonly Owned[]; transaction: Transaction | undefined },
): Promise<number> {
  const { studioId, kind, id, ids, owned, transaction } = question;
  const named = columns.flatMap((column) => ids.map((one) => ({ [column]: { [Op.like]: `%${one}%` } })));
  const itself = RECORD_TABLES[kind].table === table ? [{ id }] : [];
  const own = owned.filter((one) => one.table === table).map((one) => one.where);
  const where = { studioId, [Op.and]: [{ [Op.or]: named }, ...[...itself, ...own].map((one) => ({ [Op.not]: one }))] } as WhereOptions;
  return tableOf(context, table).count({ where, ...(distinct ? { distinct: true, col: distinct } : {}), ...(transaction ? { transaction } : {}) });
}

export const tableOf = ({ models }: Context, table: keyof Context['models']): AnyTable => models[table] as unknown as AnyTable;
