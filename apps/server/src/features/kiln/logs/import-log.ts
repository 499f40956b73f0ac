import { EMPTY_LOG, type LogReading } from '@cazuela/core';
import type { Firing, FiringBody, LogReadings } from '@cazuela/contract';
import type { Transaction } from 'sequelize';
import type { Context } from '../../../context';
import { inTransaction } from '../../../db/in-transaction';
import type { Call } from '../../../http/route';
import { ProblemError } from '../../../http/problem-error';
import { readFiring } from '../read-firing';
import { appendReadings } from './append-readings';

/** The log of a file, for a firing that has none. Sent twice, it is there once. */
export async function importLog({ context, studioId, id, body }: Call<LogReadings>): Promise<Firing> {
  await inTransaction(context.sequelize, async (transaction) => {
    const firing = (await context.models.firings.findOne({ where: { id, studioId }, transaction, lock: transaction.LOCK.UPDATE }))?.get();
    if (!firing) throw new ProblemError('notFound', 'There is no such firing.');
    await keepImported(context, { studioId, firingId: id, body: firing.body, readings: body }, transaction);
  });
  return readFiring(context, studioId, id);
}

/** Throws `conflict` where a log is there that is not this one. */
export async function keepImported(
  context: Context,
  question: { studioId: string; firingId: string; body: FiringBody; readings: LogReadings },
  transaction: Transaction,
): Promise<void> {
  const { studioId, firingId, body } = question;
  const readings = inRows(question.readings);
  const known = (await context.models.firingLogs.findOne({ where: { firingId }, transaction }))?.get();
  if (known && known.source === 'file' && known.readings === readings.length) return;
  if (known) throw new ProblemError('conflict', 'This firing has a log already: note the file as a firing of its own.');
  const beganAt = new Date(body.startedAt);
  const last = readings.at(-1)!;
  const row = {
    firingId,
    studioId,
    kilnId: body.kilnId ?? null,
    runningKilnId: null,
    source: 'file' as const,
    beganAt,
    endedAt: new Date(beganAt.getTime() + last.seconds * 1_000),
    readings: 0,
    curve: EMPTY_LOG,
    reader: {},
    practice: null,
  };
  await context.models.firingLogs.create(row, { transaction });
  await appendReadings(context, { row, readings, reader: { last } }, transaction);
}

const inRows = ({ seconds, celsius, setCelsius, share }: LogReadings): LogReading[] =>
  seconds
    .map((at, index): LogReading => {
      const [set, on] = [setCelsius?.[index] ?? undefined, share?.[index] ?? undefined];
      return {
        seconds: at,
        celsius: celsius[index]!,
        ...(set === undefined ? {} : { setCelsius: set }),
        ...(on === undefined ? {} : { share: on }),
      };
    })
    .sort((a, b) => a.seconds - b.seconds);
