import type { Migration } from '../migration';

export const studioTables: Migration = {
  name: '001-studio',
  up: [
    `CREATE TABLE IF NOT EXISTS studios (
      id CHAR(36) NOT NULL PRIMARY KEY,
      version INT NOT NULL DEFAULT 1,
      demo TINYINT(1) NOT NULL DEFAULT 0,
      body JSON NOT NULL,
      created_at DATETIME(3) NOT NULL
    ) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci`,
    `CREATE TABLE IF NOT EXISTS powders (
      id CHAR(36) NOT NULL PRIMARY KEY,
      studio_id CHAR(36) NOT NULL,
      name VARCHAR(120) NOT NULL,
      body JSON NOT NULL,
      KEY powders_by_name (studio_id, name),
      CONSTRAINT powders_studio FOREIGN KEY (studio_id) REFERENCES studios (id)
    ) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci`,
    `CREATE TABLE IF NOT EXISTS bodies (
      id CHAR(36) NOT NULL PRIMARY KEY,
      studio_id CHAR(36) NOT NULL,
      name VARCHAR(120) NOT NULL,
      body JSON NOT NULL,
      KEY bodies_by_name (studio_id, name),
      CONSTRAINT bodies_studio FOREIGN KEY (studio_id) REFERENCES studios (id)
    ) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci`,
  ],
  down: ['DROP TABLE IF EXISTS bodies', 'DROP TABLE IF EXISTS powders', 'DROP TABLE IF EXISTS studios'],
};
