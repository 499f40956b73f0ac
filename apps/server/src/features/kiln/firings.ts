import type * as z from 'zod';
import { heatWorkHours, FLOW_ACTIVATION } from '@cazuela/core';
import type { Firing, FiringBody, firingCreateSchema, firingUpdateSchema, StreamStamp } from '@cazuela/contract';
import { inTransaction } from '../../db/in-transaction';
import { createOnce, updateVersioned } from '../../db/versioned';
import { ProblemError } from '../../http/problem-error';
import type { Call } from '../../http/route';
import { stampOfStream } from '../events/append-events';
import { keepImported } from './logs/import-log';
import { firingFromRow, readFiring, withReadings } from './read-firing';

export async function listFirings({ context, studioId }: Call<unknown>): Promise<Firing[]> {
  const rows = await context.models.firings.findAll({ where: { studioId }, order: [['startedAt', 'DESC']], limit: 200 });
  return withReadings(
    context,
    studioId,
    rows.map((row) => row.get()),
  );
}

export const getFiring = ({ context, studioId, id }: Call<unknown>): Promise<Firing> => readFiring(context, studioId, id);

export async function stampOfFiring({ context, studioId, id }: Call<unknown>): Promise<StreamStamp> {
  const row = await context.models.firings.findOne({ where: { id, studioId }, attributes: ['version'] });
  if (!row) throw new ProblemError('notFound', 'There is no such firing.');
  return stampOfStream(context, { studioId, stream: 'firing', streamId: id }, row.get().version);
}

export async function createFiring({ context, studioId, body: sent }: Call<z.infer<typeof firingCreateSchema>>): Promise<Firing> {
  const { id, body, readings } = sent;
  requireCurve(body);
  const values = { id, studioId, version: 1, startedAt: new Date(body.startedAt), body };
  if (!readings) await createOnce(context.models.firings, values);
  else
    await inTransaction(context.sequelize, async (transaction) => {
      const known = await context.models.firings.findOne({ where: { id }, transaction });
      if (known && known.get().studioId !== studioId) throw new ProblemError('conflict', 'This id is taken by another studio.');
      if (!known) await context.models.firings.create(values, { transaction });
      await keepImported(context, { studioId, firingId: id, body, readings }, transaction);
    });
  return readFiring(context, studioId, id);
}

export async function updateFiring({ context, studioId, id, body: { version, body } }: Call<z.infer<typeof firingUpdateSchema>>): Promise<Firing> {
  requireCurve(body);
  await updateVersioned({
    table: context.models.firings,
    where: { id, studioId },
    version,
    values: { startedAt: new Date(body.startedAt), body },
    missing: 'There is no such firing.',
    toContract: firingFromRow,
  });
  return readFiring(context, studioId, id);
}

/** The core refuses a curve that goes back in time. */
function requireCurve(body: FiringBody): void {
  heatWorkHours({ firing: body.points, activationKjPerMol: FLOW_ACTIVATION });
}
