import type { Migration } from '../migration';

/** A photo that was taken when a kiln was opened belongs to that firing, also before its piece has a result. */
export const photosOfOpenings: Migration = {
  name: '018-photos-of-openings',
  up: ['ALTER TABLE photos ADD COLUMN IF NOT EXISTS firing_id CHAR(36) NULL', 'CREATE INDEX IF NOT EXISTS photos_by_firing ON photos (firing_id)'],
  down: ['DROP INDEX IF EXISTS photos_by_firing ON photos', 'ALTER TABLE photos DROP COLUMN IF EXISTS firing_id'],
};
