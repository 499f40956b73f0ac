import { Op } from 'sequelize';
import type { SearchHit } from '@cazuela/contract';
import { route, type Call, type Route } from '../../http/route';

export const searchRoutes: readonly Route[] = [route({ method: 'get', path: '/search', handle: search })];

const MOST_HITS = 8;

/** Finds anything by name; buckets, series and tiles by code too. */
async function search({ context, studioId, query }: Call<unknown>): Promise<SearchHit[]> {
  const text = String(query['q'] ?? '')
    .trim()
    .slice(0, 80);
  if (text === '') return [];
  const { models } = context;
  // In a search, % and _ are ordinary characters.
  const like = { [Op.like]: `%${text.replace(/[\\%_]/g, '\\$&')}%` };
  const named = { where: { studioId, name: like }, attributes: ['id', 'name'], limit: MOST_HITS };
  const [recipes, buckets, pieces, powders, series, tiles, runners, bodies] = await Promise.all([
    models.recipes.findAll(named),
    models.buckets.findAll({
      where: { studioId, [Op.or]: [{ name: like }, { code: text.toUpperCase() }] },
      attributes: ['id', 'name', 'code'],
      limit: MOST_HITS,
    }),
    models.pieces.findAll(named),
    models.powders.findAll(named),
    models.series.findAll({ where: { studioId, code: text.toUpperCase() }, limit: MOST_HITS }),
    models.tiles.findAll({ where: { studioId, code: text.toUpperCase() }, limit: MOST_HITS }),
    models.runnerTiles.findAll({ where: { studioId, code: text.toUpperCase() }, limit: MOST_HITS }),
    models.bodies.findAll(named),
  ]);
  const hits = (kind: SearchHit['kind'], rows: { get: () => { id: string; name: string; code?: string } }[]): SearchHit[] =>
    rows.map((row) => ({ kind, id: row.get().id, name: row.get().name, code: row.get().code ?? null }));
  return [
    ...hits('bucket', buckets),
    ...hits('recipe', recipes),
    ...hits('piece', pieces),
    ...hits('powder', powders),
    ...hits('body', bodies),
    ...tiles.map((row) => ({ kind: 'tile' as const, id: row.get().id, name: row.get().body.glazeName, code: row.get().code })),
    ...runners.map((row) => ({
      kind: 'runner' as const,
      id: row.get().id,
      name: row
        .get()
        .body.layers.map((layer) => layer.glazeName)
        .join(' under '),
      code: row.get().code,
    })),
    ...series.map((row) => ({ kind: 'series' as const, id: row.get().id, name: row.get().body.name, code: row.get().code })),
  ];
}
