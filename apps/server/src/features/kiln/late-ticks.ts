import { QueryTypes, type Transaction } from 'sequelize';
import { dayStanding, type DayEvent } from '@cazuela/core';
import type { Context } from '../../context';
import type { Stream } from '../../db/lock-streams';
import { eventsOf } from '../events/append-events';
import { glazedWith } from './glazed-with';

/**
 * Brings results up to what a day now says of their lots: ticks that came after the pots were read, from a tablet that was without a network, or that
 * were taken back. In the transaction of the ticks.
 */
export async function takeLateTicks(context: Context, day: Stream, transaction: Transaction): Promise<void> {
  const { models } = context;
  const { studioId, streamId } = day;
  const row = await models.days.findOne({ where: { id: streamId, studioId }, attributes: ['items'], transaction });
  const items = row?.get().items ?? [];
  if (items.length === 0) return;
  const { lots } = dayStanding({ items, events: await eventsOf<DayEvent>(context, day, transaction) });
  const pieceOf = new Map(lots.map(({ item }) => [item.id, item.pieceId]));
  const read = await context.sequelize.query<{ id: string; lotId: string | null }>(
    "SELECT id, JSON_VALUE(body, '$.lotId') AS lotId FROM results WHERE studio_id = ? AND piece_id IN (?)",
    { replacements: [studioId, [...new Set(pieceOf.values())]], type: QueryTypes.SELECT, transaction },
  );
  const resultsOf = new Map<string, string[]>();
  for (const { id, lotId } of read) if (lotId && pieceOf.has(lotId)) resultsOf.set(lotId, [...(resultsOf.get(lotId) ?? []), id]);
  for (const [lotId, ids] of resultsOf) {
    const done = await glazedWith(context, studioId, { pieceId: pieceOf.get(lotId)!, lotId }, transaction);
    await models.results.update({ glazedWith: done }, { where: { studioId, id: ids }, transaction });
  }
}
