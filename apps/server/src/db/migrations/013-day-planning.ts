import type { Migration } from '../migration';

/** Who glazes on a day, until when, and the order that was found. */
export const dayPlanning: Migration = {
  name: '013-day-planning',
  up: ['ALTER TABLE days ADD COLUMN IF NOT EXISTS planning JSON NULL AFTER items'],
  down: ['ALTER TABLE days DROP COLUMN IF EXISTS planning'],
};
