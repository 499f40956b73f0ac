import type * as z from 'zod';
import { runnerTileCreateSchema, runnerTileUpdateSchema, type RunnerTile } from '@cazuela/contract';
import { inTransaction } from '../../db/in-transaction';
import type { RunnerTileRow } from '../../db/rows';
import { nextCode } from '../../db/next-code';
import { updateVersioned } from '../../db/versioned';
import { ProblemError } from '../../http/problem-error';
import { route, type Call, type Route } from '../../http/route';

/** Runner tiles: how far a band of glaze runs, measured. */
export const runnerRoutes: readonly Route[] = [
  route({ method: 'get', path: '/runner-tiles', handle: listRunners }),
  route({ method: 'post', path: '/runner-tiles', body: runnerTileCreateSchema, handle: createRunner }),
  route({ method: 'put', path: '/runner-tiles/:id', body: runnerTileUpdateSchema, handle: updateRunner }),
];

async function listRunners({ context, studioId }: Call<unknown>): Promise<RunnerTile[]> {
  const rows = await context.models.runnerTiles.findAll({ where: { studioId }, order: [['createdAt', 'DESC']] });
  return rows.map((row) => runnerFromRow(row.get()));
}

/** Gets the next free code (R1, R2 …), which is written on its back. Sent twice, it is there once. */
async function createRunner({ context, studioId, body: { id, body } }: Call<z.infer<typeof runnerTileCreateSchema>>): Promise<RunnerTile> {
  const { models, sequelize } = context;
  return inTransaction(sequelize, async (transaction) => {
    const there = (await models.runnerTiles.findOne({ where: { id }, transaction }))?.get();
    if (there && there.studioId !== studioId) throw new ProblemError('conflict', 'This id is taken by another studio.');
    if (there) return runnerFromRow(there);
    const buckets = [...new Set(body.layers.map((layer) => layer.bucketId))];
    if ((await models.buckets.count({ where: { id: buckets, studioId }, transaction })) < buckets.length)
      throw new ProblemError('checkInput', 'Choose buckets of this studio: one of those on the tile is not here.');
    const code = await nextCode(context, studioId, 'R', transaction);
    const made = { id, studioId, version: 1, code, body, createdAt: context.now() };
    await models.runnerTiles.create(made, { transaction });
    return runnerFromRow(made);
  });
}

async function updateRunner({ context, studioId, id, body: { version, body } }: Call<z.infer<typeof runnerTileUpdateSchema>>): Promise<RunnerTile> {
  const row = await updateVersioned({
    table: context.models.runnerTiles,
    where: { id, studioId },
    version,
    values: { body },
    missing: 'There is no such runner tile.',
    toContract: runnerFromRow,
  });
  return runnerFromRow(row);
}

const runnerFromRow = ({ id, version, code, body, createdAt }: RunnerTileRow): RunnerTile => ({
  id,
  version,
  code,
  createdAt: createdAt.toISOString(),
  body,
});
