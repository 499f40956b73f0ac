import { execFileSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { join, normalize } from 'node:path';
import { preProcessFile } from 'typescript';
import { ROOT } from '../lib/project';

/** Returns every file with the files of this project that it imports, types too: the lint rule leaves type imports out. */
function importsByFile(): Map<string, string[]> {
  const files = execFileSync('git', ['ls-files', '--cached', '--others', '--exclude-standard', '*.ts'], { cwd: ROOT, encoding: 'utf8' })
    .split('\n')
    .filter(Boolean);
  const known = new Set(files);
  return new Map(
    files.map((file) => {
      const { importedFiles } = preProcessFile(readFileSync(join(ROOT, file), 'utf8'));
      const found = importedFiles
        .filter(({ fileName }) => fileName.startsWith('.'))
        .map(({ fileName }) => normalize(join(file, '..', fileName)))
        .map((path) => [`${path}.ts`, `${path}/index.ts`, path].find((one) => known.has(one)));
      return [file, found.filter((one) => one !== undefined)];
    }),
  );
}

/** Returns the files that import one another, in a circle (Tarjan, 1972). */
function circles(imports: ReadonlyMap<string, readonly string[]>): string[][] {
  const order = new Map<string, number>();
  const lowest = new Map<string, number>();
  const stack: string[] = [];
  const found: string[][] = [];
  const visit = (file: string): void => {
    order.set(file, order.size);
    lowest.set(file, order.get(file)!);
    stack.push(file);
    for (const next of imports.get(file) ?? []) {
      if (!order.has(next)) visit(next);
      if (stack.includes(next)) lowest.set(file, Math.min(lowest.get(file)!, lowest.get(next)!));
    }
    if (lowest.get(file) !== order.get(file)) return;
    const circle = stack.splice(stack.indexOf(file));
    if (circle.length > 1) found.push(circle.sort());
  };
  for (const file of imports.keys()) if (!order.has(file)) visit(file);
  return found;
}

describe('files', () => {
  it('never import one another in a circle, not even for a type', () => {
    expect(circles(importsByFile())).toEqual([]);
  });

  it('that do are found', () => {
    const imports = new Map([
      ['a', ['b']],
      ['b', ['c']],
      ['c', ['b']],
    ]);
    expect(circles(imports)).toEqual([['b', 'c']]);
  });
});
