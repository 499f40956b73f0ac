import { isDeepStrictEqual } from 'node:util';
import type { RecipeBody } from '@cazuela/contract';
import type { Transaction } from 'sequelize';
import { v7 as uuid } from 'uuid';
import { fromPortableBody, type ImportChoice, type ImportOutcome, type ImportRow, type PortablePowder, type PortableRecipe } from '@cazuela/formats';
import type { Context } from '../../context';
import type { PowderRow, RecipeRow, RecipeVersionRow } from '../../db/rows';
import { ProblemError } from '../../http/problem-error';
import type { FileImport } from './file-import';
import { importBatches } from './import-batches';

const key = (name: string): string => name.trim().toLowerCase();

/** Powders, then the recipes that name them, then the batches that name those. Written in a few large inserts. */
export async function importFile(
  context: Context,
  { studioId, rows, choice, transaction }: { studioId: string; rows: readonly ImportRow[]; choice: ImportChoice; transaction: Transaction },
): Promise<ImportOutcome> {
  const job: FileImport = { context, studioId, choice, transaction };
  const outcome: ImportOutcome = { powders: 0, recipes: 0, versions: 0, batches: 0, left: 0 };
  const powderIds = await importPowders(
    job,
    rows.flatMap((row) => (row.kind === 'powder' ? [row.powder] : [])),
    outcome,
  );
  await importRecipes(
    job,
    rows.flatMap((row) => (row.kind === 'recipe' ? [row.recipe] : [])),
    powderIds,
    outcome,
  );
  await importBatches(
    job,
    rows.flatMap((row) => (row.kind === 'batch' ? [row.batch] : [])),
    powderIds,
    outcome,
  );
  return outcome;
}

/** A powder that the studio has by name stays as it is, unless a new version is wanted: then it gets the figures of the file. */
async function importPowders(
  { context, studioId, choice, transaction }: FileImport,
  powders: readonly PortablePowder[],
  outcome: ImportOutcome,
): Promise<Map<string, string>> {
  const { models } = context;
  const here = (await models.powders.findAll({ where: { studioId }, transaction, lock: transaction.LOCK.UPDATE })).map((row) => row.get());
  const byName = new Map(here.map((row) => [key(row.name), row]));
  // What else a powder is called here leads to it as well; its own name counts before another's.
  const ids = new Map([
    ...here.flatMap((row) => (row.body.aliases ?? []).map((alias): [string, string] => [key(alias), row.id])),
    ...here.map((row): [string, string] => [key(row.name), row.id]),
  ]);
  const fresh: PowderRow[] = [];
  for (const { name, ...told } of powders) {
    const there = byName.get(key(name));
    const body = there?.body.aliases ? { ...told, aliases: there.body.aliases } : told;
    if (!there) {
      const id = uuid();
      fresh.push({ id, studioId, version: 1, name, body });
      ids.set(key(name), id);
    } else if (choice === 'newVersion' && !isDeepStrictEqual(JSON.parse(JSON.stringify(there.body)), JSON.parse(JSON.stringify(body)))) {
      await models.powders.update({ body, version: there.version + 1 }, { where: { id: there.id }, transaction });
      outcome.versions += 1;
    } else outcome.left += 1;
  }
  if (fresh.length > 0) await models.powders.bulkCreate(fresh, { transaction });
  outcome.powders += fresh.length;
  return ids;
}

async function importRecipes(
  job: FileImport,
  recipes: readonly PortableRecipe[],
  powderIds: ReadonlyMap<string, string>,
  outcome: ImportOutcome,
): Promise<void> {
  const { context, studioId, choice, transaction } = job;
  const { models } = context;
  const here = (await models.recipes.findAll({ where: { studioId }, transaction, lock: transaction.LOCK.UPDATE })).map((row) => row.get());
  const byName = new Map(here.map((row) => [key(row.name), row]));
  const taken = new Set(byName.keys());
  const newRecipes: RecipeRow[] = [];
  const newVersions: RecipeVersionRow[] = [];
  for (const recipe of recipes) {
    const versions = bodiesOf(recipe, powderIds);
    const { name } = versions.at(-1)!.body;
    const there = byName.get(key(name));
    if (there && (choice === 'leaveMine' || (await isSame(job, there, versions.at(-1)!.body)))) {
      outcome.left += 1;
    } else if (there && choice === 'newVersion') {
      const number = there.version + 1;
      newVersions.push({ ...versions.at(-1)!, id: uuid(), studioId, recipeId: there.id, number, changedAt: context.now() });
      await models.recipes.update({ version: number }, { where: { id: there.id }, transaction });
      outcome.versions += 1;
    } else {
      const ownName = there ? freeName(name, taken) : name;
      taken.add(key(ownName));
      const id = uuid();
      newRecipes.push({ id, studioId, version: versions.length, name: ownName, createdAt: context.now() });
      versions.forEach((version, index) =>
        newVersions.push({ ...version, body: { ...version.body, name: ownName }, id: uuid(), studioId, recipeId: id, number: index + 1 }),
      );
      outcome.recipes += 1;
    }
  }
  for (const some of chunk(newRecipes)) await models.recipes.bulkCreate(some, { transaction });
  for (const some of chunk(newVersions)) await models.recipeVersions.bulkCreate(some, { transaction });
}

/** The newest version here says the same already: the file was taken in before. */
async function isSame({ context: { models }, transaction }: FileImport, there: RecipeRow, body: RecipeBody): Promise<boolean> {
  const row = await models.recipeVersions.findOne({ where: { recipeId: there.id, number: there.version }, transaction });
  return row !== null && isDeepStrictEqual(withoutLineIds(row.get().body), withoutLineIds(body));
}

/** Ids of lines are made anew at every import. */
const withoutLineIds = (body: RecipeBody): unknown => JSON.parse(JSON.stringify({ ...body, lines: body.lines.map(({ id: _id, ...line }) => line) }));

function bodiesOf({ versions }: PortableRecipe, powderIds: ReadonlyMap<string, string>): Pick<RecipeVersionRow, 'reason' | 'body' | 'changedAt'>[] {
  return versions.map(({ reason, changedAt, body }) => {
    const own = fromPortableBody(body, { powderId: (name) => powderIds.get(key(name)), newId: uuid });
    if (!own) throw new ProblemError('checkInput', `“${body.name}” names a powder that is neither here nor in the file. Nothing was taken in.`);
    return { reason, changedAt: new Date(changedAt), body: own };
  });
}

function freeName(name: string, taken: ReadonlySet<string>): string {
  for (let number = 2; ; number++) {
    const tried = `${name.slice(0, 70)} (${number})`;
    if (!taken.has(key(tried))) return tried;
  }
}

const AT_ONCE = 500;

function chunk<T>(rows: readonly T[]): T[][] {
  return Array.from({ length: Math.ceil(rows.length / AT_ONCE) }, (_, index) => rows.slice(index * AT_ONCE, (index + 1) * AT_ONCE));
}
