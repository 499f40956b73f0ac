import { LIMITS } from '@cazuela/contract';
import type * as z from 'zod';
import { tableKind } from './columns';
import { readTable } from './csv';
import { batchesFrom, powdersFrom, recipesFrom, type Raw } from './from-csv';
import {
  FORMAT_NAME,
  FORMAT_VERSION,
  portableBatchSchema,
  portablePowderSchema,
  portableRecipeSchema,
  type PortableBatch,
  type PortablePowder,
  type PortableRecipe,
} from './portable';
import type { FileProblem } from './file-problem';

export interface Read<T> {
  row: number;
  lineRows: number[];
  value: T;
}

export interface ReadFile {
  powders: Read<PortablePowder>[];
  recipes: Read<PortableRecipe>[];
  batches: Read<PortableBatch>[];
  problems: FileProblem[];
}

/**
 * Returns what is in a file of ours, JSON or CSV, every entry checked. Nothing is guessed: what cannot be read is told with its row.
 *
 * @param text - the file
 * @param now - time of change for recipes that say none, UTC, ISO 8601
 * @example
 * readFile('', '2026-03-01T09:00:00.000Z').recipes.length // 0
 */
export function readFile(text: string, now: string): ReadFile {
  const file: ReadFile = { powders: [], recipes: [], batches: [], problems: [] };
  if (text.trim() === '') return { ...file, problems: [{ row: 1, message: 'The file is empty.' }] };
  const raw = /^\ufeff?\s*\{/.test(text) ? rawFromJson(text, file.problems) : rawFromCsv(text, file.problems, now);
  const taken = {
    ...file,
    powders: checked(raw.powders, portablePowderSchema, file.problems),
    recipes: checked(raw.recipes, portableRecipeSchema, file.problems),
    batches: checked(raw.batches, portableBatchSchema, file.problems),
  };
  twice(
    taken.powders.map(({ row, value }) => ({ row, name: value.name })),
    'powder',
    file.problems,
  );
  twice(
    taken.recipes.map(({ row, value }) => ({ row, name: value.versions.at(-1)!.body.name })),
    'recipe',
    file.problems,
  );
  if (taken.recipes.length > LIMITS.recipesInOneImport) {
    file.problems.push({ row: 1, message: `One file holds at most ${LIMITS.recipesInOneImport} recipes; this one has ${taken.recipes.length}.` });
  }
  file.problems.sort((a, b) => a.row - b.row);
  return taken;
}

interface RawFile {
  powders: Raw[];
  recipes: Raw[];
  batches: Raw[];
}
const NOTHING: RawFile = { powders: [], recipes: [], batches: [] };

function rawFromCsv(text: string, problems: FileProblem[], now: string): RawFile {
  const table = readTable(text);
  switch (tableKind(table.heading)) {
    case 'powders':
      return { ...NOTHING, powders: powdersFrom(table, problems) };
    case 'recipes':
      return { ...NOTHING, recipes: recipesFrom(table, problems, now) };
    case 'batches':
      return { ...NOTHING, batches: batchesFrom(table, problems) };
    case 'measured':
      problems.push({
        row: 1,
        message: 'Measured dips and runner tiles belong to the studio that measured them; they are written and not taken in.',
      });
      return NOTHING;
    case undefined:
      problems.push({ row: 1, message: 'The first row names no columns of ours. A recipe file has “recipe”, “part”, “powder” and “percent”.' });
      return NOTHING;
  }
}

function rawFromJson(text: string, problems: FileProblem[]): RawFile {
  let file: Record<string, unknown>;
  try {
    file = JSON.parse(text.replace(/^\ufeff/, '')) as Record<string, unknown>;
  } catch {
    problems.push({ row: 1, message: 'The file begins like JSON and cannot be read to its end: it may have been cut off.' });
    return NOTHING;
  }
  if (file['format'] !== FORMAT_NAME) {
    problems.push({ row: 1, message: `This is no file of Cazuela: it has no “format”: “${FORMAT_NAME}”.` });
    return NOTHING;
  }
  if (file['version'] !== FORMAT_VERSION) {
    problems.push({ row: 1, message: `The file is of version ${String(file['version'])}; this Cazuela reads version ${FORMAT_VERSION}.` });
    return NOTHING;
  }
  const list = (key: string): Raw[] =>
    (Array.isArray(file[key]) ? (file[key] as unknown[]) : []).map((value, index) => ({ row: index + 1, lineRows: [], value }));
  return { powders: list('powders'), recipes: list('recipes'), batches: list('batches') };
}

function checked<T>(raws: readonly Raw[], schema: z.ZodType<T>, problems: FileProblem[]): Read<T>[] {
  const told = new Set(problems.map((problem) => problem.row));
  return raws.flatMap(({ row, lineRows, value }) => {
    const read = schema.safeParse(value);
    if (read.success) return [{ row, lineRows, value: read.data }];
    // Every bad row of the entry at once; a row that has an error already is not reported again in other words.
    for (const issue of read.error.issues) {
      const lineIndex = issue.path[issue.path.indexOf('lines') + 1];
      const at = typeof lineIndex === 'number' && issue.path.includes('lines') ? (lineRows[lineIndex] ?? row) : row;
      if (told.has(at)) continue;
      told.add(at);
      problems.push({ row: at, message: wordsOf(issue) });
    }
    return [];
  });
}

/** Column names of the contract's fields, for the sentence. */
function wordsOf(issue: z.core.$ZodIssue): string {
  const field = [...issue.path].reverse().find((part): part is string => typeof part === 'string');
  const said = /^(Invalid|Too (big|small)|Unrecognized)/.test(issue.message) ? 'is missing or cannot be read' : undefined;
  if (said)
    return issue.code === 'invalid_value'
      ? `“${field}” is one of: ${issue.values.map(String).slice(0, 12).join(', ')}.`
      : `“${field ?? 'The entry'}” ${said}.`;
  return issue.message;
}

function twice(entries: readonly { row: number; name: string }[], what: string, problems: FileProblem[]): void {
  const seen = new Map<string, number>();
  for (const { row, name } of entries) {
    const key = name.trim().toLowerCase();
    const first = seen.get(key);
    if (first === undefined) seen.set(key, row);
    else problems.push({ row, message: `The ${what} “${name}” stands in row ${first} already.` });
  }
}
