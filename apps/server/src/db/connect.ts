import { Sequelize } from 'sequelize';
import type { DbConfig } from '../config';

/**
 * A Sequelize on MariaDB in strict mode, UTC, with numbers as numbers and limited waits. A `socketTimeoutMs` of 0 waits for an answer without
 * limit.
 */
export function connect(db: DbConfig, { socketTimeoutMs = 15_000 }: { socketTimeoutMs?: number } = {}): Sequelize {
  return new Sequelize(db.database, db.user, db.password, {
    dialect: 'mariadb',
    host: db.host,
    port: db.port,
    logging: false,
    timezone: '+00:00',
    define: { underscored: true, timestamps: false, charset: 'utf8mb4', collate: 'utf8mb4_unicode_ci' },
    pool: { max: 10, min: 0, acquire: 12_000, idle: 10_000 },
    dialectOptions: {
      supportBigNumbers: false,
      bigIntAsNumber: true,
      insertIdAsNumber: true,
      checkNumberRange: true,
      connectTimeout: 10_000,
      socketTimeout: socketTimeoutMs,
      // JSON columns arrive as text and are parsed in one place, the models.
      autoJsonMap: false,
      initSql: [
        "SET SESSION sql_mode='STRICT_ALL_TABLES,NO_ZERO_DATE,NO_ZERO_IN_DATE,ERROR_FOR_DIVISION_BY_ZERO,NO_ENGINE_SUBSTITUTION'",
        // After waiting for a lock, a read sees what is there now, not what was there when the transaction began.
        'SET SESSION TRANSACTION ISOLATION LEVEL READ COMMITTED',
      ],
      ...(db.tls ? { ssl: db.tls } : {}),
    },
  });
}
