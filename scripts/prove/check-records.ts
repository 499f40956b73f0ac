import { isDeepStrictEqual } from 'node:util';
import type { BatchEvent, BucketEvent } from '@cazuela/core';
import type { Context } from '../../apps/server/src/context';
import { eventsOf } from '../../apps/server/src/features/events/append-events';
import { batchSnapshot, bucketSnapshot } from '../../apps/server/src/features/events/snapshots';
import type { PowderUse } from '../../apps/server/src/features/powders/stock';

/**
 * Returns what is wrong in a studio's records, a sentence each: every snapshot must equal the replay of its events. Nothing else may write
 * meanwhile.
 */
export async function checkRecords(context: Context, studioId: string): Promise<string[]> {
  const faults: string[] = [];
  const { models } = context;
  const rows = await models.powderUses.findAll({ where: { studioId } });
  const usesOf = (what: string, whatId: string): PowderUse[] =>
    rows.map((row) => row.get()).flatMap((use) => (use.what === what && use.whatId === whatId ? [{ powderId: use.powderId, grams: use.grams }] : []));
  for (const row of await models.buckets.findAll({ where: { studioId } })) {
    const { id, code, contents } = row.get();
    const replayed = bucketSnapshot(await eventsOf<BucketEvent>(context, { studioId, stream: 'bucket', streamId: id }));
    if (!isSame(contents, replayed.contents)) faults.push(`The contents of bucket ${code} are not what its events say.`);
    if (!isSame(summed(usesOf('bucket', id)), summed(replayed.uses))) faults.push(`The shelf does not know what bucket ${code} took.`);
  }
  for (const row of await models.batches.findAll({ where: { studioId } })) {
    const { id, plan, bucketId, linesDone, lastAt, lastBy, setAside } = row.get();
    const events = await eventsOf<BatchEvent>(context, { studioId, stream: 'batch', streamId: id });
    // Finished before steps were recorded, as the demo's older ones: there is nothing to replay.
    if (bucketId && events.length === 0) continue;
    const { uses, ...replayed } = batchSnapshot(plan, events);
    const kept = { linesDone, lastAt, lastBy, setAside: Boolean(setAside) };
    if (events.length > 0 && !isSame(kept, replayed)) faults.push(`Batch ${id} is not what its events say.`);
    if (events.length === 0 && linesDone > 0) faults.push(`Batch ${id} has lines weighed that nobody weighed.`);
    // A batch that was weighed elsewhere and imported took nothing from this shelf.
    const took = summed(usesOf('batch', id));
    if (Object.keys(took).length > 0 && !isSame(took, summed(uses))) faults.push(`The shelf does not know what batch ${id} took.`);
  }
  return faults;
}

/** As it is after JSON: undefined fields are gone. */
const isSame = (a: unknown, b: unknown): boolean => isDeepStrictEqual(JSON.parse(JSON.stringify(a)), JSON.parse(JSON.stringify(b)));

function summed(uses: readonly PowderUse[]): Record<string, number> {
  const sums: Record<string, number> = {};
  for (const { powderId, grams } of uses) if (grams > 0) sums[powderId] = (sums[powderId] ?? 0) + grams;
  return Object.fromEntries(Object.entries(sums).sort(([a], [b]) => (a < b ? -1 : 1)));
}
