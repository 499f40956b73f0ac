import { QueryTypes, type Sequelize } from 'sequelize';
import { SequelizeStorage, Umzug } from 'umzug';
import { studioTables } from './migrations/001-studio';
import type { DbConfig } from '../config';
import { connect } from './connect';
import { withLease, type Lease } from './lease';
import type { Migration } from './migration';
import { recipeAndBucketTables } from './migrations/002-recipes-and-buckets';
import { pieceTables } from './migrations/003-pieces-days-results';
import { shelfAndSeriesTables } from './migrations/004-shelf-and-series';
import { importTables } from './migrations/005-imports';
import { bodyCardsAndTiles } from './migrations/008-body-cards-and-tiles';
import { runnerTiles } from './migrations/009-runner-tiles';
import { coatWindowTables } from './migrations/007-coat-windows';
import { coatDipTables } from './migrations/006-coat-dips';
import { codeCounters } from './migrations/010-code-counters';
import { standardNames } from './migrations/011-standard-names';
import { putAwayAndExamples } from './migrations/012-put-away-and-examples';
import { dayPlanning } from './migrations/013-day-planning';
import { kilns } from './migrations/014-kilns';
import { loads } from './migrations/015-loads';
import { schedules } from './migrations/016-schedules';
import { firingLogs } from './migrations/017-firing-logs';
import { photosOfOpenings } from './migrations/018-photos-of-openings';
import { photoColours } from './migrations/020-photo-colours';
import { photoThumbnails } from './migrations/021-photo-thumbnails';
import { resultChanges } from './migrations/019-result-changes';

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
  codeCounters,
  standardNames,
  putAwayAndExamples,
  dayPlanning,
  kilns,
  loads,
  schedules,
  firingLogs,
  photosOfOpenings,
  resultChanges,
  photoColours,
  photoThumbnails,
];

/** Brings the tables up to date. When several servers start at once, one of them does it and the others wait. */
export async function migrateUp(db: DbConfig): Promise<void> {
  await migrating(db, (umzug) => umzug.up());
}

export async function migrateDown(db: DbConfig): Promise<void> {
  await migrating(db, (umzug) => umzug.down({ to: 0 }));
}

async function migrating(db: DbConfig, work: (umzug: Umzug) => Promise<unknown>): Promise<void> {
  // A change to a large table may take long: these connections have no time limit on an answer.
  const sequelize = connect(db, { socketTimeoutMs: 0 });
  try {
    await withLease(sequelize, 'migrate', async (lease) => {
      await sequelize.query(
        'CREATE TABLE IF NOT EXISTS migration_steps (name VARCHAR(120) NOT NULL, step INT NOT NULL, done_at DATETIME(3) NOT NULL, PRIMARY KEY (name, step))',
      );
      await work(umzugFor(sequelize, lease));
    });
  } finally {
    await sequelize.close();
  }
}

function umzugFor(sequelize: Sequelize, lease: Lease): Umzug {
  return new Umzug({
    migrations: MIGRATIONS.map(({ name, up, down }) => ({
      name,
      up: () => runSteps(sequelize, lease, name, up),
      down: async () => {
        for (const statement of down) await sequelize.query(statement);
        await sequelize.query('DELETE FROM migration_steps WHERE name = ?', { replacements: [name] });
      },
    })),
    storage: new SequelizeStorage({ sequelize, tableName: 'migrations' }),
    logger: undefined,
  });
}

/**
 * MariaDB commits each change to a table at once, so a migration can be cut off between two of them. Each statement is recorded when it is done;
 * one that was cut off is done again, so every statement must be repeatable.
 */
async function runSteps(sequelize: Sequelize, lease: Lease, name: string, statements: readonly string[]): Promise<void> {
  const rows = await sequelize.query<{ step: number }>('SELECT step FROM migration_steps WHERE name = ?', {
    replacements: [name],
    type: QueryTypes.SELECT,
  });
  const done = new Set(rows.map(({ step }) => step));
  for (const [step, statement] of statements.entries()) {
    if (done.has(step)) continue;
    lease.check();
    await sequelize.query(statement);
    await sequelize.query('INSERT IGNORE INTO migration_steps VALUES (?, ?, UTC_TIMESTAMP(3))', { replacements: [name, step] });
  }
}
