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
  /** The name that no powder of the studio has. */
  name?: string;
}

/** Columns as spreadsheets copy and export them; a comma with a space after it or beside a letter, else it may be a decimal comma. */
const COLUMN = /\t|;|\|| {2,}|, +|,(?=[^\d\s])|(?<=[^\d\s]),(?=\d)/;
/** A row counted by its spreadsheet: "1", "2." or "3)". */
const ROW_NUMBER = /^\d{1,2}[.)]?$/;
const FIGURE = /^[\d.,/]+\s*(%|g|gr|grams?|parts?)?$/i;
const UNIT_BEHIND = /\s*(%|gr|grams?|g|parts?)$/i;
const BASE_HEADING = /^(base|recipe|material|powder)s?\b.*$/i;
const ADDITION_HEADING = /^(add(ition)?s?|over( the base)?|plus)\b:?\s*$/i;
const SUM = /^(total|sum)\b/i;

/**
 * Returns recipe lines pasted from a spreadsheet: a powder and its percentage, in either order; row numbers and further columns are left. Grams and
 * parts count as they stand: the base is brought to 100 later. What stands after an empty line, a heading
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
      if ('message' in read) {
        const isHeading = lines.length === 0 && unread.length === 0 && BASE_HEADING.test(line) && !/\d/.test(line);
        if (!isHeading) unread.push({ number: index + 1, text: line, ...read });
      } else lines.push({ number: index + 1, text: line, part: line.startsWith('+') ? 'addition' : part, ...read });
    });
  return { lines, unread };
}

function readLine(line: string, powders: readonly Powder[]): { powder: Powder; percent: number } | Pick<UnreadLine, 'message' | 'name'> {
  const text = line.replace(/^\+\s*/, '');
  const cells = namedWhole(text, powders) ?? cellsOf(text);
  if (!cells) return { message: 'A line needs a powder and a percentage, like “Silica 30”.' };
  const [name, figure] = cells;
  const reading = readNumber(figure.replace(UNIT_BEHIND, ''));
  if (reading.kind !== 'ok' || reading.unit || reading.value < 0) return { message: `“${figure}” is not a percentage: type something like 12.5.` };
  const wanted = plain(name);
  const exact = powders.find((powder) => namesOf(powder).some((one) => plain(one) === wanted));
  const near = powders.filter((powder) => plain(powder.name).startsWith(wanted));
  const powder = exact ?? (near.length === 1 ? near[0] : undefined);
  if (powder) return { powder, percent: reading.value };
  const some = near
    .slice(0, 3)
    .map((one) => one.name)
    .join(' or ');
  return near.length > 1
    ? { message: `“${name}” may be ${some}: write which.` }
    : { message: `There is no powder “${name}” in your table: say which it is, or write it as it stands there.`, name };
}

/** A name of the table that stands whole before its figure, commas and all: “Clear base, bought 100”. */
function namedWhole(line: string, powders: readonly Powder[]): [name: string, figure: string] | undefined {
  const lower = line.toLowerCase();
  const found = powders
    .flatMap(namesOf)
    .filter((name) => name.length > 0 && lower.startsWith(name.toLowerCase()))
    .map((name): [string, string] => [name, line.slice(name.length).replace(/^[\s,;|]+/, '')])
    .filter(([, figure]) => FIGURE.test(figure));
  return found.sort((a, b) => b[0].length - a[0].length)[0];
}

/** Name and figure, in either order; a row number before them and columns after the figure are left. */
function cellsOf(line: string): [name: string, figure: string] | undefined {
  const all = line
    .split(COLUMN)
    .map((cell) => cell.trim())
    .filter(Boolean);
  const cells = all.length > 2 && ROW_NUMBER.test(all[0]!) && !FIGURE.test(all[1]!) ? all.slice(1) : all;
  if (cells.length >= 2) {
    if (FIGURE.test(cells[0]!)) return [cells[1]!, cells[0]!];
    return [cells[0]!, cells.slice(1).find((cell) => FIGURE.test(cell)) ?? cells[1]!];
  }
  const behind = /^(.*\D)\s+([\d.,/]+\s*(?:%|gr?|grams?|parts?)?)$/i.exec(line);
  if (behind) return [behind[1]!.trim(), behind[2]!];
  const before = /^([\d.,/]+\s*(?:%|gr?|grams?|parts?)?)\s+(\D.*)$/i.exec(line);
  return before ? [before[2]!.trim(), before[1]!] : undefined;
}

const namesOf = ({ name, aliases = [] }: Powder): string[] => [name, ...aliases];

const plain = (name: string): string =>
  name
    .toLowerCase()
    .replace(/[\s\-_]+/g, ' ')
    .trim();
