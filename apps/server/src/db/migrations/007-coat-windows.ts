import type { Migration } from '../migration';

/** How thick a glaze looks right on a body, with every change of mind. */
export const coatWindowTables: Migration = {
  name: '007-coat-windows',
  up: [
    `CREATE TABLE IF NOT EXISTS coat_windows (
      id CHAR(36) NOT NULL PRIMARY KEY,
      studio_id CHAR(36) NOT NULL,
      version INT NOT NULL,
      glaze_id CHAR(36) NOT NULL,
      body_id CHAR(36) NOT NULL,
      changes JSON NOT NULL,
      UNIQUE KEY coat_windows_by_pair (studio_id, glaze_id, body_id),
      CONSTRAINT coat_windows_studio FOREIGN KEY (studio_id) REFERENCES studios (id),
      CONSTRAINT coat_windows_body FOREIGN KEY (body_id) REFERENCES bodies (id)
    ) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci`,
  ],
  down: ['DROP TABLE IF EXISTS coat_windows'],
};
