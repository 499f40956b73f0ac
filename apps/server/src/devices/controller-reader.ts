import { readControllerLine, timeOfLine, type LogReading } from '@cazuela/core';
import { LONGEST_LOG_SECONDS } from '@cazuela/contract';
import type { Context } from '../context';
import { inTransaction } from '../db/in-transaction';
import type { FiringLogRow, LogReader } from '../db/rows';
import { appendReadings } from '../features/kiln/logs/append-readings';
import { lockLog } from '../features/kiln/logs/run-log';

/** A controller that was silent for so long has gone, ms: another may take its place. */
const GONE_MS = 120_000;

/** Lines of one controller, and where they come from. */
export interface ControllerLines {
  studioId: string;
  kilnId: string;
  /** The practice kiln's own name is `practice`. */
  sender: string;
  lines: readonly string[];
}

/** What is answered: each line that is acknowledged is stored. */
export type LinesAnswer = { kind: 'stored'; seconds: number; fresh: number } | { kind: 'refused'; words: string };

/**
 * The one place that reads what controllers of kilns send, real ones and the practice kiln. Lines belong to the firing that runs in their kiln.
 * Nothing of it is kept in memory: any server may read the next line.
 */
export function readLines(context: Context, { studioId, kilnId, sender, lines }: ControllerLines): Promise<LinesAnswer> {
  return inTransaction(context.sequelize, async (transaction): Promise<LinesAnswer> => {
    const row = await lockLog(context, { studioId, runningKilnId: kilnId }, transaction);
    if (!row) return { kind: 'refused', words: 'no firing runs in this kiln: begin one in Cazuela' };
    const nowMs = context.now().getTime();
    const other = otherSender(row, sender, nowMs);
    if (other) return { kind: 'refused', words: other };
    if (!row.practice && nowMs - row.beganAt.getTime() > LONGEST_LOG_SECONDS * 1_000)
      return { kind: 'refused', words: 'this firing began over a month ago: end its log in Cazuela and begin a new one' };
    const read = readingsOf(row, lines, nowMs);
    const { last } = read.reader;
    if (read.unreadable === lines.length && !read.reader.fault)
      return { kind: 'refused', words: `not understood: ${lines.at(-1)?.slice(0, 40) ?? ''}` };
    const reader: LogReader = { ...read.reader, sender: { name: sender, atMs: nowMs } };
    const fresh = await appendReadings(context, { row, readings: read.readings, reader }, transaction);
    return { kind: 'stored', seconds: last?.seconds ?? 0, fresh };
  });
}

function otherSender({ practice, reader }: FiringLogRow, sender: string, nowMs: number): string | undefined {
  if (practice) return sender === 'practice' ? undefined : 'the practice kiln fires here: end that firing first';
  const known = reader.sender;
  return known && known.name !== sender && nowMs - known.atMs < GONE_MS ? `another controller (${known.name}) sends for this kiln` : undefined;
}

function readingsOf(
  { beganAt, practice, reader: before }: FiringLogRow,
  lines: readonly string[],
  nowMs: number,
): { readings: LogReading[]; reader: LogReader; unreadable: number } {
  const readings: LogReading[] = [];
  let reader = before;
  let unreadable = 0;
  for (const text of lines) {
    const line = readControllerLine(text);
    if (line.kind !== 'reading') {
      unreadable++;
      if (line.kind === 'fault') reader = { ...reader, fault: line.text };
      continue;
    }
    const beganAtMs = beganAt.getTime();
    const at = timeOfLine({
      time: line.time,
      beganAtMs,
      receivedSeconds: (nowMs - beganAtMs) / 1_000,
      offsetSeconds: reader.offsetSeconds,
      lastSeconds: reader.last?.seconds,
      mayRunAhead: practice !== null,
    });
    if (!at || at.seconds > LONGEST_LOG_SECONDS) continue;
    const { celsius, setCelsius, share } = line;
    const reading: LogReading = {
      // Milliseconds are no news of a kiln, and the same line sent twice has the same time.
      seconds: Math.round(at.seconds * 10) / 10,
      celsius,
      ...(setCelsius === undefined ? {} : { setCelsius }),
      ...(share === undefined ? {} : { share }),
    };
    readings.push(reading);
    reader = { ...reader, last: reading, offsetSeconds: at.offsetSeconds, fault: undefined };
  }
  return { readings, reader, unreadable };
}
