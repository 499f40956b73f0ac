import { Op, type WhereOptions } from 'sequelize';
import type { FiringEvent, FiringLog, PracticeState } from '@cazuela/contract';
import type { Context } from '../../../context';
import type { BenchEventRow, FiringLogRow, PracticeRun } from '../../../db/rows';
import { secondsOf } from './practice-run';

/** Events of an opening, by their text in the table. */
const OF_OPENING = '%"type":"pieces%';

/** Logs and hand-written notes of firings, as their answers carry them. */
export interface FiringReadings {
  log?: FiringLog;
  events?: FiringEvent[];
}

/** What was read and noted of each of these firings; one question to each table. A list leaves out what was said of each piece at the opening. */
export async function readingsOf(
  { models, now }: Context,
  studioId: string,
  firingIds: readonly string[],
  { withOpening = false }: { withOpening?: boolean } = {},
): Promise<ReadonlyMap<string, FiringReadings>> {
  const found = new Map<string, FiringReadings>(firingIds.map((id) => [id, {}]));
  if (firingIds.length === 0) return found;
  const [logs, notes] = await Promise.all([
    models.firingLogs.findAll({ where: { studioId, firingId: [...firingIds] } }),
    models.benchEvents.findAll({
      where: {
        studioId,
        stream: 'firing',
        streamId: [...firingIds],
        ...(withOpening ? {} : { body: { [Op.notLike]: OF_OPENING } }),
      } as WhereOptions<BenchEventRow>,
      order: [['seq', 'ASC']],
    }),
  ]);
  for (const row of logs) found.get(row.get().firingId)!.log = logFromRow(row.get(), now().getTime());
  for (const row of notes) {
    const firing = found.get(row.get().streamId)!;
    firing.events = [...(firing.events ?? []), row.get().body as FiringEvent];
  }
  return found;
}

export function logFromRow({ source, beganAt, endedAt, readings, curve, reader, practice }: FiringLogRow, nowMs: number): FiringLog {
  const { last, fault } = reader;
  return {
    source,
    beganAt: beganAt.toISOString(),
    endedAt: endedAt?.toISOString() ?? null,
    readings,
    dropped: curve.dropped,
    points: curve.points,
    last: last ? { seconds: last.seconds, celsius: last.celsius, setCelsius: last.setCelsius ?? null, share: last.share ?? null } : null,
    fullPowerHours: curve.fullPowerHours,
    ...(practice ? { practice: practiceState(practice) } : {}),
    ...(practice && endedAt === null ? { practiceSeconds: secondsOf(practice, nowMs) } : {}),
    ...(fault ? { fault } : {}),
  };
}

function practiceState({ speed, trouble }: PracticeRun): PracticeState {
  const isOpen = (spans: readonly { untilSeconds?: number | undefined }[] = []): boolean =>
    spans.some(({ untilSeconds }) => untilSeconds === undefined);
  return {
    speed,
    isPowerCut: isOpen(trouble.powerCuts),
    isDoorOpen: isOpen(trouble.doorOpen),
    isElementDead: trouble.deadElement !== undefined,
    readsOver: trouble.readsOver ?? 0,
  };
}
