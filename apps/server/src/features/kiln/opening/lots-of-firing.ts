import type { Transaction } from 'sequelize';
import { replayLoad, type LoadEvent } from '@cazuela/core';
import type { Context } from '../../../context';
import { eventsOf } from '../../events/append-events';
import { lotOf } from '../glazed-with';

/** Pots of one lot, as a result names them. */
export interface FiredLot {
  /** The plan they were glazed by. */
  pieceId: string;
  /** The lot on its day; left out where the load names a plan and no day. */
  itemId?: string | undefined;
}

/** Finds the lot that stood in a firing, by its id in the load or on its day; undefined for tiles, and for what nobody knows. */
export async function lotFinder(
  context: Context,
  { studioId, firingId, transaction }: { studioId: string; firingId: string; transaction: Transaction },
): Promise<(lotId: string) => Promise<FiredLot | undefined>> {
  const marks = await context.models.benchEvents.findAll({ where: { studioId, stream: 'load' }, attributes: ['streamId', 'body'], transaction });
  const loadIds = new Set(
    marks.map((row) => row.get()).flatMap(({ streamId, body }) => (body.type === 'fired' && body.firingId === firingId ? [streamId] : [])),
  );
  const loads = await Promise.all(
    [...loadIds].map(async (streamId) => replayLoad(await eventsOf<LoadEvent>(context, { studioId, stream: 'load', streamId }, transaction))),
  );
  const lots = loads.filter((load) => load.firingId === firingId).flatMap((load) => load.lots);
  const known = new Map<string, FiredLot | undefined>();
  return async (lotId) => {
    if (!known.has(lotId)) {
      const inLoad = lots.find(({ id }) => id === lotId);
      const itemId = inLoad?.itemId ?? (inLoad ? undefined : lotId);
      const item = itemId && (await lotOf(context, studioId, itemId, transaction))?.item;
      const pieceId = item ? item.pieceId : inLoad?.pieceId;
      known.set(lotId, pieceId ? { pieceId, ...(item ? { itemId } : {}) } : undefined);
    }
    return known.get(lotId);
  };
}
