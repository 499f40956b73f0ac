import { spawnSync } from 'node:child_process';
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { ensureBuilt } from './lib/build';
import { ROOT } from './lib/project';

/**
 * `./cazuela explore [minutes]`: every property with new random values, twenty times as many as in the tests, until one fails or the time is over.
 * `./cazuela explore app [minutes]`: random actions in a real browser.
 */
const DRAWS = '20';
const [what, ...rest] = process.argv.slice(2);
const isApp = what === 'app';
const minutes = Number((isApp ? rest[0] : what) ?? 10);
if (!(minutes > 0)) {
  console.error('How long? ./cazuela explore 10 looks for ten minutes.');
  process.exit(2);
}
if (isApp) {
  await ensureBuilt((line) => console.log(line));
  const { status } = spawnSync(join(ROOT, 'node_modules/.bin/playwright'), ['test', '-c', 'e2e/explore.config.ts'], {
    cwd: ROOT,
    stdio: 'inherit',
    env: { ...process.env, CAZUELA_MINUTES: String(minutes) },
  });
  process.exit(status ?? 1);
}
const specs = readdirSync(join(ROOT, 'packages'), { recursive: true, encoding: 'utf8' })
  .filter((name) => name.endsWith('.spec.ts') && !name.includes('node_modules'))
  .map((name) => join('packages', name))
  .filter((name) => readFileSync(join(ROOT, name), 'utf8').includes("from 'fast-check'"));

const until = Date.now() + minutes * 60_000;
for (let seed = Date.now() % 2 ** 31; Date.now() < until; seed = (seed + 1) % 2 ** 31) {
  console.log(`Seed ${seed} (again: CAZUELA_SEED=${seed} CAZUELA_DRAWS=${DRAWS} npx jest --testTimeout=3600000 …)`);
  const { status } = spawnSync(join(ROOT, 'node_modules/.bin/jest'), [...specs, '--testTimeout=3600000', '--silent', '--reporters=default'], {
    cwd: ROOT,
    stdio: 'inherit',
    env: { ...process.env, CAZUELA_SEED: String(seed), CAZUELA_DRAWS: DRAWS },
  });
  if (status !== 0) process.exit(1);
}
