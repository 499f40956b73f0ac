import type { Migration } from '../migration';

/** What was read of firings by controllers. A kiln is fired once at a time: the unique key holds that. */
export const firingLogs: Migration = {
  name: '017-firing-logs',
  up: [
    `CREATE TABLE IF NOT EXISTS firing_logs (
      firing_id CHAR(36) NOT NULL PRIMARY KEY,
      studio_id CHAR(36) NOT NULL,
      kiln_id CHAR(36) NULL,
      running_kiln_id CHAR(36) NULL,
      source VARCHAR(12) NOT NULL,
      began_at DATETIME(3) NOT NULL,
      ended_at DATETIME(3) NULL,
      readings INT NOT NULL,
      curve LONGTEXT NOT NULL,
      reader LONGTEXT NOT NULL,
      practice LONGTEXT NULL,
      UNIQUE KEY firing_logs_one_in_a_kiln (running_kiln_id),
      KEY firing_logs_by_studio (studio_id),
      CONSTRAINT firing_logs_firing FOREIGN KEY (firing_id) REFERENCES firings (id),
      CONSTRAINT firing_logs_studio FOREIGN KEY (studio_id) REFERENCES studios (id)
    ) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci`,
    `CREATE TABLE IF NOT EXISTS kiln_readings (
      firing_id CHAR(36) NOT NULL,
      seconds DOUBLE NOT NULL,
      studio_id CHAR(36) NOT NULL,
      celsius DOUBLE NOT NULL,
      set_celsius DOUBLE NULL,
      share DOUBLE NULL,
      PRIMARY KEY (firing_id, seconds),
      KEY kiln_readings_by_studio (studio_id),
      CONSTRAINT kiln_readings_firing FOREIGN KEY (firing_id) REFERENCES firings (id)
    ) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci`,
  ],
  down: ['DROP TABLE IF EXISTS kiln_readings', 'DROP TABLE IF EXISTS firing_logs'],
};
