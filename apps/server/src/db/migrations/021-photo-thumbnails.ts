import type { Migration } from '../migration';

/** Each photo small as well: a wall of hundreds is drawn from these. Photos from before get theirs when it is first asked for. */
export const photoThumbnails: Migration = {
  name: '021-photo-thumbnails',
  up: ['ALTER TABLE photos ADD COLUMN IF NOT EXISTS thumbnail MEDIUMBLOB NULL'],
  down: ['ALTER TABLE photos DROP COLUMN IF EXISTS thumbnail'],
};
