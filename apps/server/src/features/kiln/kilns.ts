import type * as z from 'zod';
import type { Kiln, kilnCreateSchema, kilnUpdateSchema } from '@cazuela/contract';
import type { KilnRow } from '../../db/rows';
import { createOnce, updateVersioned } from '../../db/versioned';
import type { Call } from '../../http/route';

export async function listKilns({ context, studioId }: Call<unknown>): Promise<Kiln[]> {
  const rows = await context.models.kilns.findAll({ where: { studioId }, order: [['name', 'ASC']] });
  return rows.map((row) => kilnFromRow(row.get()));
}

export async function createKiln({ context, studioId, body: { id, body } }: Call<z.infer<typeof kilnCreateSchema>>): Promise<Kiln> {
  return kilnFromRow(await createOnce(context.models.kilns, { id, studioId, version: 1, name: body.name, body }));
}

export async function updateKiln({ context, studioId, id, body: { version, body } }: Call<z.infer<typeof kilnUpdateSchema>>): Promise<Kiln> {
  const row = await updateVersioned({
    table: context.models.kilns,
    where: { id, studioId },
    version,
    values: { name: body.name, body },
    missing: 'There is no such kiln.',
    toContract: kilnFromRow,
  });
  return kilnFromRow(row);
}

const kilnFromRow = ({ id, version, body }: KilnRow): Kiln => ({ id, version, body });
