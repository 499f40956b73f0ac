import { setTimeout as delay } from 'node:timers/promises';
import { BaseError, type Sequelize, type Transaction } from 'sequelize';
import { ProblemError } from '../http/problem-error';

/** Tries before the client is told to come back: about three seconds with the waits between them. */
const TRIES = 16;
const FIRST_WAIT_MS = 5;
const LONGEST_WAIT_MS = 400;

/**
 * Errors after which MariaDB has undone the work, and the same work may succeed when it is repeated: a row changed since it was read, cluster node
 * not ready, duplicate key (another request made it a moment earlier, and the next try sees it), error while committing, lock wait timeout,
 * deadlock.
 */
const AGAIN = { recordChanged: 1020, nodeNotReady: 1047, duplicateKey: 1062, commitFailed: 1180, lockWaitTimeout: 1205, deadlock: 1213 } as const;
const AGAIN_CODES: ReadonlySet<number> = new Set(Object.values(AGAIN));

/**
 * Runs work in a transaction, all of it or nothing, and repeats it from the start when InnoDB rolled it back. `work` must be safe to repeat, and
 * takes its locks in the order of docs/decisions/one-order-of-locks.md.
 */
export function inTransaction<T>(sequelize: Sequelize, work: (transaction: Transaction) => Promise<T>): Promise<T> {
  return withRetries(() => sequelize.transaction(work));
}

/**
 * Repeats one piece of database work, with growing waits, while MariaDB asks for it. Throws `busy` when the tries run out, and the error itself
 * when a key is still taken or the error is of another kind.
 */
export async function withRetries<T>(work: () => Promise<T>): Promise<T> {
  for (let attempt = 1; ; attempt++) {
    try {
      return await work();
    } catch (error) {
      const number = errorNumber(error);
      if (number === undefined || !AGAIN_CODES.has(number)) throw error;
      // A key that is taken stays taken: one more try shows whether the row is ours.
      const enough = number === AGAIN.duplicateKey ? 3 : TRIES;
      if (attempt >= enough) {
        if (number === AGAIN.duplicateKey) throw error;
        throw new ProblemError('busy', 'Many are writing to this at once. What you did is kept, and tried again in a moment.', {}, { cause: error });
      }
      // Random, so that two clients that collided do not collide again.
      await delay(Math.random() * Math.min(LONGEST_WAIT_MS, FIRST_WAIT_MS * 2 ** attempt));
    }
  }
}

/** Returns MariaDB's number of an error, or undefined. */
function errorNumber(error: unknown): number | undefined {
  if (!(error instanceof BaseError)) return undefined;
  const cause = (error as { original?: { errno?: unknown } }).original ?? (error as { parent?: { errno?: unknown } }).parent;
  return typeof cause?.errno === 'number' ? cause.errno : undefined;
}
