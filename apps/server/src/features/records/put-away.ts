import type { PutAway, PutAwayChange } from '@cazuela/contract';
import type { Call } from '../../http/route';
import { withRetries } from '../../db/in-transaction';
import { findRecord, tableOf } from './find-record';
import { kindOf } from './kind-of';
import { RECORD_TABLES } from './record-kinds';

/** Everything that is out of the lists, newest first. */
export async function listPutAway({ context, studioId }: Call<unknown>): Promise<PutAway[]> {
  const marks = (await context.models.putAway.findAll({ where: { studioId }, order: [['at', 'DESC']] })).map((row) => row.get());
  const rows = new Map<string, Record<string, unknown>>();
  for (const kind of new Set(marks.map((mark) => mark.kind))) {
    const ids = marks.filter((mark) => mark.kind === kind).map((mark) => mark.recordId);
    const found = await tableOf(context, RECORD_TABLES[kind].table).findAll({ where: { studioId, id: ids } });
    for (const row of found) rows.set(`${kind} ${String(row.get('id'))}`, row.get() as Record<string, unknown>);
  }
  const list: PutAway[] = [];
  for (const { kind, recordId, at, by } of marks) {
    const row = rows.get(`${kind} ${recordId}`);
    if (!row) continue;
    const name = await RECORD_TABLES[kind].nameOf(row, context.models);
    list.push({ kind, id: recordId, name, code: (row['code'] as string | undefined) ?? null, at: at.toISOString(), by });
  }
  return list;
}

/** Out of the lists, or back into them. The same twice changes nothing. */
export async function putAway(call: Call<PutAwayChange>): Promise<PutAway[]> {
  const { context, studioId, id, body } = call;
  const kind = kindOf(call);
  await findRecord(context, { studioId, kind, id });
  const key = { studioId, kind, recordId: id };
  await withRetries(async () => {
    if (!body.away) await context.models.putAway.destroy({ where: key });
    else if (!(await context.models.putAway.findOne({ where: key })))
      await context.models.putAway.create({ ...key, at: new Date(body.at), by: body.by });
  });
  return listPutAway(call);
}
