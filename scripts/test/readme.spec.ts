import { execFileSync } from 'node:child_process';
import { existsSync, readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';

const ROOT = join(__dirname, '../..');
const readme = readFileSync(join(ROOT, 'README.md'), 'utf8');
const listed = execFileSync(join(ROOT, 'cazuela'), { encoding: 'utf8' });

describe('the README', () => {
  it('names only commands there are, and all of them', () => {
    const there = [...listed.matchAll(/\.\/cazuela (\w+)/g)].map((match) => match[1]!);
    expect(there).toEqual(expect.arrayContaining(['demo', 'start', 'test', 'check', 'bench', 'doctor']));
    for (const command of there) expect(readme).toMatch(new RegExp(`\\b${command}\\b`));
    for (const [, command] of readme.matchAll(/\.\/cazuela (\w+)/g)) if (command !== 'alone') expect(there).toContain(command);
  });

  it('says what the commands print', () => {
    const serve = readFileSync(join(ROOT, 'scripts/serve.ts'), 'utf8');
    expect(serve).toContain('Taller La Perdiz, the demo studio, is open at');
    expect(readFileSync(join(ROOT, 'scripts/test.ts'), 'utf8')).toMatch(/passed, \$\{failed\} failed/);
  });

  it('documents the environment as the server reads it', () => {
    const env = readFileSync(join(ROOT, 'apps/server/src/env.ts'), 'utf8');
    const documented = new Set([...readme.matchAll(/`(CAZUELA_\w+)`/g)].map((match) => match[1]!));
    for (const name of documented) if (name !== 'CAZUELA_HOME') expect(env).toContain(name);
    for (const [, name] of env.matchAll(/(CAZUELA_\w+):/g)) if (name !== 'CAZUELA_WEB') expect(documented).toContain(name);
  });

  it('links every picture there is, and no other', () => {
    const linked = [...readme.matchAll(/docs\/screenshots\/([\w-]+\.png)/g)].map((match) => match[1]!);
    for (const name of linked) expect(existsSync(join(ROOT, 'docs/screenshots', name))).toBe(true);
    expect(new Set(linked)).toEqual(new Set(readdirSync(join(ROOT, 'docs/screenshots'))));
  });

  it('names folders that are there', () => {
    const section = readme.slice(readme.indexOf('## Where things are'), readme.indexOf('## The main views'));
    const folders = [...section.matchAll(/^\| (`.+?) \|/gm)].flatMap((row) => [...row[1]!.matchAll(/`([\w/]+)`/g)].map((match) => match[1]!));
    expect(folders.length).toBeGreaterThan(7);
    for (const folder of folders) expect(existsSync(join(ROOT, folder))).toBe(true);
  });
});

describe('the one command', () => {
  it('answers a word it does not know with the list to look at', () => {
    expect(() => execFileSync(join(ROOT, 'cazuela'), ['dance'], { stdio: 'pipe' })).toThrow(/There is no command “dance”/);
  });

  it('.ci/run calls the test command', () => {
    expect(readFileSync(join(ROOT, '.ci/run'), 'utf8')).toContain('exec ./cazuela test');
  });
});
