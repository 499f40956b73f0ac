import { DatabaseError, type Sequelize, type Transaction } from 'sequelize';

/** Two tablets at the same rows can lock each other out for a moment: InnoDB undoes one of them, and it is done again. */
const TRIES = 4;
const DEADLOCK = 'ER_LOCK_DEADLOCK';

/** All of it or nothing; again from the start when InnoDB chose it as the one to give way. `work` must be safe to run again. */
export async function inTransaction<T>(sequelize: Sequelize, work: (transaction: Transaction) => Promise<T>): Promise<T> {
  for (let attempt = 1; ; attempt++) {
    try {
      return await sequelize.transaction(work);
    } catch (error) {
      if (attempt >= TRIES || !isDeadlock(error)) throw error;
    }
  }
}

function isDeadlock(error: unknown): boolean {
  return error instanceof DatabaseError && (error.original as { code?: string }).code === DEADLOCK;
}
