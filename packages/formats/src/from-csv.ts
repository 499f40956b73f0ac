import { MASS_UNITS, VOLUME_UNITS, type Unit } from '@cazuela/core';
import { OXIDE_COLUMNS } from './columns';
import { readCell, type CsvRow, type CsvTable } from './csv';
import type { FileProblem } from './file-problem';

/** An entry read from rows, not checked yet, with the row it began on and those of its lines. */
export interface Raw {
  row: number;
  lineRows: number[];
  value: unknown;
}

interface Reader {
  text: (column: string) => string;
  number: (column: string) => number | undefined;
}

function readerOf({ row, cells }: CsvRow, decimalComma: boolean, problems: FileProblem[]): Reader {
  return {
    text: (column) => cells[column] ?? '',
    number: (column) => {
      const text = cells[column] ?? '';
      if (text === '') return undefined;
      const value = readCell(text, decimalComma);
      if (value === undefined) problems.push({ row, message: `“${text.slice(0, 40)}” in the column ${column} is not a number.` });
      return value;
    },
  };
}

const optional = <T>(key: string, value: T | undefined | ''): Record<string, T> => (value === undefined || value === '' ? {} : { [key]: value });

/**
 * Returns the powders of a table, not checked yet.
 *
 * @param table - from `readTable`
 * @param problems - what cannot be read is added here, with its row
 * @example
 * powdersFrom(readTable('powder\nSilica'), []).length // 1
 */
export function powdersFrom({ rows, decimalComma }: CsvTable, problems: FileProblem[]): Raw[] {
  return rows.map((row) => {
    const { text, number } = readerOf(row, decimalComma, problems);
    const oxides = Object.fromEntries(OXIDE_COLUMNS.map((oxide) => [oxide, number(oxide.toLowerCase())]).filter(([, value]) => value !== undefined));
    const hazards = text('hazards');
    const value = {
      name: text('powder'),
      role: text('role'),
      densityGMl: number('density_g_ml'),
      rawClay: number('raw_clay') ?? 0,
      shrinkWeight: number('shrink_weight') ?? 0,
      loiPercent: number('loi_percent') ?? 0,
      oxides,
      hazards: hazards === '' ? [] : hazards.split('|').map((one) => one.trim()),
      ...optional('sieveMesh', number('sieve_mesh')),
      ...optional('pricePerKg', number('price_per_kg')),
      ...optional('lowGrams', number('low_g')),
    };
    return { row: row.row, lineRows: [row.row], value };
  });
}

/**
 * Returns the recipes of a table, not checked yet. What a recipe says once may stand on its first row alone.
 *
 * @param table - from `readTable`
 * @param problems - what cannot be read is added here, with its row
 * @param now - time of change for recipes that say none, UTC, ISO 8601
 * @example
 * recipesFrom(readTable('recipe,powder,percent\nAsh,Silica,30'), [], '2026-03-01T09:00:00.000Z').length // 1
 */
export function recipesFrom(table: CsvTable, problems: FileProblem[], now: string): Raw[] {
  return grouped(table, 'recipe').map((rows) => {
    const { text, number } = readerOf(rows[0]!, table.decimalComma, problems);
    const cone = (column: string): string => text(column).replace(/^cone\s*/i, '');
    const lineRows = rows.filter(({ cells }) => (cells['powder'] ?? '') !== '');
    const lines = lineRows.map((row) => {
      const of = readerOf(row, table.decimalComma, problems);
      return { powder: of.text('powder'), part: of.text('part') || 'base', percent: of.number('percent') };
    });
    const body = {
      name: text('recipe'),
      lines,
      coneLow: cone('cone_low') || '6',
      coneHigh: cone('cone_high') || cone('cone_low') || '6',
      atmosphere: text('atmosphere') || 'oxidation',
      surface: text('surface') || 'unknown',
      colour: text('colour') || '#B9AE97',
      sgLow: number('sg_low') ?? 1.43,
      sgHigh: number('sg_high') ?? 1.47,
      movement: text('movement') || 'unknown',
      foodTested: /^(yes|true|1)$/i.test(text('food_tested')),
      notes: text('notes'),
      ...optional('untested', text('untested')),
      ...productFrom(text, number),
    };
    const value = { versions: [{ reason: text('reason') || 'From a file', changedAt: text('changed_at') || now, body }] };
    return { row: rows[0]!.row, lineRows: lineRows.map((row) => row.row), value };
  });
}

function productFrom(text: Reader['text'], number: Reader['number']): { product?: unknown } {
  switch (text('product')) {
    case 'base':
      return {
        product: {
          kind: 'base',
          label: { powder: amountOf(text('label_powder')), water: amountOf(text('label_water')) },
          packGrams: number('pack_g'),
          ...optional('packPrice', number('price')),
        },
      };
    case 'jar':
      return {
        product: {
          kind: 'jar',
          coats: number('coats'),
          jarMl: number('jar_ml'),
          makerSaysFoodSafe: text('maker_says_food_safe') || 'unsaid',
          ...optional('jarPrice', number('price')),
        },
      };
    default:
      return {};
  }
}

/** Reads "1 US pt" as a value and a known unit. */
function amountOf(text: string): { value: number; unit: Unit } | undefined {
  const match = /^([\d.,]+)\s*(.+)$/.exec(text.trim());
  const unit = match?.[2] as Unit | undefined;
  const value = match ? readCell(match[1]!, false) : undefined;
  return unit && (unit in MASS_UNITS || unit in VOLUME_UNITS) && value !== undefined ? { value, unit } : undefined;
}

/**
 * Returns the batches of a table, not checked yet.
 *
 * @param table - from `readTable`
 * @param problems - what cannot be read is added here, with its row
 * @example
 * batchesFrom(readTable('recipe,powder\nAsh,Silica'), []).length // 1
 */
export function batchesFrom(table: CsvTable, problems: FileProblem[]): Raw[] {
  return grouped(table, 'batch').map((rows) => {
    const { text, number } = readerOf(rows[0]!, table.decimalComma, problems);
    const lines = rows.map((row) => {
      const of = readerOf(row, table.decimalComma, problems);
      return { powder: of.text('powder'), part: of.text('part') || 'base', targetGrams: of.number('target_g'), inGrams: of.number('in_g') ?? null };
    });
    const value = {
      recipe: text('recipe'),
      version: number('version'),
      weighedAt: text('weighed_at'),
      by: text('by'),
      waterGrams: number('water_g'),
      waterInGrams: number('water_in_g') ?? null,
      expectedSg: number('expected_sg'),
      lines,
    };
    return { row: rows[0]!.row, lineRows: rows.map((row) => row.row), value };
  });
}

/** Consecutive rows of one name are one entry. */
function grouped({ rows }: CsvTable, column: string): CsvRow[][] {
  const groups: CsvRow[][] = [];
  for (const row of rows) {
    const name = row.cells[column] ?? '';
    const last = groups.at(-1);
    if (last && (name === '' || name === last[0]!.cells[column])) last.push(row);
    else groups.push([row]);
  }
  return groups;
}
