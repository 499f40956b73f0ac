import type * as z from 'zod';
import { heatWorkHours, FLOW_ACTIVATION } from '@cazuela/core';
import type { Firing, FiringBody, firingCreateSchema, firingUpdateSchema } from '@cazuela/contract';
import { createOnce, updateVersioned } from '../../db/versioned';
import type { FiringRow } from '../../db/rows';
import type { Call } from '../../http/route';

export async function listFirings({ context, studioId }: Call<unknown>): Promise<Firing[]> {
  const rows = await context.models.firings.findAll({ where: { studioId }, order: [['startedAt', 'DESC']], limit: 200 });
  return rows.map((row) => firingFromRow(row.get()));
}

export async function createFiring({ context, studioId, body: { id, body } }: Call<z.infer<typeof firingCreateSchema>>): Promise<Firing> {
  requireCurve(body);
  return firingFromRow(await createOnce(context.models.firings, { id, studioId, version: 1, startedAt: new Date(body.startedAt), body }));
}

export async function updateFiring({ context, studioId, id, body: { version, body } }: Call<z.infer<typeof firingUpdateSchema>>): Promise<Firing> {
  requireCurve(body);
  const row = await updateVersioned({
    table: context.models.firings,
    where: { id, studioId },
    version,
    values: { startedAt: new Date(body.startedAt), body },
    missing: 'There is no such firing.',
    toContract: firingFromRow,
  });
  return firingFromRow(row);
}

/** The core refuses a curve that goes back in time. */
function requireCurve(body: FiringBody): void {
  heatWorkHours({ firing: body.points, activationKjPerMol: FLOW_ACTIVATION });
}

const firingFromRow = (row: FiringRow): Firing => ({ id: row.id, version: row.version, body: row.body });
