import { spawn, spawnSync } from 'node:child_process';
import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs';
import { availableParallelism } from 'node:os';
import { join, relative } from 'node:path';
import { ensureBuilt } from './lib/build';
import { ROOT } from './lib/project';

/** `./cazuela test` and, with --fast, `./cazuela check`: every check, then one line with the sum. */
const fast = process.argv.includes('--fast');
const RESULTS = join(ROOT, 'test-results');
let passed = 0;
let failed = 0;
/** Repeated at the very end: a long log is read from there. */
const faults: string[] = [];

const bin = (name: string): string => join(ROOT, 'node_modules/.bin', name);

function run(command: string, args: string[], quiet = true): { ok: boolean; text: string; out: string } {
  const done = spawnSync(command, args, {
    cwd: ROOT,
    encoding: 'utf8',
    stdio: ['ignore', quiet ? 'pipe' : 'inherit', quiet ? 'pipe' : 'inherit'],
    maxBuffer: 64 * 1024 * 1024,
  });
  return { ok: done.status === 0, text: `${done.stdout ?? ''}${done.stderr ?? ''}`, out: done.stdout ?? '' };
}

/** Runs the checks as workers become free; as many at once as the machine has processors, because each uses only one. */
async function checks(all: readonly (readonly [name: string, command: string, args: readonly string[]])[]): Promise<void> {
  const waiting = [...all];
  const worker = async (): Promise<void> => {
    for (let next = waiting.shift(); next; next = waiting.shift()) await check(...next);
  };
  await Promise.all(Array.from({ length: availableParallelism() }, worker));
}

function check(name: string, command: string, args: readonly string[]): Promise<void> {
  const started = Date.now();
  const child = spawn(command, args, { cwd: ROOT, stdio: ['ignore', 'pipe', 'pipe'] });
  let text = '';
  child.stdout.on('data', (part: Buffer) => (text += part.toString()));
  child.stderr.on('data', (part: Buffer) => (text += part.toString()));
  return new Promise((resolve) => {
    const ended = (ok: boolean): void => {
      console.log(`${ok ? 'ok    ' : 'FAILED'} ${name} (${((Date.now() - started) / 1000).toFixed(0)} s)`);
      if (ok) passed += 1;
      else {
        failed += 1;
        faults.push(name);
        console.log(text);
      }
      resolve();
    };
    child.on('error', (error) => {
      text += error.message;
      ended(false);
    });
    child.on('close', (code) => ended(code === 0));
  });
}

/** Known security holes in what ships. A registry that cannot be asked is reported, never passed over. */
function audit(): void {
  // Its warnings go to stderr and are no JSON.
  const { out } = run('npm', ['audit', '--omit=dev', '--json']);
  const report = parse<{ metadata?: { vulnerabilities: Record<string, number> } }>(out);
  if (!report?.metadata) {
    console.log(`NOT ASKED  dependency audit: the registry gave no answer. Run npm audit where it does.${behind()}`);
    return;
  }
  const { high = 0, critical = 0 } = report.metadata.vulnerabilities;
  const ok = high + critical === 0;
  console.log(`${ok ? 'ok    ' : 'FAILED'} dependency audit: ${high} high, ${critical} critical`);
  if (ok) passed += 1;
  else {
    failed += 1;
    faults.push('dependency audit');
  }
}

/** Where no advisories are known: which packages that ship are not at their newest version, in which known holes are mended. */
function behind(): string {
  const { out } = run('npm', ['outdated', '--workspaces', '--omit=dev', '--json']);
  const report = parse<Record<string, object>>(out || '{}');
  if (!report) return '';
  const names = Object.keys(report);
  return ` Of what ships directly ${names.length === 0 ? 'all is at its newest version' : `all is at its newest version but ${names.join(', ')}`}.`;
}

interface JestReport {
  numPassedTests: number;
  numFailedTests: number;
  numRuntimeErrorTestSuites: number;
  testResults: { name: string; message: string; status: string; assertionResults: { fullName: string; status: string }[] }[];
}

