import { changesToCsv, resultsToCsv } from '@cazuela/formats';
import type { Call } from '../../http/route';
import { resultsOf } from '../kiln/results';
import { sendFile } from './send-file';

/** Every fired piece, the newest first. */
export async function exportResults({ context, studioId, response }: Call<unknown>): Promise<void> {
  const results = await resultsOf(context, studioId);
  const [pieces, bodies] = await Promise.all([
    context.models.pieces.findAll({ where: { studioId }, attributes: ['id', 'clayBodyId'] }),
    context.models.bodies.findAll({ where: { studioId }, attributes: ['id', 'name'] }),
  ]);
  const clays = new Map(bodies.map((row) => [row.get().id, row.get().name]));
  const clayOf = new Map(pieces.map((row) => [row.get().id, clays.get(row.get().clayBodyId) ?? '']));
  sendFile(response, 'results.csv', 'text/csv', resultsToCsv(results.map((result) => ({ ...result, clay: clayOf.get(result.body.pieceId) ?? '' }))));
}

/** The ledger of changes, the oldest first. */
export async function exportChanges({ context: { models }, studioId, response }: Call<unknown>): Promise<void> {
  const rows = await models.resultChanges.findAll({ where: { studioId }, order: [['madeAt', 'ASC']] });
  const pieces = await models.pieces.findAll({ where: { studioId }, attributes: ['id', 'name'] });
  const names = new Map(pieces.map((row) => [row.get().id, row.get().name]));
  const changes = rows.map((row) => ({ ...row.get().body, piece: names.get(row.get().body.pieceId) ?? '' }));
  sendFile(response, 'changes.csv', 'text/csv', changesToCsv(changes));
}
