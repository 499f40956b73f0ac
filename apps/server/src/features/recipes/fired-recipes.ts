import { QueryTypes, type Transaction } from 'sequelize';
import type { Context } from '../../context';

/** Returns the recipes with which a piece came out of a kiln of this studio, through the buckets its results were glazed from. */
export async function firedRecipeIds({ sequelize }: Context, studioId: string, transaction?: Transaction): Promise<ReadonlySet<string>> {
  const rows = await sequelize.query<{ recipe_id: string }>(
    `SELECT DISTINCT b.recipe_id
       FROM results r
       JOIN JSON_TABLE(r.glazed_with, '$[*]' COLUMNS (bucket_id VARCHAR(36) PATH '$.bucketId')) g
       JOIN buckets b ON b.id = g.bucket_id COLLATE utf8mb4_unicode_ci
      WHERE r.studio_id = :studioId AND b.studio_id = :studioId AND b.recipe_id IS NOT NULL`,
    { replacements: { studioId }, type: QueryTypes.SELECT, ...(transaction ? { transaction } : {}) },
  );
  return new Set(rows.map((row) => row.recipe_id));
}
