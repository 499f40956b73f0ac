import type { BucketSummary } from '@cazuela/contract';
import type { BucketRow } from '../../db/rows';
import type { Call } from '../../http/route';
import { versionNumbers } from './read-buckets';

/** A row as MariaDB keeps it: the JSON columns are still text. */
type StoredBucket = Omit<BucketRow, 'body' | 'contents'> & { body: string; contents: string | null };

/**
 * Lists the buckets, the longest list of the app. Stored JSON goes out as it is: it was checked when it came in, and parsing and writing it again
 * for every row costs more than the query.
 */
export async function listBuckets({ context, studioId, response }: Call<unknown>): Promise<void> {
  const [rows, numbers] = await Promise.all([
    context.models.buckets.findAll({ where: { studioId }, order: [['createdAt', 'ASC']], raw: true }) as unknown as Promise<StoredBucket[]>,
    versionNumbers(context, studioId),
  ]);
  response.type('json').send(`[${rows.map((row) => jsonOf(row, numbers)).join(',')}]`);
}

function jsonOf(row: StoredBucket, versionNumbersById: ReadonlyMap<string, number>): string {
  const plain: Omit<BucketSummary, 'body' | 'contents'> = {
    id: row.id,
    code: row.code,
    version: row.version,
    recipeId: row.recipeId,
    recipeVersionId: row.recipeVersionId,
    recipeVersion: row.recipeVersionId === null ? null : (versionNumbersById.get(row.recipeVersionId) ?? null),
    createdAt: row.createdAt.toISOString(),
  };
  return `${JSON.stringify(plain).slice(0, -1)},"body":${row.body},"contents":${row.contents ?? 'null'}}`;
}
