import { spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { build } from 'esbuild';
import { DEMO_SERVER_FILE, ROOT, SERVER_FILE, WEB_FOLDER } from './project';
import { preloadInitial } from './preload-initial';

const SOURCES = ['packages', 'apps', 'demo', 'angular.json', 'package-lock.json', 'tsconfig.base.json'];
const STAMP = join(ROOT, 'dist/built-from');

/** Builds server and interface when a source changed since the last build. */
export async function ensureBuilt(say: (line: string) => void): Promise<void> {
  const stamp = sourceStamp();
  const isBuilt =
    existsSync(STAMP) &&
    readFileSync(STAMP, 'utf8') === stamp &&
    [SERVER_FILE, DEMO_SERVER_FILE, join(WEB_FOLDER, 'index.html')].every((file) => existsSync(file));
  if (isBuilt) return;
  say('Building (about half a minute, only when something changed) …');
  await buildServer('apps/server/src/main.ts', SERVER_FILE);
  await buildServer('demo/main.ts', DEMO_SERVER_FILE);
  buildWeb();
  preloadInitial(WEB_FOLDER);
  mkdirSync(join(ROOT, 'dist'), { recursive: true });
  writeFileSync(STAMP, stamp);
}

async function buildServer(entry: string, outfile: string): Promise<void> {
  await build({
    entryPoints: [join(ROOT, entry)],
    outfile,
    bundle: true,
    platform: 'node',
    target: 'node20',
    format: 'esm',
    packages: 'external',
    alias: Object.fromEntries(['core', 'contract', 'formats'].map((name) => [`@cazuela/${name}`, join(ROOT, `packages/${name}/src/index.ts`)])),
    logLevel: 'error',
  });
}

function buildWeb(): void {
  const made = spawnSync(process.execPath, [join(ROOT, 'node_modules/@angular/cli/bin/ng.js'), 'build'], {
    cwd: ROOT,
    encoding: 'utf8',
    env: { ...process.env, NG_CLI_ANALYTICS: 'false' },
  });
  if (made.status !== 0) throw new Error(`The interface did not build:\n${made.stdout}\n${made.stderr}`);
}

/** Names, sizes and times of every source file: quick, and changes when any of them does. */
function sourceStamp(): string {
  const hash = createHash('sha256');
  const walk = (path: string): void => {
    const stat = statSync(path);
    if (stat.isDirectory()) {
      for (const name of readdirSync(path).sort()) if (name !== 'node_modules') walk(join(path, name));
    } else hash.update(`${path}\0${stat.size}\0${stat.mtimeMs}\n`);
  };
  for (const source of SOURCES) if (existsSync(join(ROOT, source))) walk(join(ROOT, source));
  return hash.digest('hex');
}
