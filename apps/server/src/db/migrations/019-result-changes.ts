import type { Migration } from '../migration';

/** The ledger of changes: what was made of results, and what was refused. */
export const resultChanges: Migration = {
  name: '019-result-changes',
  up: [
    `CREATE TABLE IF NOT EXISTS result_changes (
      id CHAR(36) NOT NULL PRIMARY KEY,
      studio_id CHAR(36) NOT NULL,
      body LONGTEXT NOT NULL,
      made_at DATETIME(3) NOT NULL,
      KEY result_changes_by_date (studio_id, made_at),
      CONSTRAINT result_changes_studio FOREIGN KEY (studio_id) REFERENCES studios (id)
    ) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci`,
  ],
  down: ['DROP TABLE IF EXISTS result_changes'],
};
