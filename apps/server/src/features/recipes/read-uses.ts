import type { RecipeUses } from '@cazuela/contract';
import type { Call } from '../../http/route';

/** Where a recipe was weighed, which buckets hold it, and what came out of the kiln with it. */
export async function readUses({ context, studioId, id }: Call<unknown>): Promise<RecipeUses> {
  const { models } = context;
  const [versions, batches, buckets, results] = await Promise.all([
    models.recipeVersions.findAll({ where: { studioId, recipeId: id }, attributes: ['id', 'number'] }),
    models.batches.findAll({ where: { studioId, recipeId: id }, order: [['createdAt', 'DESC']], limit: 100 }),
    models.buckets.findAll({ where: { studioId, recipeId: id }, order: [['createdAt', 'DESC']], limit: 100 }),
    models.results.findAll({ where: { studioId }, order: [['createdAt', 'DESC']], limit: 1000 }),
  ]);
  const numbers = new Map(versions.map((version) => [version.get().id, version.get().number]));
  const versionOfBucket = new Map(buckets.map((bucket) => [bucket.get().id, numbers.get(bucket.get().recipeVersionId ?? '') ?? null]));
  const withIt = results.map((row) => row.get()).filter((row) => row.glazedWith.some((one) => one.bucketId && versionOfBucket.has(one.bucketId)));
  const pieces = await models.pieces.findAll({ where: { studioId, id: withIt.map((row) => row.pieceId) }, attributes: ['id', 'name'] });
  const firings = await models.firings.findAll({ where: { studioId, id: withIt.map((row) => row.firingId) } });
  const pieceNames = new Map(pieces.map((piece) => [piece.get().id, piece.get().name]));
  const firedAt = new Map(firings.map((firing) => [firing.get().id, firing.get().startedAt.toISOString()]));
  return {
    batches: batches.map((row) => {
      const { id: batchId, createdAt, recipeVersionId, plan, bucketId } = row.get();
      return { id: batchId, at: createdAt.toISOString(), number: numbers.get(recipeVersionId) ?? 1, totalGrams: plan.totalGrams, bucketId };
    }),
    buckets: buckets.map((row) => {
      const { id: bucketId, code, name } = row.get();
      return { id: bucketId, code, name, number: versionOfBucket.get(bucketId) ?? null };
    }),
    results: withIt.map((row) => ({
      id: row.id,
      pieceName: pieceNames.get(row.pieceId) ?? 'Piece',
      stars: row.body.stars,
      firedAt: firedAt.get(row.firingId) ?? row.createdAt.toISOString(),
      number: versionOfBucket.get(row.glazedWith.find((one) => one.bucketId && versionOfBucket.has(one.bucketId))?.bucketId ?? '') ?? null,
    })),
  };
}
