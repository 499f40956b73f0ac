import type { RecordKind } from '@cazuela/contract';
import type { Model, ModelStatic } from 'sequelize';
import type { Models } from '../../db/models';

/** Rows of any table, looked at by their column names. */
export type AnyTable = ModelStatic<Model>;
type AnyRow = Record<string, unknown>;

/** Rows that belong to a record and are deleted with it. */
export interface Owned {
  table: keyof Models;
  where: AnyRow;
  one: string;
  many: string;
}

interface RecordTable {
  table: keyof Models;
  /** How it is called in a sentence. */
  words: string;
  nameOf: (row: AnyRow, models: Models) => string | Promise<string>;
  owned?: (row: AnyRow) => Owned[];
  /** What it follows from, and would come back by. */
  followsFrom?: (row: AnyRow) => string | undefined;
}

const body = (row: AnyRow): AnyRow => row['body'] as AnyRow;
const named = (row: AnyRow): string => String(row['name']);
const dateOf = (at: unknown): string => (at as Date).toISOString().slice(0, 10);
/** Returns the name of another row that this one points to. */
const nameIn = async (table: Models['pieces'] | Models['recipes'] | Models['bodies'] | Models['kilns'], id: unknown): Promise<string> =>
  ((await (table as AnyTable).findByPk(String(id), { attributes: ['name'] }))?.get('name') as string | undefined) ?? 'not known';
const history = (stream: string, row: AnyRow): Owned => ({
  table: 'benchEvents',
  where: { stream, streamId: row['id'] },
  one: 'entry of its history',
  many: 'entries of its history',
});

/** Every kind of record with its table, its name, and what is deleted with it. */
export const RECORD_TABLES: Readonly<Record<RecordKind, RecordTable>> = {
  recipe: {
    table: 'recipes',
    words: 'recipe',
    nameOf: named,
    owned: (row) => [{ table: 'recipeVersions', where: { recipeId: row['id'] }, one: 'version', many: 'versions' }],
  },
  powder: {
    table: 'powders',
    words: 'powder',
    nameOf: named,
    owned: (row) => [{ table: 'stockMoves', where: { powderId: row['id'] }, one: 'entry of its stock', many: 'entries of its stock' }],
  },
  body: { table: 'bodies', words: 'clay body', nameOf: named },
  piece: { table: 'pieces', words: 'piece', nameOf: named },
  tile: { table: 'tiles', words: 'step tile', nameOf: (row) => String(body(row)['glazeName']) },
  runner: {
    table: 'runnerTiles',
    words: 'runner tile',
    nameOf: (row) => (body(row)['layers'] as { glazeName: string }[]).map(({ glazeName }) => glazeName).join(' under '),
  },
  window: {
    table: 'coatWindows',
    words: 'window',
    nameOf: async (row, { recipes, bodies }) => `${await nameIn(recipes, row['glazeId'])} on ${await nameIn(bodies, row['bodyId'])}`,
  },
  batch: {
    table: 'batches',
    words: 'batch',
    nameOf: async (row, { recipes }) => `${await nameIn(recipes, row['recipeId'])}, ${dateOf(row['createdAt'])}`,
    owned: (row) => [history('batch', row)],
  },
  bucket: { table: 'buckets', words: 'bucket', nameOf: named, owned: (row) => [history('bucket', row)] },
  series: { table: 'series', words: 'series', nameOf: (row) => String(body(row)['name']) },
  day: { table: 'days', words: 'day', nameOf: (row) => String(row['date']) },
  kiln: { table: 'kilns', words: 'kiln', nameOf: named },
  load: {
    table: 'loads',
    words: 'load',
    nameOf: async (row, { kilns }) => `${await nameIn(kilns, row['kilnId'])}, ${dateOf(row['createdAt'])}`,
    owned: (row) => [history('load', row)],
  },
  schedule: { table: 'schedules', words: 'schedule', nameOf: named },
  firing: {
    table: 'firings',
    words: 'firing',
    nameOf: (row) => `${String(body(row)['kiln'])}, ${dateOf(row['startedAt'])}`,
    owned: (row) => [
      history('firing', row),
      { table: 'kilnReadings', where: { firingId: row['id'] }, one: 'reading of its log', many: 'readings of its log' },
      { table: 'firingLogs', where: { firingId: row['id'] }, one: 'log', many: 'logs' },
    ],
  },
  result: {
    table: 'results',
    words: 'result',
    nameOf: async (row, { pieces }) => `${await nameIn(pieces, row['pieceId'])}, ${dateOf(row['createdAt'])}`,
    followsFrom: (row) => (body(row)['loadPieceId'] ? 'what was said at the opening of its kiln' : undefined),
    owned: (row) => (row['photoId'] ? [{ table: 'photos', where: { id: row['photoId'] }, one: 'photo', many: 'photos' }] : []),
  },
  change: { table: 'resultChanges', words: 'change', nameOf: (row) => `${String(body(row)['kind'])}, ${dateOf(row['madeAt'])}` },
};

/** Where the id of a record can stand, and how such a use is called. */
export interface Mentioning {
  table: keyof Models;
  columns: readonly string[];
  one: string;
  many: string;
  /** Counted once for each of these, e.g. a recipe with ten versions. */
  distinct?: string;
}

export const MENTIONING: readonly Mentioning[] = [
  { table: 'recipeVersions', columns: ['body'], one: 'recipe', many: 'recipes', distinct: 'recipeId' },
  { table: 'batches', columns: ['recipeId', 'recipeVersionId', 'bucketId', 'question', 'plan'], one: 'batch', many: 'batches' },
  { table: 'buckets', columns: ['recipeId', 'recipeVersionId', 'body', 'contents'], one: 'bucket', many: 'buckets' },
  { table: 'benchEvents', columns: ['streamId', 'body'], one: 'entry of a history', many: 'entries of histories' },
  { table: 'powderUses', columns: ['whatId', 'powderId'], one: 'powder taken from the shelf', many: 'powders taken from the shelf' },
  { table: 'stockMoves', columns: ['powderId'], one: 'entry of the stock', many: 'entries of the stock' },
  { table: 'series', columns: ['body'], one: 'series', many: 'series' },
  { table: 'tiles', columns: ['body'], one: 'step tile', many: 'step tiles' },
  { table: 'runnerTiles', columns: ['body'], one: 'runner tile', many: 'runner tiles' },
  { table: 'coatDips', columns: ['body'], one: 'measured dip', many: 'measured dips' },
  { table: 'coatWindows', columns: ['glazeId', 'bodyId', 'changes'], one: 'window of a coat', many: 'windows of coats' },
  { table: 'pieces', columns: ['clayBodyId', 'body'], one: 'piece plan', many: 'piece plans' },
  { table: 'days', columns: ['items'], one: 'day', many: 'days' },
  { table: 'loads', columns: ['kilnId'], one: 'load', many: 'loads' },
  { table: 'firings', columns: ['body'], one: 'firing', many: 'firings' },
  { table: 'firingLogs', columns: ['kilnId'], one: 'log of a firing', many: 'logs of firings' },
  { table: 'results', columns: ['pieceId', 'firingId', 'photoId', 'body', 'glazedWith'], one: 'result', many: 'results' },
  { table: 'resultChanges', columns: ['body'], one: 'change in the ledger', many: 'changes in the ledger' },
];
