import type { Model, ModelStatic, Transaction, WhereOptions } from 'sequelize';
import type { BenchEvent } from '@cazuela/contract';
import type { Context } from '../context';

export interface Stream {
  studioId: string;
  stream: BenchEvent['stream'];
  streamId: string;
}

/**
 * Locks the rows of batches, buckets, days, loads and firings until the transaction ends, always in the same order (batches, buckets, days, firings, loads; then by id), so that
 * two requests for the same two rows never wait for each other. Returns the rows that exist, by `stream:streamId`.
 */
export async function lockStreams({ models }: Context, streams: readonly Stream[], transaction: Transaction): Promise<Set<string>> {
  const tables = { batch: models.batches, bucket: models.buckets, day: models.days, load: models.loads, firing: models.firings } as unknown as Record<
    Stream['stream'],
    ModelStatic<Model>
  >;
  const wanted = [...new Map(streams.map((one) => [streamKey(one), one])).entries()].sort(([a], [b]) => (a < b ? -1 : 1));
  const there = new Set<string>();
  for (const [key, { stream, streamId, studioId }] of wanted) {
    const where = { id: streamId, studioId } as WhereOptions;
    if (await tables[stream].findOne({ where, attributes: ['id'], transaction, lock: transaction.LOCK.UPDATE })) there.add(key);
  }
  return there;
}

export const streamKey = ({ stream, streamId }: Pick<Stream, 'stream' | 'streamId'>): string => `${stream}:${streamId}`;
