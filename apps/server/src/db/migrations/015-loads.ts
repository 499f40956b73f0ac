import type { Migration } from '../migration';

/** Loads of kilns; what stands where is in the bench events. */
export const loads: Migration = {
  name: '015-loads',
  up: [
    `CREATE TABLE IF NOT EXISTS loads (
      id CHAR(36) NOT NULL PRIMARY KEY,
      studio_id CHAR(36) NOT NULL,
      version INT NOT NULL,
      kiln_id CHAR(36) NOT NULL,
      created_at DATETIME(3) NOT NULL,
      KEY loads_by_studio (studio_id, created_at),
      CONSTRAINT loads_studio FOREIGN KEY (studio_id) REFERENCES studios (id)
    ) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci`,
  ],
  down: ['DROP TABLE IF EXISTS loads'],
};
