import { randomUUID } from 'node:crypto';
import type { RequestHandler } from 'express';
import type { Context } from '../../context';

class TakenBack extends Error {}

/**
 * Says whether the server and its database work: a row is written and taken back, because a database that answers may still refuse to write
 * (read-only, disk full, a cluster node by itself). The interface asks it to know when to go on.
 */
export function health({ sequelize }: Context): RequestHandler {
  return async (_request, response) => {
    await sequelize
      .transaction(async (transaction) => {
        await sequelize.query('INSERT INTO leases VALUES (?, NULL, UTC_TIMESTAMP(3))', { replacements: [`health-${randomUUID()}`], transaction });
        throw new TakenBack();
      })
      .catch((error: unknown) => {
        if (!(error instanceof TakenBack)) throw error;
      });
    response.json({ ok: true });
  };
}
