import { kilnModel, SimulatedKiln, EMPTY_LOG, type FiringPoint, type KilnTrouble, type LogReading } from '@cazuela/core';
import { appendReadings } from '../apps/server/src/features/kiln/logs/append-readings';
import type { DemoLoad } from './demo-load';
import type { LoadedKiln } from './load-kilns';

const READ_SECONDS = 30;
/** Half a load of pots. */
const LOAD_GRAMS = 45_000;

/** What the controller of a kiln read in so many hours. */
export function readLog(
  kiln: LoadedKiln,
  curve: readonly FiringPoint[],
  { hours, trouble = {} }: { hours: number; trouble?: KilnTrouble },
): LogReading[] {
  const simulated = new SimulatedKiln(kilnModel(kiln.body, LOAD_GRAMS), curve, trouble);
  const tenth = (number: number): number => Math.round(number * 10) / 10;
  return Array.from({ length: Math.floor((hours * 3_600) / READ_SECONDS) }, () => simulated.run(READ_SECONDS))
    .filter((reading) => reading !== undefined)
    .map(({ seconds, celsius, setCelsius, share }) => ({
      seconds,
      celsius: tenth(celsius),
      setCelsius: tenth(setCelsius),
      share: Math.round(share * 100) / 100,
    }));
}

/** Keeps such a log with its firing: over, or still being read. */
export async function keepLog(
  load: DemoLoad,
  log: { firingId: string; kiln: LoadedKiln; startedAt: string; readings: LogReading[]; isRunning: boolean },
): Promise<void> {
  const { context, studioId, transaction } = load;
  const { firingId, kiln, readings, isRunning } = log;
  const beganAt = new Date(log.startedAt);
  const last = readings.at(-1)!;
  const row = {
    firingId,
    studioId,
    kilnId: kiln.id,
    runningKilnId: isRunning ? kiln.id : null,
    source: 'controller' as const,
    beganAt,
    endedAt: isRunning ? null : new Date(beganAt.getTime() + last.seconds * 1_000),
    readings: 0,
    curve: EMPTY_LOG,
    reader: {},
    practice: null,
  };
  await context.models.firingLogs.create(row, { transaction });
  const reader = { last, offsetSeconds: 0, sender: { name: 'Hall', atMs: beganAt.getTime() + last.seconds * 1_000 } };
  await appendReadings(context, { row, readings, reader }, transaction);
}
