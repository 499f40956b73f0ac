import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { ROOT } from '../lib/project';

/** Plain English in type names: it needs no glossary. */
const ORDINARY = new Set(
  `a after against and asked by combined compared comparison conversion counted curve days difference done drawn earlier entered equal evaporated
   facts find fired for found from grams head in kept length mass measured named needed now number of on options other out outside overnight part
   planned poured present priced quick reach reached read resolved restored row safe scheduled seconds seen stained standing test timed to turning
   two unread wait wanted weighed`.split(/\s+/),
);

const singular = (word: string): string => word.replace(/ies$/, 'y').replace(/(?<=..[^s])s$/, '');

function glossaryWords(): Set<string> {
  const rows = readFileSync(join(ROOT, 'docs/glossary.md'), 'utf8')
    .split('\n')
    .filter((line) => line.startsWith('| ') && !line.startsWith('| ---'));
  const terms = rows.flatMap((line) => line.split('|')[1]!.split(/[\s,]+/));
  return new Set(terms.filter(Boolean).map((term) => singular(term.toLowerCase())));
}

function exportedTypes(): string[] {
  const folder = join(ROOT, 'packages/core/src');
  const entries = readdirSync(folder, { withFileTypes: true }).filter((entry) => entry.isDirectory());
  return entries.flatMap(({ name }) => {
    const index = readFileSync(join(folder, name, 'index.ts'), 'utf8');
    return [...index.matchAll(/\btype (\w+)/g)].map(([, type]) => type!);
  });
}

describe('the glossary', () => {
  const known = glossaryWords();

  it('explains each word in the names of the core’s types', () => {
    const missing = exportedTypes().flatMap((type) =>
      (type.match(/[A-Z][a-z0-9]*/g) ?? [])
        .map((word) => word.toLowerCase())
        .filter((word) => !ORDINARY.has(word) && !known.has(singular(word)))
        .map((word) => `${word} (${type})`),
    );
    expect(missing).toEqual([]);
  });

  it('is what the app explains, word for word', () => {
    const explained = readFileSync(join(ROOT, 'apps/web/src/app/parts/words/craft-words.ts'), 'utf8');
    const written = [...explained.matchAll(/^  \[\s*(['"])(.+?)\1,\s+(['"])(.+?)\3,?\s*\],$/gms)].map(([, , words, , meaning]) => [words, meaning]);
    const told = readFileSync(join(ROOT, 'docs/glossary.md'), 'utf8')
      .split(/^## /m)
      .slice(1, 3)
      .flatMap((section) => [...section.matchAll(/^\| ([^|]+?) +\| ([^|]+?) +\|$/gm)].map(([, words, meaning]) => [words, meaning]))
      .filter(([words]) => words !== 'word' && !words!.startsWith('---'));
    expect(told.length).toBeGreaterThan(150);
    expect(written).toEqual(told);
  });

  it('has one line for each term', () => {
    const terms = readFileSync(join(ROOT, 'docs/glossary.md'), 'utf8')
      .split(/^## /m)
      .slice(1)
      .map((section) => [...section.matchAll(/^\| ([^|]+) \|/gm)].map(([, term]) => term!).filter((term) => term !== 'word' && term !== '---'));
    for (const section of terms) expect(new Set(section).size).toBe(section.length);
  });
});
