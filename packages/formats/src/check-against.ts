import type { ImportRow } from './portable';
import type { ReadFile } from './read-file';
import type { FileProblem } from './file-problem';

/** What the studio has already, by name. */
export interface Shelf {
  powderNames: readonly string[];
  recipeNames: readonly string[];
}

export interface CheckedFile {
  /** In the order in which they go in: powders before the recipes that name them. */
  rows: ImportRow[];
  counts: { powders: number; recipes: number; batches: number };
  /** Names that the studio has already: nothing is overwritten, somebody chooses. */
  powdersHere: string[];
  recipesHere: string[];
  problems: FileProblem[];
}

const key = (name: string): string => name.trim().toLowerCase();

/**
 * Returns a file beside the studio it goes into: every powder it names must be there or come along.
 *
 * @param file - from `readFile`
 * @param shelf - names that the studio has
 * @example
 * checkAgainst(readFile('', '2026-03-01T09:00:00.000Z'), { powderNames: [], recipeNames: [] }).problems.length // 1
 */
export function checkAgainst(file: ReadFile, shelf: Shelf): CheckedFile {
  const powders = new Set([...shelf.powderNames, ...file.powders.map(({ value }) => value.name)].map(key));
  const recipes = new Set([...shelf.recipeNames, ...file.recipes.map(({ value }) => value.versions.at(-1)!.body.name)].map(key));
  const problems = [...file.problems];
  const missing = (row: number, name: string): void => {
    problems.push({ row, message: `There is no powder “${name}” in your table: add it first, or write it as it stands there.` });
  };
  for (const { row, lineRows, value } of file.recipes) {
    const lines = value.versions.at(-1)!.body.lines;
    lines.forEach((line, index) => {
      if (!powders.has(key(line.powder))) missing(lineRows[index] ?? row, line.powder);
    });
    for (const version of value.versions.slice(0, -1)) {
      const gone = version.body.lines.find((line) => !powders.has(key(line.powder)));
      if (gone) missing(row, gone.powder);
    }
  }
  for (const { row, lineRows, value } of file.batches) {
    if (!recipes.has(key(value.recipe))) problems.push({ row, message: `There is no recipe “${value.recipe}” here: take its recipes in first.` });
    value.lines.forEach((line, index) => {
      if (!powders.has(key(line.powder))) missing(lineRows[index] ?? row, line.powder);
    });
  }
  const here = new Set(shelf.powderNames.map(key));
  const recipesHere = new Set(shelf.recipeNames.map(key));
  return {
    rows: [
      ...file.powders.map(({ value }): ImportRow => ({ kind: 'powder', powder: value })),
      ...file.recipes.map(({ value }): ImportRow => ({ kind: 'recipe', recipe: value })),
      ...file.batches.map(({ value }): ImportRow => ({ kind: 'batch', batch: value })),
    ],
    counts: { powders: file.powders.length, recipes: file.recipes.length, batches: file.batches.length },
    powdersHere: file.powders.map(({ value }) => value.name).filter((name) => here.has(key(name))),
    recipesHere: file.recipes.map(({ value }) => value.versions.at(-1)!.body.name).filter((name) => recipesHere.has(key(name))),
    problems: problems.sort((a, b) => a.row - b.row),
  };
}
