import { randomUUID } from 'node:crypto';
import { setTimeout as delay } from 'node:timers/promises';
import { QueryTypes, type Sequelize } from 'sequelize';
import { withRetries } from './in-transaction';

/** How long a lease holds when nothing is heard of its holder, s; it is renewed well before that. */
const HOLD_SECONDS = 15;
const RENEW_MS = 4_000;
const LOOK_AGAIN_MS = 150;
/** How long a second server waits for the first one. */
const WAIT_MS = 120_000;

export interface Lease {
  /** Throws when another server took over, because nothing was heard from this one for too long. */
  check: () => void;
}

/**
 * Several servers may start at once on one database, also on different nodes of a cluster: what must happen once is done by the one that holds the
 * row. MariaDB's GET_LOCK would not do: it is known to one node only, and ends with its connection. Throws when the row is still held after two
 * minutes.
 */
export async function withLease<T>(sequelize: Sequelize, name: string, work: (lease: Lease) => Promise<T>): Promise<T> {
  const holder = randomUUID();
  await ensureTable(sequelize);
  const until = Date.now() + WAIT_MS;
  while (!(await take(sequelize, name, holder))) {
    if (Date.now() > until) throw new Error(`Another server has held “${name}” for ${WAIT_MS / 1000} s. Is one still starting, or stuck?`);
    await delay(LOOK_AGAIN_MS);
  }
  let isLost = false;
  const renewal = setInterval(() => {
    renew(sequelize, name, holder).then(
      (held) => (isLost ||= !held),
      () => undefined,
    );
  }, RENEW_MS);
  try {
    return await work({
      check: () => {
        if (isLost) throw new Error(`Another server took over “${name}” while this one was slow. Start this one again.`);
      },
    });
  } finally {
    clearInterval(renewal);
    await change(sequelize, 'UPDATE leases SET holder = NULL WHERE name = ? AND holder = ?', [name, holder]).catch(() => undefined);
  }
}

async function ensureTable(sequelize: Sequelize): Promise<void> {
  await withRetries(() =>
    sequelize.query('CREATE TABLE IF NOT EXISTS leases (name VARCHAR(60) NOT NULL PRIMARY KEY, holder CHAR(36) NULL, ends_at DATETIME(3) NOT NULL)'),
  );
}

async function take(sequelize: Sequelize, name: string, holder: string): Promise<boolean> {
  await change(sequelize, "INSERT IGNORE INTO leases VALUES (?, NULL, '2000-01-01')", [name]);
  const free = `UPDATE leases SET holder = ?, ends_at = ${END} WHERE name = ? AND (holder IS NULL OR ends_at < UTC_TIMESTAMP(3))`;
  return (await change(sequelize, free, [holder, name])) === 1;
}

const END = `UTC_TIMESTAMP(3) + INTERVAL ${HOLD_SECONDS} SECOND`;

async function renew(sequelize: Sequelize, name: string, holder: string): Promise<boolean> {
  return (await change(sequelize, `UPDATE leases SET ends_at = ${END} WHERE name = ? AND holder = ?`, [name, holder])) === 1;
}

/** Number of changed rows. */
async function change(sequelize: Sequelize, sql: string, replacements: string[]): Promise<number> {
  const [, rows] = await withRetries(() => sequelize.query(sql, { replacements, type: QueryTypes.UPDATE }));
  return rows;
}
