import type { Migration } from '../migration';

/** Dips whose coat was measured: coat predictions are learnt from them. */
export const coatDipTables: Migration = {
  name: '006-coat-dips',
  up: [
    `CREATE TABLE IF NOT EXISTS coat_dips (
      id CHAR(36) NOT NULL PRIMARY KEY,
      studio_id CHAR(36) NOT NULL,
      version INT NOT NULL,
      body JSON NOT NULL,
      created_at DATETIME(3) NOT NULL,
      KEY coat_dips_by_studio (studio_id, created_at),
      CONSTRAINT coat_dips_studio FOREIGN KEY (studio_id) REFERENCES studios (id)
    ) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci`,
  ],
  down: ['DROP TABLE IF EXISTS coat_dips'],
};
