import type { Migration } from '../migration';

/** Clay bodies become cards that two people may change; step tiles have codes of their own. */
export const bodyCardsAndTiles: Migration = {
  name: '008-body-cards-and-tiles',
  up: [
    'ALTER TABLE bodies ADD COLUMN IF NOT EXISTS version INT NOT NULL DEFAULT 1',
    `CREATE TABLE IF NOT EXISTS tiles (
      id CHAR(36) NOT NULL PRIMARY KEY,
      studio_id CHAR(36) NOT NULL,
      version INT NOT NULL,
      code VARCHAR(12) NOT NULL,
      body JSON NOT NULL,
      created_at DATETIME(3) NOT NULL,
      UNIQUE KEY tiles_by_code (studio_id, code),
      CONSTRAINT tiles_studio FOREIGN KEY (studio_id) REFERENCES studios (id)
    ) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci`,
  ],
  down: ['DROP TABLE IF EXISTS tiles', 'ALTER TABLE bodies DROP COLUMN IF EXISTS version'],
};
