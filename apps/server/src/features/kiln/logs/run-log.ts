import type * as z from 'zod';
import { EMPTY_LOG } from '@cazuela/core';
import type { beginLogSchema, Firing, LogReadings, PracticeState } from '@cazuela/contract';
import type { Context } from '../../../context';
import type { Transaction } from 'sequelize';
import { inTransaction } from '../../../db/in-transaction';
import type { FiringLogRow } from '../../../db/rows';
import type { Call } from '../../../http/route';
import { ProblemError } from '../../../http/problem-error';
import { readFiring } from '../read-firing';
import { readingsSince } from './append-readings';
import { changedPractice, newPractice } from './practice-run';

/** The kiln is lit: from now on its controller writes the log of this firing. Asked twice, the log that runs is the answer. */
export async function beginLog({ context, studioId, id, body }: Call<z.infer<typeof beginLogSchema>>): Promise<Firing> {
  const { models } = context;
  await inTransaction(context.sequelize, async (transaction) => {
    const firing = (await models.firings.findOne({ where: { id, studioId }, transaction, lock: transaction.LOCK.UPDATE }))?.get();
    if (!firing) throw new ProblemError('notFound', 'There is no such firing.');
    const log = (await models.firingLogs.findOne({ where: { firingId: id }, transaction }))?.get();
    if (log && log.endedAt === null) return;
    if (log) throw new ProblemError('conflict', 'This firing has its log already: note the next one by itself.');
    const kiln = firing.body.kilnId ? (await models.kilns.findOne({ where: { id: firing.body.kilnId, studioId }, transaction }))?.get() : undefined;
    if (!kiln) throw new ProblemError('checkInput', 'A controller belongs to a kiln with a card: make its card, and choose it for this firing.');
    const other = await models.firingLogs.findOne({ where: { runningKilnId: kiln.id }, transaction });
    if (other)
      throw new ProblemError(
        'conflict',
        `${kiln.name} is being fired already, since ${other.get().beganAt.toISOString().slice(0, 16).replace('T', ' ')} UTC: end that firing first.`,
      );
    const now = context.now();
    // Noted before it was lit, or a practice kiln, which is cold: it begins now. A firing that runs for hours keeps its begin.
    const beganAt = body.practice || firing.startedAt > now ? now : firing.startedAt;
    await models.firingLogs.create(
      {
        firingId: id,
        studioId,
        kilnId: kiln.id,
        runningKilnId: kiln.id,
        source: body.practice ? 'practice' : 'controller',
        beganAt,
        endedAt: null,
        readings: 0,
        curve: EMPTY_LOG,
        reader: {},
        practice: body.practice ? newPractice(kiln.body, firing.body, body.practice, now.getTime()) : null,
      },
      { transaction },
    );
    if (beganAt.getTime() === firing.startedAt.getTime()) return;
    const values = { startedAt: beganAt, body: { ...firing.body, startedAt: beganAt.toISOString() }, version: firing.version + 1 };
    await models.firings.update(values, { where: { id, studioId }, transaction });
  });
  return readFiring(context, studioId, id);
}

/** It is off, or its controller is gone: the log stays as it is, and the kiln may be fired again. */
export async function endLog({ context, studioId, id }: Call<unknown>): Promise<Firing> {
  await context.models.firingLogs.update({ endedAt: context.now(), runningKilnId: null }, { where: { firingId: id, studioId, endedAt: null } });
  return readFiring(context, studioId, id);
}

/** A switch of the practice kiln. */
export async function setPractice({ context, studioId, id, body }: Call<PracticeState>): Promise<Firing> {
  await inTransaction(context.sequelize, async (transaction) => {
    const row = await lockLog(context, { studioId, firingId: id }, transaction);
    if (!row?.practice || row.endedAt !== null) throw new ProblemError('conflict', 'No practice kiln runs this firing.');
    const practice = changedPractice(row.practice, body, context.now().getTime());
    await context.models.firingLogs.update({ practice }, { where: { firingId: id }, transaction });
  });
  return readFiring(context, studioId, id);
}

/** All that was read, as it came: for a file. */
export async function listReadings({ context, studioId, id }: Call<unknown>): Promise<LogReadings> {
  if ((await context.models.firings.count({ where: { id, studioId } })) === 0) throw new ProblemError('notFound', 'There is no such firing.');
  const readings = await readingsSince(context, id, 0);
  return {
    seconds: readings.map(({ seconds }) => seconds),
    celsius: readings.map(({ celsius }) => celsius),
    setCelsius: readings.map(({ setCelsius = null }) => setCelsius),
    share: readings.map(({ share = null }) => share),
  };
}

/** The log of a firing, locked until the transaction ends. */
export async function lockLog(
  { models }: Context,
  where: { studioId: string; firingId: string } | { studioId: string; runningKilnId: string },
  transaction: Transaction,
): Promise<FiringLogRow | undefined> {
  return (await models.firingLogs.findOne({ where, transaction, lock: transaction.LOCK.UPDATE }))?.get();
}
