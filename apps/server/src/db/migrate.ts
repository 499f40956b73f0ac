import { QueryTypes, type Sequelize } from 'sequelize';
import { SequelizeStorage, Umzug } from 'umzug';
import { studioTables } from './migrations/001-studio';
import { recipeAndBucketTables } from './migrations/002-recipes-and-buckets';
import { pieceTables } from './migrations/003-pieces-days-results';

/** One change to the tables, there and back, as plain SQL. */
export interface Migration {
  name: string;
  up: string[];
  down: string[];
}

/** Listed by hand, in order. */
export const MIGRATIONS: readonly Migration[] = [studioTables, recipeAndBucketTables, pieceTables];

/** Seconds a second server waits while the first one migrates. */
const LOCK_WAIT_SECONDS = 60;

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
  await sequelize.transaction(async (transaction) => {
    await sequelize.query(`SELECT GET_LOCK('cazuela_migrate', ${LOCK_WAIT_SECONDS})`, { type: QueryTypes.SELECT, transaction });
    try {
      await umzugFor(sequelize).up();
    } finally {
      await sequelize.query(`SELECT RELEASE_LOCK('cazuela_migrate')`, { type: QueryTypes.SELECT, transaction });
    }
  });
}

export async function migrateDown(sequelize: Sequelize): Promise<void> {
  await umzugFor(sequelize).down({ to: 0 });
}
