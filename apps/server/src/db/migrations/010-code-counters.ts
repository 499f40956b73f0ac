import type { Migration } from '../migration';

/** The last code given in a studio, by its letter. The next code no longer locks the row of the studio, to which every other row points. */
export const codeCounters: Migration = {
  name: '010-code-counters',
  up: [
    `CREATE TABLE IF NOT EXISTS code_counters (
      studio_id CHAR(36) NOT NULL,
      letter CHAR(1) NOT NULL,
      last INT NOT NULL,
      PRIMARY KEY (studio_id, letter),
      CONSTRAINT code_counters_studio FOREIGN KEY (studio_id) REFERENCES studios (id)
    ) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci`,
    ...(
      [
        ['buckets', 'B'],
        ['series', 'K'],
        ['tiles', 'T'],
        ['runner_tiles', 'R'],
      ] as const
    ).map(
      ([table, letter]) =>
        `INSERT IGNORE INTO code_counters SELECT studio_id, '${letter}', MAX(CAST(SUBSTRING(code, 2) AS UNSIGNED)) FROM ${table} GROUP BY studio_id`,
    ),
  ],
  down: ['DROP TABLE IF EXISTS code_counters'],
};
