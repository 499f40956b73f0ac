import type { Sequelize } from 'sequelize';
import { SequelizeStorage, Umzug } from 'umzug';
import { studioTables } from './migrations/001-studio';
import { withNamedLock } from './named-lock';
import { recipeAndBucketTables } from './migrations/002-recipes-and-buckets';
import { pieceTables } from './migrations/003-pieces-days-results';
import { shelfAndSeriesTables } from './migrations/004-shelf-and-series';
import { importTables } from './migrations/005-imports';
import { bodyCardsAndTiles } from './migrations/008-body-cards-and-tiles';
import { runnerTiles } from './migrations/009-runner-tiles';
import { coatWindowTables } from './migrations/007-coat-windows';
import { coatDipTables } from './migrations/006-coat-dips';

/** One change to the tables, there and back, as plain SQL. */
export interface Migration {
  name: string;
  up: string[];
  down: string[];
}

/** Listed by hand, in order. */
export const MIGRATIONS: readonly Migration[] = [
  studioTables,
  recipeAndBucketTables,
  pieceTables,
  shelfAndSeriesTables,
  importTables,
  coatDipTables,
  coatWindowTables,
  bodyCardsAndTiles,
  runnerTiles,
];

function umzugFor(sequelize: Sequelize): Umzug {
  const run = async (statements: string[]): Promise<void> => {
    for (const statement of statements) await sequelize.query(statement);
  };
  return new Umzug({
    migrations: MIGRATIONS.map((migration) => ({ name: migration.name, up: () => run(migration.up), down: () => run(migration.down) })),
    storage: new SequelizeStorage({ sequelize, tableName: 'migrations' }),
    logger: undefined,
  });
}

/** Brings the tables up to date. Several servers may start at once: a named lock lets one of them do it. */
export async function migrateUp(sequelize: Sequelize): Promise<void> {
  await withNamedLock(sequelize, 'cazuela_migrate', async () => {
    await umzugFor(sequelize).up();
  });
}

export async function migrateDown(sequelize: Sequelize): Promise<void> {
  await umzugFor(sequelize).down({ to: 0 });
}
