import type { Transaction } from 'sequelize';
import type { StudioPowder } from '@cazuela/contract';
import type { PowderRow } from '../../db/rows';
import type { Context } from '../../context';
import type { Call } from '../../http/route';
import { stockOf } from './stock';

export async function listPowders({ context, studioId }: Call<unknown>): Promise<StudioPowder[]> {
  const [powders, stock] = await Promise.all([powdersOf(context, studioId), stockOf(context, studioId)]);
  return powders.map((powder) => {
    const stockGrams = stock.get(powder.id);
    return stockGrams === undefined ? powder : { ...powder, stockGrams };
  });
}

/** The studio's powders by name, without their stock. */
export async function powdersOf({ models }: Context, studioId: string, transaction: Transaction | null = null): Promise<StudioPowder[]> {
  const rows = await models.powders.findAll({ where: { studioId }, order: [['name', 'ASC']], transaction });
  return rows.map((row) => powderFromRow(row.get()));
}

export const powderFromRow = (row: PowderRow): StudioPowder => ({ id: row.id, version: row.version, name: row.name, ...row.body });
