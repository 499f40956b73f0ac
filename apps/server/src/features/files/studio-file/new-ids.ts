import { v5 as uuidFrom } from 'uuid';
import { Op } from 'sequelize';
import type { Context } from '../../../context';
import { resultIdOf } from '../../kiln/opening/keep-readings';
import type { AnyTable } from '../../records/record-kinds';
import { studioFileSchema, type StudioFile, type StudioTable } from './studio-tables';

/** Tables whose ids are one of a kind in the whole database. */
export const OWN_IDS = [
  'powders',
  'bodies',
  'recipes',
  'recipeVersions',
  'buckets',
  'batches',
  'series',
  'coatDips',
  'coatWindows',
  'tiles',
  'runnerTiles',
  'pieces',
  'days',
  'kilns',
  'schedules',
  'loads',
  'firings',
  'photos',
  'results',
  'resultChanges',
] as const satisfies readonly StudioTable[];

const UUID = /[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}/g;
const CHUNK = 500;

/**
 * Returns the file with ids that are free in this database. A studio that comes back keeps its own; a copy of a studio that is here beside it gets new
 * ones, always the same for the same studio, so that the same file taken in twice is there once.
 */
export async function withFreeIds(context: Context, studioId: string, file: StudioFile): Promise<StudioFile> {
  if (!(await isElsewhere(context, studioId, file))) return file;
  const next = new Map(OWN_IDS.flatMap((table) => file.tables[table].map(({ id }) => [id, uuidFrom(`copy ${id}`, studioId)] as const)));
  // What follows from an opening is found again by its firing and its piece.
  for (const { id, body } of file.tables.results)
    if (body.loadPieceId) next.set(id, resultIdOf(next.get(body.firingId) ?? body.firingId, body.loadPieceId));
  const text = JSON.stringify(file).replace(UUID, (id) => next.get(id) ?? id);
  return studioFileSchema.parse(JSON.parse(text));
}

async function isElsewhere({ models }: Context, studioId: string, file: StudioFile): Promise<boolean> {
  for (const table of OWN_IDS) {
    const ids = file.tables[table].map(({ id }) => id);
    for (let at = 0; at < ids.length; at += CHUNK) {
      const where = { id: ids.slice(at, at + CHUNK), studioId: { [Op.ne]: studioId } };
      if ((await (models[table] as unknown as AnyTable).count({ where })) > 0) return true;
    }
  }
  return false;
}
