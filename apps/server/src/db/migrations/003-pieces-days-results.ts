import type { Migration } from '../migration';

export const pieceTables: Migration = {
  name: '003-pieces-days-results',
  up: [
    `CREATE TABLE IF NOT EXISTS pieces (
      id CHAR(36) NOT NULL PRIMARY KEY,
      studio_id CHAR(36) NOT NULL,
      version INT NOT NULL,
      name VARCHAR(120) NOT NULL,
      clay_body_id CHAR(36) NOT NULL,
      body JSON NOT NULL,
      created_at DATETIME(3) NOT NULL,
      KEY pieces_by_date (studio_id, created_at),
      CONSTRAINT pieces_clay_body FOREIGN KEY (clay_body_id) REFERENCES bodies (id),
      CONSTRAINT pieces_studio FOREIGN KEY (studio_id) REFERENCES studios (id)
    ) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci`,
    `CREATE TABLE IF NOT EXISTS days (
      id CHAR(36) NOT NULL PRIMARY KEY,
      studio_id CHAR(36) NOT NULL,
      version INT NOT NULL,
      date DATE NOT NULL,
      items JSON NOT NULL,
      created_at DATETIME(3) NOT NULL,
      UNIQUE KEY days_by_date (studio_id, date),
      CONSTRAINT days_studio FOREIGN KEY (studio_id) REFERENCES studios (id)
    ) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci`,
    `CREATE TABLE IF NOT EXISTS firings (
      id CHAR(36) NOT NULL PRIMARY KEY,
      studio_id CHAR(36) NOT NULL,
      version INT NOT NULL,
      started_at DATETIME(3) NOT NULL,
      body JSON NOT NULL,
      KEY firings_by_date (studio_id, started_at),
      CONSTRAINT firings_studio FOREIGN KEY (studio_id) REFERENCES studios (id)
    ) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci`,
    `CREATE TABLE IF NOT EXISTS photos (
      id CHAR(36) NOT NULL PRIMARY KEY,
      studio_id CHAR(36) NOT NULL,
      width INT NOT NULL,
      height INT NOT NULL,
      jpeg MEDIUMBLOB NOT NULL,
      created_at DATETIME(3) NOT NULL,
      CONSTRAINT photos_studio FOREIGN KEY (studio_id) REFERENCES studios (id)
    ) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci`,
    `CREATE TABLE IF NOT EXISTS results (
      id CHAR(36) NOT NULL PRIMARY KEY,
      studio_id CHAR(36) NOT NULL,
      version INT NOT NULL,
      piece_id CHAR(36) NOT NULL,
      firing_id CHAR(36) NOT NULL,
      photo_id CHAR(36) NULL,
      body JSON NOT NULL,
      glazed_with JSON NOT NULL,
      created_at DATETIME(3) NOT NULL,
      KEY results_by_date (studio_id, created_at),
      CONSTRAINT results_piece FOREIGN KEY (piece_id) REFERENCES pieces (id),
      CONSTRAINT results_firing FOREIGN KEY (firing_id) REFERENCES firings (id),
      CONSTRAINT results_photo FOREIGN KEY (photo_id) REFERENCES photos (id),
      CONSTRAINT results_studio FOREIGN KEY (studio_id) REFERENCES studios (id)
    ) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci`,
  ],
  down: [
    'DROP TABLE IF EXISTS results',
    'DROP TABLE IF EXISTS photos',
    'DROP TABLE IF EXISTS firings',
    'DROP TABLE IF EXISTS days',
    'DROP TABLE IF EXISTS pieces',
  ],
};
