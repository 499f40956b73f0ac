import type { Migration } from '../migration';

/** A file that is being sent waits here until all of it has come; then it goes in at once or not at all. */
export const importTables: Migration = {
  name: '005-imports',
  up: [
    `CREATE TABLE IF NOT EXISTS imports (
      id CHAR(36) NOT NULL PRIMARY KEY,
      studio_id CHAR(36) NOT NULL,
      outcome JSON NULL,
      created_at DATETIME(3) NOT NULL,
      KEY imports_by_date (created_at),
      CONSTRAINT imports_studio FOREIGN KEY (studio_id) REFERENCES studios (id)
    ) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci`,
    `CREATE TABLE IF NOT EXISTS import_rows (
      import_id CHAR(36) NOT NULL,
      seq INT NOT NULL,
      body JSON NOT NULL,
      PRIMARY KEY (import_id, seq),
      CONSTRAINT import_rows_import FOREIGN KEY (import_id) REFERENCES imports (id) ON DELETE CASCADE
    ) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci`,
  ],
  down: ['DROP TABLE IF EXISTS import_rows', 'DROP TABLE IF EXISTS imports'],
};
