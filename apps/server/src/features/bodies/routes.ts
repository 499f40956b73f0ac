import type * as z from 'zod';
import { bodySchema, type ClayBody } from '@cazuela/contract';
import { route, type Call, type Route } from '../../http/route';
import { createOnce } from '../../db/versioned';
import type { ClayBodyRow } from '../../db/models';

export const bodyRoutes: readonly Route[] = [
  route({ method: 'get', path: '/bodies', handle: listBodies }),
  route({ method: 'post', path: '/bodies', body: bodySchema, handle: createBody }),
];

async function listBodies({ context, studioId }: Call<unknown>): Promise<ClayBody[]> {
  const rows = await context.models.bodies.findAll({ where: { studioId }, order: [['name', 'ASC']] });
  return rows.map((row) => bodyFromRow(row.get()));
}

async function createBody({ context, studioId, body }: Call<z.infer<typeof bodySchema>>): Promise<ClayBody> {
  const { id, name, ...rest } = body;
  return bodyFromRow(await createOnce(context.models.bodies, { id, studioId, name, body: rest }));
}

const bodyFromRow = (row: ClayBodyRow): ClayBody => ({ id: row.id, name: row.name, ...row.body });
