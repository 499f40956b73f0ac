import { readNumber } from '../units/read-number';
import type { RecipeLine } from './recipe';
import type { Powder } from '../powder/powder';

export interface ReadLine {
  /** 1 is the first line of the text. */
  number: number;
  text: string;
  powder: Powder;
  part: RecipeLine['part'];
  percent: number;
}

export interface UnreadLine {
  number: number;
  text: string;
  /** What to change, in a sentence. */
  message: string;
}

/** Columns as spreadsheets copy and export them; a comma only with a space after it, because it may be a decimal comma. */
const COLUMN = /\t|;|\|| {2,}|, +/;
const BASE_HEADING = /^(base|recipe|material|powder)s?\b.*$/i;
const ADDITION_HEADING = /^(add(ition)?s?|over( the base)?|plus)\b:?\s*$/i;
const SUM = /^(total|sum)\b/i;

/**
 * Returns recipe lines pasted from a spreadsheet: a powder and its percentage, in either order. What stands after an empty line, a heading
 * like "additions" or a leading + is over the base. A line that cannot be read is told by its number, never guessed.
 *
 * @param question - `text`, lines; `powders` of the studio
 * @example
 * readRecipeText({ text: 'Silica 30', powders: [{ id: 's', name: 'Silica' }] }).lines.map(({ percent }) => percent) // [30]
 */
export function readRecipeText({ text, powders }: { text: string; powders: readonly Powder[] }): { lines: ReadLine[]; unread: UnreadLine[] } {
  const lines: ReadLine[] = [];
  const unread: UnreadLine[] = [];
  let part: RecipeLine['part'] = 'base';
  text
    .replace(/^\ufeff/, '')
    .split(/\r\n|\r|\n/)
    .forEach((raw, index) => {
      const line = raw.trim();
      if (line === '') {
        if (lines.length > 0) part = 'addition';
        return;
      }
      if (ADDITION_HEADING.test(line)) {
        part = 'addition';
        return;
      }
      if (SUM.test(line)) return;
      const read = readLine(line, powders);
      if (typeof read === 'string') {
        const isHeading = lines.length === 0 && unread.length === 0 && BASE_HEADING.test(line) && !/\d/.test(line);
        if (!isHeading) unread.push({ number: index + 1, text: line, message: read });
      } else lines.push({ number: index + 1, text: line, part: line.startsWith('+') ? 'addition' : part, ...read });
    });
  return { lines, unread };
}

function readLine(line: string, powders: readonly Powder[]): { powder: Powder; percent: number } | string {
  const cells = cellsOf(line.replace(/^\+\s*/, ''));
  if (!cells) return 'A line needs a powder and a percentage, like “Silica 30”.';
  const [name, figure] = cells;
  const reading = readNumber(figure.replace(/\s*%$/, ''));
  if (reading.kind !== 'ok' || reading.unit || reading.value < 0) return `“${figure}” is not a percentage: type something like 12.5.`;
  const wanted = plain(name);
  const exact = powders.find((powder) => plain(powder.name) === wanted);
  const near = powders.filter((powder) => plain(powder.name).startsWith(wanted));
  const powder = exact ?? (near.length === 1 ? near[0] : undefined);
  if (powder) return { powder, percent: reading.value };
  return near.length > 1
    ? `“${name}” may be ${near
        .slice(0, 3)
        .map((one) => one.name)
        .join(' or ')}: write which.`
    : `There is no powder “${name}” in your table: write it as it stands there.`;
}

/** Name and figure, in either order. */
function cellsOf(line: string): [name: string, figure: string] | undefined {
  const cells = line
    .split(COLUMN)
    .map((cell) => cell.trim())
    .filter(Boolean);
  if (cells.length >= 2) return /^[\d.,]+\s*%?$/.test(cells[0]!) ? [cells[1]!, cells[0]!] : [cells[0]!, cells[1]!];
  const behind = /^(.*\D)\s+([\d.,/]+\s*%?)$/.exec(line);
  if (behind) return [behind[1]!.trim(), behind[2]!];
  const before = /^([\d.,/]+\s*%?)\s+(\D.*)$/.exec(line);
  return before ? [before[2]!.trim(), before[1]!] : undefined;
}

const plain = (name: string): string =>
  name
    .toLowerCase()
    .replace(/[\s\-_]+/g, ' ')
    .trim();
