import { READINGS_IN_ONE_SEND, type LogReadings } from '@cazuela/contract';
import { attempt, logFromTable, thinLog, type Attempt, type LogFromTable, type LogReading, type LogTableChoices } from '@cazuela/core';
import { decodeText, readCells } from '@cazuela/formats';

/** A longer file is no log of one firing. */
export const MOST_LOG_BYTES = 12_000_000;
/** A file with more readings than are sent at once is thinned as little as is needed, °C. */
const THIN_CELSIUS = [0.2, 0.5, 1, 2];

/** The cells of a log's file, whatever its encoding. */
export const cellsOf = (bytes: Uint8Array): string[][] => readCells(decodeText(bytes));

/** The log in those cells, as far as it is understood. */
export const logOf = (cells: readonly (readonly string[])[], choices: LogTableChoices): Attempt<LogFromTable> =>
  attempt(() => logFromTable(cells, choices));

/** Readings as they are sent, column by column; a very long log without what lies on straight lines. */
export function readingsToSend(readings: readonly LogReading[]): LogReadings {
  let sent = [...readings];
  for (const near of THIN_CELSIUS) if (sent.length > READINGS_IN_ONE_SEND) sent = thinLog(readings, near);
  sent = sent.slice(0, READINGS_IN_ONE_SEND);
  const tenth = (number: number): number => Math.round(number * 10) / 10;
  const some = (of: (reading: LogReading) => number | undefined, digits: (number: number) => number): (number | null)[] | undefined =>
    sent.some((reading) => of(reading) !== undefined) ? sent.map((reading) => (of(reading) === undefined ? null : digits(of(reading)!))) : undefined;
  const setCelsius = some((reading) => reading.setCelsius, tenth);
  const share = some(
    (reading) => reading.share,
    (number) => Math.round(number * 1_000) / 1_000,
  );
  return {
    seconds: sent.map(({ seconds }) => tenth(seconds)),
    celsius: sent.map(({ celsius }) => tenth(celsius)),
    ...(setCelsius ? { setCelsius } : {}),
    ...(share ? { share } : {}),
  };
}
