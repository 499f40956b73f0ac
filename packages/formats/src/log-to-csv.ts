import type { LogReadings } from '@cazuela/contract';
import { LOG_COLUMNS } from './columns';
import { writeTable } from './csv';

/**
 * Returns the log of a firing as a table, one row for each reading as it came.
 *
 * @param readings - column by column
 * @param beganAt - when the log began
 * @example
 * logToCsv({ seconds: [0], celsius: [20] }, '2026-11-14T18:00:00.000Z').includes('celsius') // true
 */
export function logToCsv({ seconds, celsius, setCelsius, share }: LogReadings, beganAt: string): string {
  const began = Date.parse(beganAt);
  const rows = seconds.map((at, index) => [
    new Date(began + at * 1_000).toISOString(),
    at,
    celsius[index],
    setCelsius?.[index] ?? undefined,
    share?.[index] ?? undefined,
  ]);
  return writeTable(LOG_COLUMNS, rows);
}
