import type { Migration } from '../migration';

/** Records of any kind that are out of the lists, and those that came with the example. */
export const putAwayAndExamples: Migration = {
  name: '012-put-away-and-examples',
  up: [
    `CREATE TABLE IF NOT EXISTS put_away (
      kind VARCHAR(12) NOT NULL,
      record_id CHAR(36) NOT NULL,
      studio_id CHAR(36) NOT NULL,
      put_away_at DATETIME(3) NOT NULL,
      put_away_by VARCHAR(120) NOT NULL,
      PRIMARY KEY (kind, record_id),
      KEY put_away_of_studio (studio_id),
      CONSTRAINT put_away_studio FOREIGN KEY (studio_id) REFERENCES studios (id)
    ) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci`,
    `CREATE TABLE IF NOT EXISTS example_records (
      kind VARCHAR(12) NOT NULL,
      record_id CHAR(36) NOT NULL,
      studio_id CHAR(36) NOT NULL,
      PRIMARY KEY (kind, record_id),
      KEY example_records_of_studio (studio_id),
      CONSTRAINT example_records_studio FOREIGN KEY (studio_id) REFERENCES studios (id)
    ) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci`,
  ],
  down: ['DROP TABLE IF EXISTS example_records', 'DROP TABLE IF EXISTS put_away'],
};
