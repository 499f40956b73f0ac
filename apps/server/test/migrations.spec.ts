import { QueryTypes } from 'sequelize';
import { configFrom, type DbConfig } from '../src/config';
import { connect } from '../src/db/connect';
import { withLease } from '../src/db/lease';
import { migrateUp, MIGRATIONS } from '../src/db/migrate';
import { readEnv } from '../src/env';
import { emptyDatabase } from './empty-database';

async function emptyConfig(): Promise<DbConfig> {
  const { host, port, user, password, database } = await emptyDatabase();
  return { ...configFrom(readEnv({})).db, host, port, user, password, database };
}

/** Every statement of a first start, in order: the power may fail after each of them. */
const ALL = MIGRATIONS.flatMap(({ up }) => up);

describe('a first start that was cut off', () => {
  // Some of them: each takes a database of its own. `./cazuela prove` kills a starting server anywhere.
  it.each([1, 2, 7, 12, 17, ALL.length - 5, ALL.length])(
    'after statement %i, of which nobody noted that it was done, goes on from there',
    async (done) => {
      const db = await emptyConfig();
      const sequelize = connect(db);
      for (const statement of ALL.slice(0, done)) await sequelize.query(statement);
      await migrateUp(db);
      const rows = await sequelize.query<{ name: string }>('SELECT name FROM migrations', { type: QueryTypes.SELECT });
      expect(rows).toHaveLength(MIGRATIONS.length);
      await sequelize.close();
    },
  );

  it('a start that finds all done does nothing again', async () => {
    const db = await emptyConfig();
    await migrateUp(db);
    const sequelize = connect(db);
    await migrateUp(db);
    const steps = await sequelize.query('SELECT step FROM migration_steps', { type: QueryTypes.SELECT });
    expect(steps).toHaveLength(ALL.length);
    await sequelize.close();
  });
});

describe('plans and days of an earlier version', () => {
  it('keep all they hold under the standard names; words of the potter stay as they were typed', async () => {
    const db = await emptyConfig();
    const sequelize = connect(db);
    const before = MIGRATIONS.filter(({ name }) => name < '011').flatMap(({ up }) => up);
    for (const statement of before) await sequelize.query(statement);
    await sequelize.query('SET FOREIGN_KEY_CHECKS = 0');
    const words = 'The "way": of it, "stuff": and "pots":';
    const items = [{ id: 'a', words, steps: [{ handSeconds: 25, method: 1 }] }];
    await sequelize.query('INSERT INTO days VALUES (UUID(), UUID(), 1, "2026-11-20", ?, NOW(3))', { replacements: [JSON.stringify(items)] });
    const plan = { pots: [{ stuff: 'slip' }], zones: { rim: [{ way: 'dip' }] }, note: words };
    await sequelize.query('INSERT INTO pieces VALUES (UUID(), UUID(), 1, "Jug", UUID(), ?, NOW(3))', { replacements: [JSON.stringify({ plan })] });
    await sequelize.close();

    await migrateUp(db);
    const after = connect(db);
    const [day] = await after.query<{ items: string }>('SELECT items FROM days', { type: QueryTypes.SELECT });
    expect(JSON.parse(day!.items)).toEqual([{ id: 'a', words, steps: [{ laborSeconds: 25, method: 1 }] }]);
    const [piece] = await after.query<{ body: string }>('SELECT body FROM pieces', { type: QueryTypes.SELECT });
    expect(JSON.parse(piece!.body)).toEqual({
      plan: { decoratingColours: [{ coatingKind: 'slip' }], zones: { rim: [{ method: 'dip' }] }, note: words },
    });
    await after.close();
  });
});

describe('a lease', () => {
  it('is had by one at a time, and by the next when the first is done', async () => {
    const sequelize = connect(await emptyConfig());
    let inside = 0;
    let most = 0;
    const work = async (): Promise<void> => {
      most = Math.max(most, ++inside);
      await new Promise((resolve) => setTimeout(resolve, 20));
      inside -= 1;
    };
    await Promise.all([1, 2, 3].map(() => withLease(sequelize, 'test', work)));
    expect(most).toBe(1);
    const rows = await sequelize.query<{ holder: string | null }>('SELECT holder FROM leases', { type: QueryTypes.SELECT });
    expect(rows).toEqual([{ holder: null }]);
    await sequelize.close();
  });
});
