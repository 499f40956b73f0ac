import type { Migration } from '../migration';

/** Fields of stored plans, days, batches, dips and tiles that got the standard name of the craft: old name, new name. */
const RENAMED = [
  ['stuff', 'coatingKind'],
  ['pots', 'decoratingColours'],
  ['way', 'method'],
  ['handSeconds', 'laborSeconds'],
] as const;

/** JSON columns that hold one of these fields. */
const COLUMNS = [
  ['pieces', 'body'],
  ['days', 'items'],
  ['batches', 'question'],
  ['coat_dips', 'body'],
  ['tiles', 'body'],
] as const;

/**
 * Replaces the text of a key with its colon. A quote inside a string value is stored as `\"`, so this text can only be a key;
 * and a second run finds nothing to replace.
 */
const renameKeys = (pairs: readonly (readonly [from: string, to: string])[]): string[] =>
  COLUMNS.map(
    ([table, column]) =>
      `UPDATE ${table} SET ${column} = ${pairs.reduce<string>((sql, [from, to]) => `REPLACE(${sql}, '"${from}":', '"${to}":')`, column)}`,
  );

export const standardNames: Migration = {
  name: '011-standard-names',
  up: renameKeys(RENAMED),
  down: renameKeys(RENAMED.map(([from, to]) => [to, from] as const)),
};
