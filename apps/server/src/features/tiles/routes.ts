import type * as z from 'zod';
import { tileCreateSchema, tileUpdateSchema, type StepTile } from '@cazuela/contract';
import { inTransaction } from '../../db/in-transaction';
import type { TileRow } from '../../db/rows';
import { nextCode } from '../../db/next-code';
import { updateVersioned } from '../../db/versioned';
import { ProblemError } from '../../http/problem-error';
import { route, type Call, type Route } from '../../http/route';

export const tileRoutes: readonly Route[] = [
  route({ method: 'get', path: '/tiles', handle: listTiles }),
  route({ method: 'post', path: '/tiles', body: tileCreateSchema, handle: createTile }),
  route({ method: 'put', path: '/tiles/:id', body: tileUpdateSchema, handle: updateTile }),
];

async function listTiles({ context, studioId }: Call<unknown>): Promise<StepTile[]> {
  const rows = await context.models.tiles.findAll({ where: { studioId }, order: [['createdAt', 'DESC']] });
  return rows.map((row) => tileFromRow(row.get()));
}

/** Gets the next free code (T1, T2 …), which is written on its foot. */
async function createTile({ context, studioId, body: { id, body } }: Call<z.infer<typeof tileCreateSchema>>): Promise<StepTile> {
  const { models, sequelize } = context;
  return inTransaction(sequelize, async (transaction) => {
    const there = (await models.tiles.findOne({ where: { id }, transaction }))?.get();
    if (there && there.studioId !== studioId) throw new ProblemError('conflict', 'This id is taken by another studio.');
    if (there) return tileFromRow(there);
    if ((await models.buckets.count({ where: { id: body.bucketId, studioId }, transaction })) === 0)
      throw new ProblemError('checkInput', 'Choose a bucket of this studio: the one it is dipped in is not here.');
    if ((await models.bodies.count({ where: { id: body.bodyId, studioId }, transaction })) === 0)
      throw new ProblemError('checkInput', 'Choose a clay body from the list.');
    const code = await nextCode(context, studioId, 'T', transaction);
    const made = { id, studioId, version: 1, code, body, createdAt: context.now() };
    await models.tiles.create(made, { transaction });
    return tileFromRow(made);
  });
}

async function updateTile({ context, studioId, id, body: { version, body } }: Call<z.infer<typeof tileUpdateSchema>>): Promise<StepTile> {
  const row = await updateVersioned({
    table: context.models.tiles,
    where: { id, studioId },
    version,
    values: { body },
    missing: 'There is no such tile.',
    toContract: tileFromRow,
  });
  return tileFromRow(row);
}

const tileFromRow = ({ id, version, code, body, createdAt }: TileRow): StepTile => ({ id, version, code, createdAt: createdAt.toISOString(), body });
