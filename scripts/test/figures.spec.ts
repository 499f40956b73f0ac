import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import * as core from '@cazuela/core';
import { ROOT } from '../lib/project';

const WEB = join(ROOT, 'apps/web/src/app');

/** The code below a folder of the interface, without its tests. */
function codeIn(folder: string): string {
  return readdirSync(join(WEB, folder), { recursive: true, encoding: 'utf8' })
    .filter((file) => file.endsWith('.ts') && !file.endsWith('.spec.ts'))
    .map((file) => readFileSync(join(WEB, folder, file), 'utf8'))
    .join('\n');
}

const rows = [...readFileSync(join(ROOT, 'docs/figures.md'), 'utf8').matchAll(/^\| ([^|]+?) +\| ([^|]+?) +\| `(\w+)` +\| `([^`]+)` +\|$/gm)].map(
  ([, screen, figure, name, folder]) => [name!, folder!, `${screen}: ${figure}`] as const,
);

describe('the list of figures', () => {
  it('names the stations of the work', () => {
    const screens = new Set(rows.map(([, , words]) => words.split(':')[0]));
    for (const screen of ['Recipe', 'Weigh', 'Bucket', 'Coat', 'Piece', 'Day', 'Kiln', 'What now?']) expect(screens).toContain(screen);
    expect(rows.length).toBeGreaterThan(40);
  });

  it.each(rows)('%s is a function of the core, used in %s (%s)', (name, folder) => {
    expect(typeof (core as Record<string, unknown>)[name]).toBe('function');
    expect(codeIn(folder)).toMatch(new RegExp(`\\b${name}\\(`));
  });
});
