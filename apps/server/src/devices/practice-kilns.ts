import { Op } from 'sequelize';
import { SimulatedKiln, type KilnReading } from '@cazuela/core';
import type { Context } from '../context';
import type { FiringLogRow, PracticeRun } from '../db/rows';
import { secondsOf } from '../features/kiln/logs/practice-run';
import { readLines } from './controller-reader';

/** A line so often, s of the kiln's own clock; and how often the clock is looked at, ms. */
const LINE_SECONDS = 20;
const LOOK_MS = 500;
/** So many lines at a time. */
const MOST_LINES = 1_500;

/**
 * Runs the practice kilns of all studios. A practice kiln is deterministic: it is run again from its begin whenever a server has not run it yet, so
 * it goes on when servers are killed, and two servers that run the same one write the same lines. Returns what stops it.
 */
export function runPracticeKilns(context: Context): () => Promise<void> {
  const kilns = new PracticeKilns(context);
  let running: Promise<void> | undefined;
  const timer = setInterval(() => {
    running ??= kilns
      .runOn()
      .catch((error: unknown) => context.log.warn({ error }, 'a practice kiln could not be run'))
      .finally(() => (running = undefined));
  }, LOOK_MS);
  timer.unref();
  return async () => {
    clearInterval(timer);
    await running;
  };
}

interface RunningKiln {
  /** What it was made from: another one is made when that changes. */
  key: string;
  kiln: SimulatedKiln;
  seconds: number;
}

/** Practice kilns, each run up to now. */
export class PracticeKilns {
  private readonly kilns = new Map<string, RunningKiln>();
  constructor(private readonly context: Context) {}

  async runOn(): Promise<void> {
    const rows = await this.context.models.firingLogs.findAll({
      where: { runningKilnId: { [Op.ne]: null }, source: 'practice' },
      // Looked at twice a second: without the curve, which is long.
      attributes: ['firingId', 'studioId', 'runningKilnId', 'practice', 'reader'],
    });
    const ids = new Set(rows.map((row) => row.get().firingId));
    for (const id of this.kilns.keys()) if (!ids.has(id)) this.kilns.delete(id);
    for (const row of rows) {
      const { firingId } = row.get();
      // What was not stored is run again.
      await this.runOne(row.get()).catch((error: unknown) => {
        this.kilns.delete(firingId);
        throw error;
      });
    }
  }

  private async runOne({ firingId, studioId, runningKilnId, practice, reader }: FiringLogRow): Promise<void> {
    if (!practice || !runningKilnId) return;
    const until = Math.floor(secondsOf(practice, this.context.now().getTime()) / LINE_SECONDS) * LINE_SECONDS;
    const running = this.kilnOf(firingId, practice);
    const read = reader.last?.seconds ?? 0;
    const lines: string[] = [];
    while (running.seconds + LINE_SECONDS <= until && lines.length < MOST_LINES) {
      const reading = running.kiln.run(LINE_SECONDS);
      running.seconds += LINE_SECONDS;
      if (reading && reading.seconds > read) lines.push(lineOf(reading));
    }
    if (lines.length > 0) await readLines(this.context, { studioId, kilnId: runningKilnId, sender: 'practice', lines });
  }

  private kilnOf(firingId: string, { model, curve, trouble }: PracticeRun): RunningKiln {
    const key = JSON.stringify(trouble);
    const known = this.kilns.get(firingId);
    if (known?.key === key) return known;
    const made = { key, kiln: new SimulatedKiln(model, curve, trouble), seconds: 0 };
    this.kilns.set(firingId, made);
    return made;
  }
}

/** As a controller writes it: time, °C, set point, share on. */
function lineOf({ seconds, celsius, setCelsius, share }: KilnReading): string {
  const [hours, minutes] = [Math.floor(seconds / 3_600), Math.floor((seconds % 3_600) / 60)];
  const two = (number: number): string => String(number).padStart(2, '0');
  return `${hours}:${two(minutes)}:${two(Math.round(seconds % 60))}; ${celsius.toFixed(1)}; ${setCelsius.toFixed(1)}; ${Math.round(share * 100)} %`;
}
