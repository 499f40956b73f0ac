import { Op, type Transaction } from 'sequelize';
import { EMPTY_LOG, grownLog, OPEN_BELOW_CELSIUS, type LogReading } from '@cazuela/core';
import type { Context } from '../../../context';
import type { FiringLogRow, LogReader } from '../../../db/rows';

/** Rows of one INSERT. */
const AT_ONCE = 5_000;
/** A firing is over by itself when it was hot, and is colder than this, °C. */
const OVER_CELSIUS = OPEN_BELOW_CELSIUS / 2;
const WAS_HOT_CELSIUS = 300;

/**
 * Appends readings to the log of a firing, inside a transaction that holds its row. Readings that are there already are skipped, so that a
 * controller may send again what was not acknowledged. Ends the log when the kiln is cold again. Returns how many were new.
 */
export async function appendReadings(
  context: Context,
  question: { row: FiringLogRow; readings: readonly LogReading[]; reader: LogReader },
  transaction: Transaction,
): Promise<number> {
  const { models } = context;
  const { row, readings, reader } = question;
  const { firingId, studioId } = row;
  const before = await models.kilnReadings.count({ where: { firingId }, transaction });
  for (let at = 0; at < readings.length; at += AT_ONCE) {
    const rows = readings.slice(at, at + AT_ONCE).map(({ seconds, celsius, setCelsius = null, share = null }) => ({
      firingId,
      seconds,
      studioId,
      celsius,
      setCelsius,
      share,
    }));
    await models.kilnReadings.bulkCreate(rows, { transaction, ignoreDuplicates: true });
  }
  const count = await models.kilnReadings.count({ where: { firingId }, transaction });
  // A reading from before what is settled: the curve is made anew.
  const isLate = readings.some(({ seconds }) => seconds < row.curve.settled.seconds);
  const start = isLate ? EMPTY_LOG : row.curve;
  const curve = grownLog(start, await readingsSince(context, firingId, start.settled.seconds, transaction));
  const peak = curve.points.reduce((most, { celsius }) => Math.max(most, celsius), 0);
  const isOver = peak > WAS_HOT_CELSIUS && (curve.points.at(-1)?.celsius ?? Infinity) < OVER_CELSIUS;
  const ended = isOver && row.endedAt === null ? { endedAt: context.now(), runningKilnId: null } : {};
  await models.firingLogs.update({ curve, reader, readings: count, ...ended }, { where: { firingId }, transaction });
  return count - before;
}

/** All that was read from this moment on, in order of time. */
export async function readingsSince(context: Context, firingId: string, seconds: number, transaction?: Transaction): Promise<LogReading[]> {
  const rows = await context.models.kilnReadings.findAll({
    where: { firingId, seconds: { [Op.gte]: seconds } },
    attributes: ['seconds', 'celsius', 'setCelsius', 'share'],
    order: [['seconds', 'ASC']],
    raw: true,
    ...(transaction ? { transaction } : {}),
  });
  return (rows as unknown as { seconds: number; celsius: number; setCelsius: number | null; share: number | null }[]).map((row) => ({
    seconds: row.seconds,
    celsius: row.celsius,
    ...(row.setCelsius === null ? {} : { setCelsius: row.setCelsius }),
    ...(row.share === null ? {} : { share: row.share }),
  }));
}
