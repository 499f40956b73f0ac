import type { Logger } from 'pino';
import type { Sequelize } from 'sequelize';
import type { Config } from './config';
import type { Models } from './db/models';

/** What every handler may use. Nothing else lives in the server's memory: several servers can share one database. */
export interface Context {
  config: Config;
  sequelize: Sequelize;
  models: Models;
  log: Logger;
  now: () => Date;
}
