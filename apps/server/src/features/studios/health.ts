import type { RequestHandler } from 'express';
import { QueryTypes } from 'sequelize';
import type { Context } from '../../context';

/** Says whether the server and its database answer; the interface asks it to know when to go on. */
export function health({ sequelize }: Context): RequestHandler {
  return async (_request, response) => {
    await sequelize.query('SELECT 1', { type: QueryTypes.SELECT });
    response.json({ ok: true });
  };
}
