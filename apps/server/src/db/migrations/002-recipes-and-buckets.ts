import type { Migration } from '../migration';

export const recipeAndBucketTables: Migration = {
  name: '002-recipes-and-buckets',
  up: [
    `CREATE TABLE IF NOT EXISTS recipes (
      id CHAR(36) NOT NULL PRIMARY KEY,
      studio_id CHAR(36) NOT NULL,
      version INT NOT NULL,
      name VARCHAR(120) NOT NULL,
      created_at DATETIME(3) NOT NULL,
      KEY recipes_by_name (studio_id, name),
      CONSTRAINT recipes_studio FOREIGN KEY (studio_id) REFERENCES studios (id)
    ) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci`,
    `CREATE TABLE IF NOT EXISTS recipe_versions (
      id CHAR(36) NOT NULL PRIMARY KEY,
      studio_id CHAR(36) NOT NULL,
      recipe_id CHAR(36) NOT NULL,
      number INT NOT NULL,
      reason TEXT NOT NULL,
      body JSON NOT NULL,
      changed_at DATETIME(3) NOT NULL,
      UNIQUE KEY recipe_versions_by_number (recipe_id, number),
      KEY recipe_versions_studio_key (studio_id),
      CONSTRAINT recipe_versions_recipe FOREIGN KEY (recipe_id) REFERENCES recipes (id),
      CONSTRAINT recipe_versions_studio FOREIGN KEY (studio_id) REFERENCES studios (id)
    ) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci`,
    `CREATE TABLE IF NOT EXISTS buckets (
      id CHAR(36) NOT NULL PRIMARY KEY,
      studio_id CHAR(36) NOT NULL,
      code VARCHAR(12) NOT NULL,
      version INT NOT NULL,
      name VARCHAR(120) NOT NULL,
      body JSON NOT NULL,
      recipe_id CHAR(36) NULL,
      recipe_version_id CHAR(36) NULL,
      contents JSON NULL,
      created_at DATETIME(3) NOT NULL,
      UNIQUE KEY buckets_by_code (studio_id, code),
      KEY buckets_by_name (studio_id, name),
      CONSTRAINT buckets_recipe FOREIGN KEY (recipe_id) REFERENCES recipes (id),
      CONSTRAINT buckets_recipe_version FOREIGN KEY (recipe_version_id) REFERENCES recipe_versions (id),
      CONSTRAINT buckets_studio FOREIGN KEY (studio_id) REFERENCES studios (id)
    ) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci`,
    `CREATE TABLE IF NOT EXISTS batches (
      id CHAR(36) NOT NULL PRIMARY KEY,
      studio_id CHAR(36) NOT NULL,
      recipe_id CHAR(36) NOT NULL,
      recipe_version_id CHAR(36) NOT NULL,
      question JSON NOT NULL,
      plan JSON NOT NULL,
      bucket_id CHAR(36) NULL,
      lines_done INT NOT NULL DEFAULT 0,
      last_at DATETIME(3) NULL,
      last_by VARCHAR(120) NULL,
      created_at DATETIME(3) NOT NULL,
      KEY batches_by_date (studio_id, created_at),
      CONSTRAINT batches_recipe FOREIGN KEY (recipe_id) REFERENCES recipes (id),
      CONSTRAINT batches_recipe_version FOREIGN KEY (recipe_version_id) REFERENCES recipe_versions (id),
      CONSTRAINT batches_bucket FOREIGN KEY (bucket_id) REFERENCES buckets (id),
      CONSTRAINT batches_studio FOREIGN KEY (studio_id) REFERENCES studios (id)
    ) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci`,
    `CREATE TABLE IF NOT EXISTS bench_events (
      seq BIGINT NOT NULL AUTO_INCREMENT PRIMARY KEY,
      id CHAR(36) NOT NULL,
      studio_id CHAR(36) NOT NULL,
      stream VARCHAR(12) NOT NULL,
      stream_id CHAR(36) NOT NULL,
      body JSON NOT NULL,
      received_at DATETIME(3) NOT NULL,
      UNIQUE KEY bench_events_by_id (studio_id, id),
      KEY bench_events_by_stream (studio_id, stream, stream_id, seq),
      CONSTRAINT bench_events_studio FOREIGN KEY (studio_id) REFERENCES studios (id)
    ) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_unicode_ci`,
  ],
  down: [
    'DROP TABLE IF EXISTS bench_events',
    'DROP TABLE IF EXISTS batches',
    'DROP TABLE IF EXISTS buckets',
    'DROP TABLE IF EXISTS recipe_versions',
    'DROP TABLE IF EXISTS recipes',
  ],
};
