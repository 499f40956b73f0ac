import { v5 as uuidFrom } from 'uuid';
import { Op, type Transaction } from 'sequelize';
import { isOfOpening, lotIdOf, replayOpening, type PieceReading } from '@cazuela/core';
import type { FiringEvent, ResultBody } from '@cazuela/contract';
import type { Context } from '../../../context';
import type { Stream } from '../../../db/lock-streams';
import { ProblemError } from '../../../http/problem-error';
import { eventsOf } from '../../events/append-events';
import { glazedWith } from '../glazed-with';
import { keepTileReadings } from './keep-tile-readings';
import { lotFinder, type FiredLot } from './lots-of-firing';

/**
 * Keeps what was read at the opening of a kiln as results, one for each piece, in the transaction of the events. The result of a piece has always
 * the same id, so whoever reads it, and however often it is sent, it is one. A reading that is taken back takes its result away.
 */
export async function keepReadings(context: Context, target: Stream, fresh: readonly FiringEvent[], transaction: Transaction): Promise<void> {
  if (!fresh.some((event) => isOfOpening(event) || event.type === 'undone')) return;
  const { studioId, streamId: firingId } = target;
  await keepPhotos(context, target, fresh, transaction);
  const events = await eventsOf<FiringEvent>(context, target, transaction);
  const { readings, tiles } = replayOpening(events);
  await keepTileReadings(context, target, { events, fresh, tiles }, transaction);
  const touched = piecesTouched(events, fresh);
  if (touched.length === 0) return;
  const lotById = await lotFinder(context, { studioId, firingId, transaction });
  const glazing = new Map<string, Awaited<ReturnType<typeof glazedWith>>>();
  const where = { studioId, id: touched.map((pieceId) => resultIdOf(firingId, pieceId)) };
  const there = new Map((await context.models.results.findAll({ where, transaction })).map((row) => [row.get().id, row.get()]));
  for (const pieceId of touched) {
    const id = resultIdOf(firingId, pieceId);
    const before = there.get(id);
    const reading = readings.get(pieceId);
    const lot = reading?.coneReached ? await lotById(lotIdOf(pieceId)) : undefined;
    if (!reading?.coneReached) {
      if (before) await context.models.results.destroy({ where: { id, studioId }, transaction });
      continue;
    }
    if (!lot) throw new ProblemError('checkInput', 'That lot of pots is in no load and on no day any more.');
    const body = bodyOf(reading, lot, firingId);
    if (before) {
      if (JSON.stringify(before.body) === JSON.stringify(body)) continue;
      const values = { body, photoId: body.photoId, version: before.version + 1 };
      await context.models.results.update(values, { where: { id, studioId }, transaction });
      continue;
    }
    const key = lot.itemId ?? lot.pieceId;
    if (!glazing.has(key)) glazing.set(key, await glazedWith(context, studioId, { pieceId: lot.pieceId, lotId: lot.itemId }, transaction));
    await context.models.results.create(
      {
        id,
        studioId,
        version: 1,
        pieceId: lot.pieceId,
        firingId,
        photoId: body.photoId,
        body,
        glazedWith: glazing.get(key)!,
        createdAt: context.now(),
      },
      { transaction },
    );
  }
}

/** The same piece in the same firing has the same result. */
export const resultIdOf = (firingId: string, pieceId: string): string => uuidFrom(`result ${pieceId}`, firingId);

/** Photos stay as long as their firing. */
async function keepPhotos({ models }: Context, target: Stream, fresh: readonly FiringEvent[], transaction: Transaction): Promise<void> {
  const { studioId, streamId: firingId } = target;
  const ids = [...new Set(fresh.flatMap((event) => (event.type === 'piecesPhotographed' ? [event.photoId] : [])))];
  if (ids.length === 0) return;
  const where = { studioId, id: ids, firingId: { [Op.or]: [null, firingId] } };
  if ((await models.photos.count({ where, transaction })) < ids.length) throw new ProblemError('checkInput', 'The photo is not here: take it again.');
  await models.photos.update({ firingId }, { where: { studioId, id: ids }, transaction });
}

/** Pieces of which something new was said; of what is taken back, nobody knows how it hangs together: all are looked at. */
function piecesTouched(events: readonly FiringEvent[], fresh: readonly FiringEvent[]): string[] {
  const of = (some: readonly FiringEvent[]): string[] =>
    some.flatMap((event) => (isOfOpening(event) && event.type !== 'tileRead' ? event.pieceIds : []));
  return [...new Set(of(fresh.some(({ type }) => type === 'undone') ? events : fresh))];
}

function bodyOf({ pieceId, verdict, coneReached, shelfId, photoIds, others }: PieceReading, lot: FiredLot, firingId: string): ResultBody {
  const { stars = 0, faults = [], foot, ranMm, note = '' } = verdict;
  return {
    pieceId: lot.pieceId,
    firingId,
    lotId: lot.itemId ?? null,
    shelfId: shelfId ?? null,
    coneReached: coneReached!,
    stars,
    faults,
    ...(ranMm === undefined || ranMm === null ? {} : { ranMm }),
    ...(foot ? { foot } : {}),
    note,
    photoId: photoIds[0] ?? null,
    ...(photoIds.length > 1 ? { photoIds } : {}),
    loadPieceId: pieceId,
    ...(others.length > 0 ? { otherStars: others } : {}),
  };
}
