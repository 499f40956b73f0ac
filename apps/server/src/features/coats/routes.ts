import type * as z from 'zod';
import type { Transaction } from 'sequelize';
import { coatDipsCreateSchema, coatDipUpdateSchema, coatWindowPutSchema, type CoatDip, type CoatDipBody } from '@cazuela/contract';
import type { Context } from '../../context';
import { inTransaction } from '../../db/in-transaction';
import type { CoatDipRow } from '../../db/rows';
import { updateVersioned } from '../../db/versioned';
import { ProblemError } from '../../http/problem-error';
import { route, type Call, type Route } from '../../http/route';
import { listWindows, putWindow } from './windows';

export const coatRoutes: readonly Route[] = [
  route({ method: 'get', path: '/coats', handle: listDips }),
  route({ method: 'post', path: '/coats', body: coatDipsCreateSchema, handle: addDips }),
  route({ method: 'get', path: '/windows', handle: listWindows }),
  route({ method: 'put', path: '/windows/:id', body: coatWindowPutSchema, handle: putWindow }),
  route({ method: 'put', path: '/coats/:id', body: coatDipUpdateSchema, handle: updateDip }),
];

async function listDips({ context, studioId }: Call<unknown>): Promise<CoatDip[]> {
  const rows = await context.models.coatDips.findAll({ where: { studioId }, order: [['createdAt', 'ASC']] });
  return rows.map((row) => dipFromRow(row.get()));
}

/** A step tile is saved as a whole: all of its dips or none. Sent twice, each counts once. */
async function addDips({ context, studioId, body: { dips } }: Call<z.infer<typeof coatDipsCreateSchema>>): Promise<CoatDip[]> {
  const { models, sequelize } = context;
  await inTransaction(sequelize, async (transaction) => {
    const there = await models.coatDips.findAll({ where: { id: dips.map((dip) => dip.id) }, transaction });
    if (there.some((row) => row.get().studioId !== studioId)) throw new ProblemError('conflict', 'This id is taken by another studio.');
    const known = new Set(there.map((row) => row.get().id));
    for (const { id, body } of dips) {
      if (known.has(id)) continue;
      await requireBucketAndBody(context, studioId, body, transaction);
      await models.coatDips.create({ id, studioId, version: 1, body, createdAt: context.now() }, { transaction });
      known.add(id);
    }
  });
  const rows = await models.coatDips.findAll({ where: { studioId, id: dips.map((dip) => dip.id) }, order: [['createdAt', 'ASC']] });
  return rows.map((row) => dipFromRow(row.get()));
}

async function updateDip({ context, studioId, id, body: { version, body } }: Call<z.infer<typeof coatDipUpdateSchema>>): Promise<CoatDip> {
  const row = await updateVersioned({
    table: context.models.coatDips,
    where: { id, studioId },
    version,
    values: { body },
    missing: 'There is no such dip.',
    toContract: dipFromRow,
  });
  return dipFromRow(row);
}

async function requireBucketAndBody({ models }: Context, studioId: string, body: CoatDipBody, transaction: Transaction): Promise<void> {
  if ((await models.buckets.count({ where: { id: body.bucketId, studioId }, transaction })) === 0)
    throw new ProblemError('checkInput', 'Choose a bucket of this studio: the one it was dipped in is not here.');
  if ((await models.bodies.count({ where: { id: body.bodyId, studioId }, transaction })) === 0)
    throw new ProblemError('checkInput', 'Choose a clay body from the list.');
}

const dipFromRow = ({ id, version, body }: CoatDipRow): CoatDip => ({ id, version, body });
