import type { Migration } from '../migration';

/** The main colours of a photo, and the gains that a grey patch gave, so that photos are found by colour. */
export const photoColours: Migration = {
  name: '020-photo-colours',
  up: ['ALTER TABLE photos ADD COLUMN IF NOT EXISTS colours JSON NULL', 'ALTER TABLE photos ADD COLUMN IF NOT EXISTS gains JSON NULL'],
  down: ['ALTER TABLE photos DROP COLUMN IF EXISTS gains', 'ALTER TABLE photos DROP COLUMN IF EXISTS colours'],
};
