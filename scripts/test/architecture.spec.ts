import { execFileSync } from 'node:child_process';
import { existsSync, readFileSync } from 'node:fs';
import { join, normalize } from 'node:path';
import { preProcessFile } from 'typescript';
import { ROOT } from '../lib/project';

const TEXT = readFileSync(join(ROOT, 'docs/architecture.md'), 'utf8');
const FOLDERS = ['apps/web', 'apps/server', 'packages/formats', 'packages/contract', 'packages/core', 'demo'];
const tracked = (...patterns: string[]): string[] =>
  execFileSync('git', ['ls-files', '--cached', '--others', '--exclude-standard', ...patterns], { cwd: ROOT, encoding: 'utf8' })
    .split('\n')
    .filter(Boolean);

/** "apps/web --> packages/core" for each solid arrow of the picture. */
function drawnArrows(): string[] {
  const names = new Map([...TEXT.matchAll(/(\w+)\["([^"]+)"\]/g)].map(([, id, folder]) => [id!, folder!]));
  return [...TEXT.matchAll(/^\s*(\w+)(?:\["[^"]+"\])? --> (\w+)/gm)].map(([, from, to]) => `${names.get(from!)} --> ${names.get(to!)}`).sort();
}

/** The same from the imports of every source file; tests may import more. */
function importedArrows(): string[] {
  const arrows = new Set<string>();
  for (const file of tracked('*.ts')) {
    const from = FOLDERS.find((folder) => file.startsWith(`${folder}/`));
    if (!from || /\.spec\.ts$|\/test\/|\/testing\//.test(file)) continue;
    for (const { fileName } of preProcessFile(readFileSync(join(ROOT, file), 'utf8')).importedFiles) {
      const target = fileName.startsWith('@cazuela/') ? fileName.replace('@cazuela/', 'packages/') : normalize(join(file, '..', fileName));
      const to = FOLDERS.find((folder) => target === folder || target.startsWith(`${folder}/`));
      if (to && to !== from) arrows.add(`${from} --> ${to}`);
    }
  }
  return [...arrows].sort();
}

describe('docs/architecture.md', () => {
  it('draws the imports between the packages, and no others', () => {
    // What follows from another arrow need not be drawn for the demo and the formats.
    const implied = ['demo --> packages/contract', 'demo --> packages/core', 'demo --> packages/formats', 'packages/formats --> packages/core'];
    expect(importedArrows().filter((arrow) => !implied.includes(arrow))).toEqual(drawnArrows());
  });

  it('names files and folders that are there', () => {
    const paths = [...TEXT.matchAll(/`((?:apps|packages|scripts)\/[^`<]+?)(?:\/<[^`]*)?`/g)].map(([, path]) => path!);
    expect(paths.length).toBeGreaterThan(25);
    expect(paths.filter((path) => !existsSync(join(ROOT, path)))).toEqual([]);
  });

  it('names functions and types that are there', () => {
    const sources = tracked('packages/*.ts', 'apps/*.ts').map((file) => readFileSync(join(ROOT, file), 'utf8'));
    const names = [...TEXT.matchAll(/`([a-z]+[A-Z]\w*|[A-Z][a-z]+[A-Z]\w+)`/g)].map(([, name]) => name!);
    expect(names.length).toBeGreaterThan(5);
    expect(names.filter((name) => !sources.some((source) => new RegExp(`\\b${name}\\b`).test(source)))).toEqual([]);
  });
});
