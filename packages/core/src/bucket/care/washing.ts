import { HOUR_MS } from '../../units/time';
/** The bucket a tool was last in, and the one it goes into. */
export interface ToolInBucket {
  id: string;
  name: string;
  /** 0 black – 1 white. */
  lightness: number;
  stirredAt?: string | undefined;
}

/** A bucket that is darker by less than this needs no wash. */
const TELLING_DARKER = 0.08;
const SAME_DAY_MS = 14 * HOUR_MS;

/**
 * Returns the darker bucket whose glaze is still on the drill, the whisk and the sieve; undefined when nothing needs washing.
 *
 * @param question - `into`, the bucket that comes next; `others`; `nowAt`, UTC, ISO 8601
 * @example
 * washBefore({ into: { id: 'a', name: 'White', lightness: 0.9 }, others: [], nowAt: '2026-03-01T09:00:00.000Z' }) // undefined
 */
export function washBefore<Bucket extends ToolInBucket>(question: {
  into: ToolInBucket;
  others: readonly Bucket[];
  nowAt: string;
}): Bucket | undefined {
  const { into, others, nowAt } = question;
  const last = others
    .filter((bucket) => bucket.id !== into.id && bucket.stirredAt !== undefined && Date.parse(nowAt) - Date.parse(bucket.stirredAt) < SAME_DAY_MS)
    .sort((a, b) => b.stirredAt!.localeCompare(a.stirredAt!))[0];
  // A tool that has been in this bucket since then carries its glaze already.
  if (!last || (into.stirredAt !== undefined && into.stirredAt >= last.stirredAt!)) return undefined;
  return into.lightness - last.lightness > TELLING_DARKER ? last : undefined;
}
