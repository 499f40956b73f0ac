import type * as z from 'zod';
import { bodyCreateSchema, bodyUpdateSchema, type ClayBody } from '@cazuela/contract';
import { createOnce, updateVersioned } from '../../db/versioned';
import type { ClayBodyRow } from '../../db/rows';
import { route, type Call, type Route } from '../../http/route';

export const bodyRoutes: readonly Route[] = [
  route({ method: 'get', path: '/bodies', handle: listBodies }),
  route({ method: 'post', path: '/bodies', body: bodyCreateSchema, handle: createBody }),
  route({ method: 'put', path: '/bodies/:id', body: bodyUpdateSchema, handle: updateBody }),
];

async function listBodies({ context, studioId }: Call<unknown>): Promise<ClayBody[]> {
  const rows = await context.models.bodies.findAll({ where: { studioId }, order: [['name', 'ASC']] });
  return rows.map((row) => bodyFromRow(row.get()));
}

async function createBody({ context, studioId, body }: Call<z.infer<typeof bodyCreateSchema>>): Promise<ClayBody> {
  const { id, name, ...rest } = body;
  return bodyFromRow(await createOnce(context.models.bodies, { id, studioId, version: 1, name, body: rest }));
}

async function updateBody({ context, studioId, id, body: { version, body } }: Call<z.infer<typeof bodyUpdateSchema>>): Promise<ClayBody> {
  const { name, ...rest } = body;
  const row = await updateVersioned({
    table: context.models.bodies,
    where: { id, studioId },
    version,
    values: { name, body: rest },
    missing: 'There is no such clay body.',
    toContract: bodyFromRow,
  });
  return bodyFromRow(row);
}

const bodyFromRow = ({ id, version, name, body }: ClayBodyRow): ClayBody => ({ id, version, name, ...body });
