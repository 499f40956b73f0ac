import Papa from 'papaparse';

/** A row as a spreadsheet numbers it: the heading is row 1. */
export interface CsvRow {
  row: number;
  cells: Readonly<Record<string, string>>;
}

export interface CsvTable {
  heading: string[];
  rows: CsvRow[];
  /** True where the commas in numbers are decimal ones. */
  decimalComma: boolean;
}

/**
 * Returns a table with a heading: commas, semicolons or tabs, with or without a byte order mark, any line ends.
 *
 * @param text - the file
 * @example
 * readTable('name;percent\nSilica;60,5').decimalComma // true
 */
export function readTable(text: string): CsvTable {
  const clean = text.replace(/^\ufeff/, '');
  const delimiter = delimiterOf(clean);
  const { data } = Papa.parse<string[]>(clean, { skipEmptyLines: false, delimiter });
  const [head = [], ...rest] = data;
  const heading = head.map((name) => name.trim().toLowerCase());
  const rows = rest
    .map((cells, index) => ({
      row: index + 2,
      cells: Object.fromEntries(heading.map((name, column) => [name, plain(cells[column] ?? '')])),
    }))
    .filter(({ cells }) => Object.values(cells).some((cell) => cell !== ''));
  return { heading, rows, decimalComma: delimiter !== ',' };
}

/**
 * Returns the cells of a table whose columns nobody knows yet, as text, line by line: commas, semicolons or tabs. Lines without a cell are left out.
 *
 * @param text - the file
 * @example
 * readCells('0:00;20,5\n0:10;31,0') // [['0:00', '20,5'], ['0:10', '31,0']]
 */
export function readCells(text: string): string[][] {
  const clean = text.replace(/^\ufeff/, '');
  // A log may begin with lines about itself: the most frequent sign of all lines counts.
  const sample = clean.slice(0, 20_000);
  const count = (sign: string): number => sample.split(sign).length;
  const delimiter = count(';') * 2 > count('\n') ? ';' : count('\t') * 2 > count('\n') ? '\t' : ',';
  const { data } = Papa.parse<string[]>(clean, { skipEmptyLines: 'greedy', delimiter });
  return data.map((cells) => cells.map(plain));
}

/**
 * Returns a table as text: commas, quotes where needed, Windows line ends and a byte order mark, as every spreadsheet reads it.
 *
 * @param heading - names of the columns
 * @param rows - cells; undefined is left empty
 * @example
 * writeTable(['name'], [['Silica']]).length // 15
 */
export function writeTable(heading: readonly string[], rows: readonly (readonly (string | number | undefined)[])[]): string {
  const cells = rows.map((row) => row.map((cell) => (typeof cell === 'number' ? String(cell) : harmless(cell ?? ''))));
  return `\ufeff${Papa.unparse([[...heading], ...cells], { newline: '\r\n' })}\r\n`;
}

/**
 * A cell that a spreadsheet would run as a formula gets an apostrophe in front: at its beginning, and wherever a spreadsheet that splits at
 * semicolons, tabs or line ends would begin a cell. So does a cell that begins with an apostrophe already.
 */
function harmless(cell: string): string {
  return cell.replace(/(^|[;\t\r\n])(?=[=+\-@'])/g, "$1'");
}

function plain(cell: string): string {
  return cell.trim().replace(/(^|[;\t\r\n])'(?=[=+\-@'])/g, '$1');
}

/** Decided by the heading, which has no commas of its own. */
function delimiterOf(text: string): string {
  const heading = text.slice(0, text.search(/[\r\n]|$/));
  const count = (sign: string): number => heading.split(sign).length;
  return [',', ';', '\t'].sort((a, b) => count(b) - count(a))[0]!;
}

/**
 * Returns a number as people write it: 60.5, 60,5, 1.234,5 or 1,234.5. Undefined when it is none, and when a lone comma with three digits
 * behind it could be either: nothing is guessed, except that a file with semicolons has decimal commas.
 *
 * @param text - one cell
 * @param decimalComma - whether the file has semicolons
 * @example
 * readCell('1.234,5', true) // 1234.5
 */
export function readCell(text: string, decimalComma: boolean): number | undefined {
  const clean = text.trim().replace(/\s|%$/g, '');
  const [comma, point] = [clean.lastIndexOf(','), clean.lastIndexOf('.')];
  let usual = clean;
  if (comma >= 0 && point >= 0) usual = comma > point ? clean.replace(/\./g, '').replace(',', '.') : clean.replace(/,/g, '');
  else if (comma >= 0) {
    if (!decimalComma && /,\d{3}$/.test(clean)) return undefined;
    usual = clean.replace(',', '.');
  }
  const value = Number(usual);
  return /^[+-]?(\d+\.?\d*|\.\d+)(e[+-]?\d+)?$/i.test(usual) && Number.isFinite(value) ? value : undefined;
}
