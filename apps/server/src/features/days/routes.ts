import type * as z from 'zod';
import { NO_PLANNING, type DayEvent } from '@cazuela/core';
import { dayCreateSchema, dayUpdateSchema, type Day, type StreamStamp } from '@cazuela/contract';
import type { Context } from '../../context';
import { withRetries } from '../../db/in-transaction';
import { createOnce, updateVersioned } from '../../db/versioned';
import type { DayRow } from '../../db/rows';
import { route, type Call, type Route } from '../../http/route';
import { ProblemError } from '../../http/problem-error';
import { eventsOf, stampOfStream } from '../events/append-events';

export const dayRoutes: readonly Route[] = [
  route({ method: 'get', path: '/days', handle: listDays }),
  route({ method: 'post', path: '/days', body: dayCreateSchema, handle: createDay }),
  route({ method: 'put', path: '/days/:id', body: dayUpdateSchema, handle: updateDay }),
  route({ method: 'get', path: '/days/:id/stamp', handle: stampOf }),
];

/** Most days on the list, newest first. */
const NEWEST = 30;

async function listDays({ context, studioId }: Call<unknown>): Promise<Day[]> {
  const rows = await context.models.days.findAll({ where: { studioId }, order: [['date', 'DESC']], limit: NEWEST });
  return Promise.all(rows.map((row) => withEvents(context, row.get())));
}

/** One day for each date: a second one for the same date answers with the first. */
async function createDay({ context, studioId, body }: Call<z.infer<typeof dayCreateSchema>>): Promise<Day> {
  const { models, now } = context;
  const row = await withRetries(async () => {
    const there = await models.days.findOne({ where: { studioId, date: body.date } });
    return there?.get() ?? (await createOnce(models.days, { ...body, planning: body.planning ?? null, studioId, version: 1, createdAt: now() }));
  });
  return withEvents(context, row);
}

async function updateDay({ context, studioId, id, body }: Call<z.infer<typeof dayUpdateSchema>>): Promise<Day> {
  const row = await updateVersioned({
    table: context.models.days,
    where: { id, studioId },
    version: body.version,
    values: { ...(body.items ? { items: body.items } : {}), ...(body.planning ? { planning: body.planning } : {}) },
    missing: 'There is no such day.',
    toContract: (current) => dayFromRow(current, []),
  });
  return withEvents(context, row);
}

async function stampOf({ context, studioId, id }: Call<unknown>): Promise<StreamStamp> {
  const row = await context.models.days.findOne({ where: { id, studioId }, attributes: ['version'] });
  if (!row) throw new ProblemError('notFound', 'There is no such day.');
  return stampOfStream(context, { studioId, stream: 'day', streamId: id }, row.get().version);
}

async function withEvents(context: Context, row: DayRow): Promise<Day> {
  return dayFromRow(row, await eventsOf<DayEvent>(context, { studioId: row.studioId, stream: 'day', streamId: row.id }));
}

const dayFromRow = (row: DayRow, events: DayEvent[]): Day => ({
  id: row.id,
  version: row.version,
  date: row.date,
  items: row.items,
  planning: row.planning ?? NO_PLANNING,
  events,
  createdAt: row.createdAt.toISOString(),
});
