import { QueryTypes, type Sequelize, type Transaction } from 'sequelize';

/** Seconds a second server waits while the first one is at it. */
const WAIT_SECONDS = 60;

/** Several servers may start at once on one database: what must happen once is done under a lock of MariaDB's own. */
export async function withNamedLock<T>(sequelize: Sequelize, name: string, work: (transaction: Transaction) => Promise<T>): Promise<T> {
  return sequelize.transaction(async (transaction) => {
    const select = { type: QueryTypes.SELECT as const, transaction, replacements: [name] };
    await sequelize.query(`SELECT GET_LOCK(?, ${WAIT_SECONDS})`, select);
    try {
      return await work(transaction);
    } finally {
      await sequelize.query('SELECT RELEASE_LOCK(?)', select);
    }
  });
}
