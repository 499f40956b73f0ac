import type * as z from 'zod';
import type { LoadEvent } from '@cazuela/core';
import type { StreamStamp, Load, loadCreateSchema, loadUpdateSchema } from '@cazuela/contract';
import type { Context } from '../../context';
import type { LoadRow } from '../../db/rows';
import { createOnce, updateVersioned } from '../../db/versioned';
import { ProblemError } from '../../http/problem-error';
import type { Call } from '../../http/route';
import { eventsOf, stampOfStream } from '../events/append-events';

/** Most loads on the list, newest first. */
const NEWEST = 40;

export async function listLoads({ context, studioId }: Call<unknown>): Promise<Load[]> {
  const rows = await context.models.loads.findAll({ where: { studioId }, order: [['createdAt', 'DESC']], limit: NEWEST });
  return Promise.all(rows.map((row) => withEvents(context, row.get())));
}

export async function createLoad({ context, studioId, body: { id, kilnId } }: Call<z.infer<typeof loadCreateSchema>>): Promise<Load> {
  await requireKiln(context, studioId, kilnId);
  return withEvents(context, await createOnce(context.models.loads, { id, studioId, version: 1, kilnId, createdAt: context.now() }));
}

export async function updateLoad({ context, studioId, id, body: { version, kilnId } }: Call<z.infer<typeof loadUpdateSchema>>): Promise<Load> {
  await requireKiln(context, studioId, kilnId);
  const row = await updateVersioned({
    table: context.models.loads,
    where: { id, studioId },
    version,
    values: { kilnId },
    missing: 'There is no such load.',
    toContract: (current) => loadFromRow(current, []),
  });
  return withEvents(context, row);
}

export async function stampOfLoad({ context, studioId, id }: Call<unknown>): Promise<StreamStamp> {
  const row = await context.models.loads.findOne({ where: { id, studioId }, attributes: ['version'] });
  if (!row) throw new ProblemError('notFound', 'There is no such load.');
  return stampOfStream(context, { studioId, stream: 'load', streamId: id }, row.get().version);
}

async function requireKiln({ models }: Context, studioId: string, id: string): Promise<void> {
  if (!(await models.kilns.findOne({ where: { id, studioId }, attributes: ['id'] })))
    throw new ProblemError('checkInput', 'There is no such kiln: make its card first.');
}

const withEvents = async (context: Context, row: LoadRow): Promise<Load> =>
  loadFromRow(row, await eventsOf<LoadEvent>(context, { studioId: row.studioId, stream: 'load', streamId: row.id }));

const loadFromRow = ({ id, version, kilnId, createdAt }: LoadRow, events: LoadEvent[]): Load => ({
  id,
  version,
  kilnId,
  events,
  createdAt: createdAt.toISOString(),
});
