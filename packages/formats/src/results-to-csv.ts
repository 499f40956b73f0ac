import type { Result, ResultChangeBody } from '@cazuela/contract';
import { CHANGE_COLUMNS, RESULT_COLUMNS } from './columns';
import { writeTable } from './csv';
import { coneCell } from './to-csv';

/** A result with the name of its clay. */
export interface NamedResult extends Result {
  clay: string;
}

/**
 * Returns a table with one row for each fired piece. What has several values (its glazes, their coats) stands in one cell, parted by `|`, in the order
 * in which it was glazed.
 *
 * @param results - with the names of their clays
 * @example
 * resultsToCsv([]).includes('stars') // true
 */
export function resultsToCsv(results: readonly NamedResult[]): string {
  const rows = results.map(({ firedAt, kiln, pieceName, clay, body, glazedWith }) => {
    const coats = glazedWith.filter(({ bucketName }) => bucketName !== null);
    const each = (value: (coat: Result['glazedWith'][number]) => number | string | null): string => coats.map((coat) => value(coat) ?? '').join('|');
    return [
      firedAt,
      kiln,
      coneCell(body.coneReached),
      pieceName,
      clay,
      body.stars > 0 ? body.stars : undefined,
      body.faults.map(({ fault, where, degree }) => [fault, where, ...(degree === undefined ? [] : [degree])].join(' ')).join('|'),
      body.foot,
      body.ranMm,
      body.note,
      each(({ bucketName }) => bucketName),
      each(({ coatMm }) => coatMm),
      each(({ seconds, secondsPlanned }) => (secondsPlanned ? null : seconds)),
      each(({ sg }) => sg),
      body.photoId ? `photos/${body.photoId}.jpg` : undefined,
    ];
  });
  return writeTable(RESULT_COLUMNS, rows);
}

/**
 * Returns a table with one row for each entry of the ledger of changes.
 *
 * @param changes - with the names of their pieces
 * @example
 * changesToCsv([]).includes('decision') // true
 */
export function changesToCsv(changes: readonly (ResultChangeBody & { piece: string })[]): string {
  const rows = changes.map((change) => [
    change.at,
    change.by,
    change.piece,
    change.fault,
    change.where,
    change.kind,
    change.from,
    change.to,
    change.chanceBefore,
    change.chanceAfter,
    change.decision,
    change.reason,
  ]);
  return writeTable(CHANGE_COLUMNS, rows);
}
