import type * as z from 'zod';
import { scheduleCurve } from '@cazuela/core';
import type { Schedule, scheduleCreateSchema, scheduleUpdateSchema } from '@cazuela/contract';
import type { ScheduleRow } from '../../db/rows';
import { createOnce, updateVersioned } from '../../db/versioned';
import type { Call } from '../../http/route';

/** So many earlier versions of one schedule are kept. */
const MOST_EARLIER = 50;

export async function listSchedules({ context, studioId }: Call<unknown>): Promise<Schedule[]> {
  const rows = await context.models.schedules.findAll({ where: { studioId }, order: [['name', 'ASC']] });
  return rows.map((row) => scheduleFromRow(row.get()));
}

export async function createSchedule({ context, studioId, body: { id, body } }: Call<z.infer<typeof scheduleCreateSchema>>): Promise<Schedule> {
  // The core refuses steps that lead nowhere.
  scheduleCurve(body);
  return scheduleFromRow(await createOnce(context.models.schedules, { id, studioId, version: 1, name: body.name, body, earlier: [] }));
}

export async function updateSchedule(call: Call<z.infer<typeof scheduleUpdateSchema>>): Promise<Schedule> {
  const { context, studioId, id, body: sent } = call;
  scheduleCurve(sent.body);
  const where = { id, studioId };
  const before = (await context.models.schedules.findOne({ where }))?.get();
  // Sent twice, or stale: what is kept of it is not for this writer to change.
  const earlier =
    before?.version === sent.version
      ? { earlier: [...before.earlier, { version: before.version, body: before.body, until: context.now().toISOString() }].slice(-MOST_EARLIER) }
      : {};
  const row = await updateVersioned({
    table: context.models.schedules,
    where,
    version: sent.version,
    values: { name: sent.body.name, body: sent.body, ...earlier },
    missing: 'There is no such schedule.',
    toContract: scheduleFromRow,
  });
  return scheduleFromRow(row);
}

const scheduleFromRow = ({ id, version, body, earlier }: ScheduleRow): Schedule => ({ id, version, body, earlier });
