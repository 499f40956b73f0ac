import type { Migration } from '../migration';

/** Powders become documents with stock; a studio has several scales; test series have sheets of their own. */
export const shelfAndSeriesTables: Migration = {
  name: '004-shelf-and-series',
  up: [
    'ALTER TABLE powders ADD COLUMN IF NOT EXISTS version INT NOT NULL DEFAULT 1',
    'ALTER TABLE batches ADD COLUMN IF NOT EXISTS set_aside BOOLEAN NOT NULL DEFAULT FALSE',
    `CREATE TABLE IF NOT EXISTS stock_moves (
      seq BIGINT NOT NULL AUTO_INCREMENT PRIMARY KEY,
      id CHAR(36) NOT NULL,
      studio_id CHAR(36) NOT NULL,
      powder_id CHAR(36) NOT NULL,
      delta_grams DOUBLE NOT NULL,
      body JSON NOT NULL,
      UNIQUE KEY stock_moves_by_id (studio_id, id),
      KEY stock_moves_by_powder (studio_id, powder_id, seq),
      CONSTRAINT stock_moves_powder FOREIGN KEY (powder_id) REFERENCES powders (id),
      CONSTRAINT stock_moves_studio FOREIGN KEY (studio_id) REFERENCES studios (id)
    ) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci`,
    `CREATE TABLE IF NOT EXISTS powder_uses (
      studio_id CHAR(36) NOT NULL,
      what VARCHAR(12) NOT NULL,
      what_id CHAR(36) NOT NULL,
      powder_id CHAR(36) NOT NULL,
      grams DOUBLE NOT NULL,
      PRIMARY KEY (what, what_id, powder_id),
      KEY powder_uses_by_powder (studio_id, powder_id),
      CONSTRAINT powder_uses_studio FOREIGN KEY (studio_id) REFERENCES studios (id)
    ) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci`,
    `CREATE TABLE IF NOT EXISTS series (
      id CHAR(36) NOT NULL PRIMARY KEY,
      studio_id CHAR(36) NOT NULL,
      version INT NOT NULL,
      code VARCHAR(12) NOT NULL,
      body JSON NOT NULL,
      created_at DATETIME(3) NOT NULL,
      done_at DATETIME(3) NULL,
      UNIQUE KEY series_by_code (studio_id, code),
      CONSTRAINT series_studio FOREIGN KEY (studio_id) REFERENCES studios (id)
    ) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci`,
    `UPDATE studios SET body = JSON_SET(JSON_REMOVE(body, '$.scale'),
      '$.currency', '€',
      '$.scales', JSON_ARRAY(JSON_SET(JSON_QUERY(body, '$.scale'), '$.id', UUID(), '$.checks', JSON_ARRAY())))
      WHERE JSON_EXISTS(body, '$.scale')`,
  ],
  down: [
    `UPDATE studios SET body = JSON_SET(JSON_REMOVE(body, '$.scales', '$.currency'),
      '$.scale', JSON_REMOVE(JSON_QUERY(body, '$.scales[0]'), '$.id', '$.checks'))
      WHERE JSON_EXISTS(body, '$.scales')`,
    'DROP TABLE IF EXISTS series',
    'DROP TABLE IF EXISTS powder_uses',
    'DROP TABLE IF EXISTS stock_moves',
    'ALTER TABLE batches DROP COLUMN IF EXISTS set_aside',
    'ALTER TABLE powders DROP COLUMN IF EXISTS version',
  ],
};
