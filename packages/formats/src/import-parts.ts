import { BYTES_AT_ONCE, ROWS_AT_ONCE } from './import-messages';
import type { ImportRow } from './portable';

export interface ImportPart {
  /** Place of its first row among all of them. */
  from: number;
  rows: ImportRow[];
}

/**
 * Returns the rows of a file in the parts they are sent in: by bytes as well as by number, because a recipe with many versions is a large
 * row.
 *
 * @param rows - of a checked file
 * @example
 * importParts([]).length // 0
 */
export function importParts(rows: readonly ImportRow[]): ImportPart[] {
  const parts: ImportPart[] = [];
  let bytes = 0;
  rows.forEach((row, at) => {
    const size = utf8Bytes(JSON.stringify(row)) + 1;
    const part = parts.at(-1);
    if (part && bytes + size <= BYTES_AT_ONCE && part.rows.length < ROWS_AT_ONCE) {
      part.rows.push(row);
      bytes += size;
    } else {
      parts.push({ from: at, rows: [row] });
      bytes = size;
    }
  });
  return parts;
}

/** Bytes of a text when it is sent. Half a character is sent as three bytes, like the sign that replaces it. */
function utf8Bytes(text: string): number {
  let bytes = 0;
  for (const letter of text) {
    const point = letter.codePointAt(0)!;
    bytes += point < 0x80 ? 1 : point < 0x800 ? 2 : point < 0x10000 ? 3 : 4;
  }
  return bytes;
}
