import { setTimeout as delay } from 'node:timers/promises';
import { BaseError, type Sequelize, type Transaction } from 'sequelize';
import { ProblemError } from '../http/problem-error';

/** Tries before the client is told to come back; with the waits between them about three seconds. */
const TRIES = 16;
const FIRST_WAIT_MS = 5;
const LONGEST_WAIT_MS = 400;

/**
 * Errors after which MariaDB undid the work and the same work may go through when it is done again: a row changed since it was read,
 * cluster node not ready, duplicate key (another request made it a moment earlier, and the next try sees it), error while committing,
 * lock wait timeout, deadlock.
 */
const AGAIN = { recordChanged: 1020, nodeNotReady: 1047, duplicateKey: 1062, commitFailed: 1180, lockWaitTimeout: 1205, deadlock: 1213 } as const;
const AGAIN_CODES: ReadonlySet<number> = new Set(Object.values(AGAIN));

/**
 * All of it or nothing, done again from the start when InnoDB chose it as the one to give way. `work` must be safe to run again and takes
 * its locks in the order of docs/decisions/one-order-of-locks.md.
 */
export function inTransaction<T>(sequelize: Sequelize, work: (transaction: Transaction) => Promise<T>): Promise<T> {
  return withRetries(() => sequelize.transaction(work));
}

/**
 * Does one piece of database work again, with growing waits, while MariaDB asks for it.
 * Throws `busy` when the tries run out, and the error itself when a key is still taken or when it is of another kind.
 */
export async function withRetries<T>(work: () => Promise<T>): Promise<T> {
  for (let attempt = 1; ; attempt++) {
    try {
      return await work();
    } catch (error) {
      const number = errorNumber(error);
      if (number === undefined || !AGAIN_CODES.has(number)) throw error;
      // A key that is taken stays taken: one more look tells whether it is ours.
      const enough = number === AGAIN.duplicateKey ? 3 : TRIES;
      if (attempt >= enough) {
        if (number === AGAIN.duplicateKey) throw error;
        throw new ProblemError('busy', 'Many are writing to this at once. What you did is kept, and tried again in a moment.', {}, { cause: error });
      }
      // Random, so that two who met do not meet again.
      await delay(Math.random() * Math.min(LONGEST_WAIT_MS, FIRST_WAIT_MS * 2 ** attempt));
    }
  }
}

/** MariaDB's number of an error, if it is one. */
function errorNumber(error: unknown): number | undefined {
  if (!(error instanceof BaseError)) return undefined;
  const cause = (error as { original?: { errno?: unknown } }).original ?? (error as { parent?: { errno?: unknown } }).parent;
  return typeof cause?.errno === 'number' ? cause.errno : undefined;
}