function jest(): void {
  const output = join(RESULTS, 'jest.json');
  rmSync(output, { force: true });
  const { text } = run(bin('jest'), [
    '--json',
    '--maxWorkers=100%',
    `--outputFile=${output}`,
    ...(fast ? ['--selectProjects', 'core', 'contract', 'server', 'web'] : []),
  ]);
  const report = existsSync(output) ? parse<JestReport>(readFileSync(output, 'utf8')) : undefined;
  if (!report) {
    failed += 1;
    faults.push('Jest did not run');
    console.log(`FAILED Jest did not run:\n${text}`);
    return;
  }
  const bad = report.numFailedTests + report.numRuntimeErrorTestSuites;
  passed += report.numPassedTests;
  failed += bad;
  console.log(`${bad === 0 ? 'ok    ' : 'FAILED'} Jest: ${report.numPassedTests} passed, ${bad} failed`);
  for (const file of report.testResults.filter((one) => one.status === 'failed')) {
    const tests = file.assertionResults.filter((one) => one.status === 'failed').map((one) => one.fullName);
    faults.push([relative(ROOT, file.name), ...tests, file.message].join('\n'));
  }
}

async function journeys(): Promise<void> {
  try {
    await ensureBuilt((line) => console.log(line));
    passed += 1;
  } catch (error) {
    failed += 1;
    faults.push('the build');
    console.log(`FAILED ${(error as Error).message}`);
    return;
  }
  const output = join(RESULTS, 'journeys.json');
  rmSync(output, { force: true });
  run(bin('playwright'), ['test', '--config', 'e2e/playwright.config.ts'], false);
  const report = existsSync(output)
    ? parse<{ stats: { expected: number; unexpected: number; flaky: number }; suites: JourneySuite[] }>(readFileSync(output, 'utf8'))
    : undefined;
  if (!report || report.stats.expected + report.stats.unexpected === 0) {
    failed += 1;
    faults.push('the journeys did not run');
    console.log('FAILED the journeys did not run.');
    return;
  }
  passed += report.stats.expected + report.stats.flaky;
  failed += report.stats.unexpected;
  // Told, so that its cause is looked for: docs/decisions/a-journey-is-tried-twice.md.
  for (const title of report.suites.flatMap(twiceTried)) console.log(`TWICE  a journey passed only at the second try: ${title}`);
}

interface JourneySuite {
  suites?: JourneySuite[];
  specs?: { title: string; file: string; tests: { status: string }[] }[];
}

/** Journeys that failed once and passed then. */
const twiceTried = ({ suites = [], specs = [] }: JourneySuite): string[] => [
  ...suites.flatMap(twiceTried),
  ...specs.filter(({ tests }) => tests.some(({ status }) => status === 'flaky')).map(({ title, file }) => `${file}: ${title}`),
];

/** Kills, floods and crowds a studio for a minute or two; the whole of it is `./cazuela prove`. */
function prove(): void {
  const { ok, text } = run(process.execPath, ['--import', 'tsx', 'scripts/prove.ts', '--short']);
  console.log(text.trimEnd());
  const held = Number(/(\d+) parts held/.exec(text)?.[1] ?? 0);
  passed += held;
  if (ok) return;
  failed += Math.max(1, 3 - held);
  faults.push(`prove\n${text}`);
}

function parse<T>(text: string): T | undefined {
  try {
    return JSON.parse(text) as T;
  } catch {
    return undefined;
  }
}

mkdirSync(RESULTS, { recursive: true });
await checks([
  ['types', bin('tsc'), ['-b', '--noEmit']],
  // The build that the journeys need checks the same types.
  ...(fast ? ([['types of the interface', bin('ngc'), ['-p', 'apps/web/tsconfig.app.json', '--noEmit']]] as const) : []),
  ['format', bin('prettier'), ['--check', '.', '--log-level', 'warn']],
  ['types of the interface’s tests', bin('tsc'), ['-p', 'apps/web/tsconfig.spec.json', '--noEmit']],
  ['lint', bin('eslint'), ['.', '--max-warnings', '0']],
]);
audit();
jest();
if (!fast) {
  await journeys();
  prove();
}
if (faults.length > 0) console.log(`\nWhat failed:\n${faults.map((one) => `- ${one.trim()}`).join('\n')}`);
console.log(`${passed} passed, ${failed} failed`);
process.exit(failed === 0 ? 0 : 1);
