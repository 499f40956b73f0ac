import type { Migration } from '../migration';

/** Kilns with their shelves: witness cones are read on each of them. */
export const kilns: Migration = {
  name: '014-kilns',
  up: [
    `CREATE TABLE IF NOT EXISTS kilns (
      id CHAR(36) NOT NULL PRIMARY KEY,
      studio_id CHAR(36) NOT NULL,
      version INT NOT NULL,
      name VARCHAR(120) NOT NULL,
      body JSON NOT NULL,
      KEY kilns_by_studio (studio_id, name),
      CONSTRAINT kilns_studio FOREIGN KEY (studio_id) REFERENCES studios (id)
    ) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci`,
  ],
  down: ['DROP TABLE IF EXISTS kilns'],
};
