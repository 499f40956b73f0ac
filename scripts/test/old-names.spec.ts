import { execFileSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { basename, join } from 'node:path';
import { createSourceFile, forEachChild, isIdentifier, isPropertyAccessExpression, ScriptTarget, type Node } from 'typescript';
import { ROOT } from '../lib/project';

/** Names that were replaced by standard ones: no word in the tree, in any file. */
const WORDS = [
  'deed',
  'deeds',
  'PieceDeed',
  'cz-says',
  'cz-coming',
  'takeIn',
  'take-in',
  'TakeIn',
  'NotHere',
  'not-here',
  'handSeconds',
  'handMinutes',
  'loadedFor',
  'BucketAhead',
  'AskAhead',
  'restedPlan',
  'waysThere',
  'WayThere',
  'waysIntoRange',
  'RangeWay',
  'doneHere',
  'againstTheBook',
  'AgainstTheBook',
  'standOf',
  'evenNumbers',
  'inHundreds',
  'FreshPages',
  'fresh-pages',
  'stuffOf',
  'PotsPanel',
];
/** Ordinary words that must not be names in the code. */
const IDENTIFIERS = [
  'Deed',
  'Says',
  'says',
  'Coming',
  'remembered',
  'following',
  'rested',
  'moving$',
  'stuff',
  'Stuff',
  'Way',
  'way',
  'Ways',
  'ways',
  'hear',
  'Tick',
  'tick',
  'pots',
  'hands',
];
/** They read or migrate what earlier versions wrote. */
const READ_OLD_NAMES = [
  'scripts/test/old-names.spec.ts',
  'apps/server/src/db/migrations/011-standard-names.ts',
  'apps/server/test/migrations.spec.ts',
  'packages/formats/src/portable-plan.ts',
  'packages/formats/test/portable-plan.spec.ts',
  // The column of the exported table keeps its name.
  'packages/formats/test/measured.spec.ts',
];

const FILES = execFileSync('git', ['ls-files', '--cached', '--others', '--exclude-standard', '*.ts', '*.html', '*.scss', '*.md', '*.mjs'], {
  cwd: ROOT,
  encoding: 'utf8',
})
  .split('\n')
  .filter((file) => file && !READ_OLD_NAMES.includes(file));

/** Angular's own `TestBed.tick` and `ApplicationRef.tick` are not ours to name. */
const isAngulars = (node: Node): boolean => isPropertyAccessExpression(node.parent) && node.parent.expression.getText() === 'TestBed';

describe('an old name', () => {
  it('is no word in any file, and no file’s name', () => {
    const pattern = new RegExp(`(?<![\\w-])(${WORDS.join('|')})(?![\\w-])`, 'g');
    const found = FILES.flatMap((file) => {
      const text = `${basename(file).split('.')[0]}\n${readFileSync(join(ROOT, file), 'utf8')}`;
      return [...text.matchAll(pattern)].map(([word]) => `${file}: ${word}`);
    });
    expect(found).toEqual([]);
  });

  it('is no identifier', () => {
    const names = new Set(IDENTIFIERS);
    const found: string[] = [];
    for (const file of FILES.filter((one) => one.endsWith('.ts'))) {
      const source = createSourceFile(file, readFileSync(join(ROOT, file), 'utf8'), ScriptTarget.Latest, true);
      const visit = (node: Node): void => {
        if (isIdentifier(node) && names.has(node.text) && !isAngulars(node)) found.push(`${file}: ${node.text}`);
        forEachChild(node, visit);
      };
      visit(source);
    }
    expect(found).toEqual([]);
  });
});
