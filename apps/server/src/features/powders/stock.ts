import { QueryTypes, type Transaction } from 'sequelize';
import type { Context } from '../../context';

export interface PowderUse {
  powderId: string;
  grams: number;
}

/**
 * Returns what is on the shelf of each powder that was ever counted or received, g: everything that came in or was counted, less what batches,
 * buckets and series took. Powders without a note are left out: nothing is known of them.
 */
export async function stockOf({ sequelize }: Context, studioId: string, transaction?: Transaction): Promise<Map<string, number>> {
  const rows = await sequelize.query<{ powder_id: string; grams: number }>(
    `SELECT m.powder_id, m.grams - COALESCE(u.grams, 0) AS grams
       FROM (SELECT powder_id, SUM(delta_grams) AS grams FROM stock_moves WHERE studio_id = :studioId GROUP BY powder_id) m
       LEFT JOIN (SELECT powder_id, SUM(grams) AS grams FROM powder_uses WHERE studio_id = :studioId GROUP BY powder_id) u
         ON u.powder_id = m.powder_id`,
    { replacements: { studioId }, type: QueryTypes.SELECT, ...(transaction ? { transaction } : {}) },
  );
  return new Map(rows.map((row) => [row.powder_id, Number(row.grams)]));
}

/** Brings up to date what one batch, bucket or series took, in the same transaction as its events. */
export async function setPowderUses(
  { models }: Context,
  target: { studioId: string; what: 'batch' | 'bucket' | 'series'; whatId: string },
  uses: readonly PowderUse[],
  transaction: Transaction,
): Promise<void> {
  await models.powderUses.destroy({ where: { ...target }, transaction });
  const sums = new Map<string, number>();
  for (const { powderId, grams } of uses) if (grams > 0) sums.set(powderId, (sums.get(powderId) ?? 0) + grams);
  const rows = [...sums].map(([powderId, grams]) => ({ ...target, powderId, grams }));
  if (rows.length > 0) await models.powderUses.bulkCreate(rows, { transaction });
}
