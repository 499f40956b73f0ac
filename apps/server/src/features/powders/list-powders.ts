import type { Powder } from '@cazuela/core';
import type { PowderRow } from '../../db/models';
import type { Context } from '../../context';
import type { Call } from '../../http/route';

export async function listPowders({ context, studioId }: Call<unknown>): Promise<Powder[]> {
  return powdersOf(context, studioId);
}

/** The studio's powders by name. */
export async function powdersOf({ models }: Context, studioId: string): Promise<Powder[]> {
  const rows = await models.powders.findAll({ where: { studioId }, order: [['name', 'ASC']] });
  return rows.map((row) => powderFromRow(row.get()));
}

const powderFromRow = (row: PowderRow): Powder => ({ id: row.id, name: row.name, ...row.body });
