import type { Migration } from '../migration';

/** Runner tiles with codes of their own: flow is learnt from them. */
export const runnerTiles: Migration = {
  name: '009-runner-tiles',
  up: [
    `CREATE TABLE IF NOT EXISTS runner_tiles (
      id CHAR(36) NOT NULL PRIMARY KEY,
      studio_id CHAR(36) NOT NULL,
      version INT NOT NULL,
      code VARCHAR(12) NOT NULL,
      body JSON NOT NULL,
      created_at DATETIME(3) NOT NULL,
      UNIQUE KEY runner_tiles_by_code (studio_id, code),
      CONSTRAINT runner_tiles_studio FOREIGN KEY (studio_id) REFERENCES studios (id)
    ) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci`,
  ],
  down: ['DROP TABLE IF EXISTS runner_tiles'],
};
