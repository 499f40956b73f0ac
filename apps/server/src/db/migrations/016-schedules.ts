import type { Migration } from '../migration';

/** Schedules of firings, with how they were before each change. */
export const schedules: Migration = {
  name: '016-schedules',
  up: [
    `CREATE TABLE IF NOT EXISTS schedules (
      id CHAR(36) NOT NULL PRIMARY KEY,
      studio_id CHAR(36) NOT NULL,
      version INT NOT NULL,
      name VARCHAR(120) NOT NULL,
      body JSON NOT NULL,
      earlier JSON NOT NULL,
      KEY schedules_by_studio (studio_id, name),
      CONSTRAINT schedules_studio FOREIGN KEY (studio_id) REFERENCES studios (id)
    ) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci`,
  ],
  down: ['DROP TABLE IF EXISTS schedules'],
};
