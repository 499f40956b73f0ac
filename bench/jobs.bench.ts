import { spawnSync } from 'node:child_process';
import { join } from 'node:path';
import { ROOT } from '../scripts/lib/project';
import type { Row } from './measure';

/** More than anybody does without a mistake. */
const MOST_ACTIONS = 60;

interface Suite {
  suites?: Suite[];
  specs?: { title: string; tests: { results: { duration: number; status: string }[]; annotations: { type: string; description?: string }[] }[] }[];
}

/** The jobs of a piece plan, each done by a script in the browser from an empty form: how often hands do something, and how long it takes. */
export function jobRows(): Row[] {
  const { stdout } = spawnSync(
    join(ROOT, 'node_modules/.bin/playwright'),
    ['test', '-c', 'e2e/playwright.config.ts', '--reporter=json', '--grep', 'plans an experienced potter would make|at the piece plan'],
    { cwd: ROOT, encoding: 'utf8', maxBuffer: 64 * 1024 * 1024, env: { ...process.env, CAZUELA_COUNT: 'yes' } },
  );
  const specs = (suite: Suite): NonNullable<Suite['specs']> => [...(suite.specs ?? []), ...(suite.suites ?? []).flatMap(specs)];
  return specs(JSON.parse(stdout) as Suite).map(({ title, tests: [test] }) => {
    const { duration = Number.NaN, status = 'not run' } = test?.results.at(-1) ?? {};
    const actions = Number(test?.annotations.find(({ type }) => type === 'actions')?.description);
    return {
      what: title.length > 70 ? `${title.slice(0, 69)}…` : title,
      measured: `${actions} actions, ${(duration / 1000).toFixed(1)} s`,
      wanted: `under ${MOST_ACTIONS} actions`,
      ok: status === 'passed' && actions < MOST_ACTIONS,
    };
  });
}
