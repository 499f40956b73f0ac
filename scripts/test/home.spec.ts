import { spawn, type ChildProcess } from 'node:child_process';
import { once } from 'node:events';
import { existsSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { homeHolder, lockHome } from '../lib/home-lock';
import { RestartBudget } from '../lib/restart-budget';

const ROOT = join(__dirname, '../..');

describe('a home', () => {
  let folder: string;
  beforeEach(() => {
    folder = mkdtempSync(join(tmpdir(), 'cazuela-home-'));
  });
  afterEach(() => rmSync(folder, { recursive: true, force: true }));

  /** Another process that takes the home and says so. */
  async function other(): Promise<ChildProcess> {
    const lock = join(ROOT, 'scripts/lib/home-lock.ts');
    const code = `import('${lock}').then(async ({ lockHome }) => { (await lockHome('${folder}', 'start')).tell({ address: 'http://127.0.0.1:4711' }); console.log('taken'); setInterval(() => {}, 1000); });`;
    const child = spawn(process.execPath, ['--import', 'tsx', '--input-type=module', '-e', code], {
      cwd: ROOT,
      stdio: ['ignore', 'pipe', 'inherit'],
    });
    await once(child.stdout!, 'data');
    return child;
  }

  it('is run by one at a time: a second start says who has it and where, and changes nothing', async () => {
    const child = await other();
    await expect(lockHome(folder, 'start')).rejects.toThrow(`open already, at http://127.0.0.1:4711 (./cazuela start, process ${child.pid})`);
    expect((await homeHolder(folder))?.pid).toBe(child.pid);
    child.kill('SIGKILL');
    await once(child, 'exit');
    expect(await homeHolder(folder)).toBeUndefined();
    const lock = await lockHome(folder, 'start');
    lock.release();
    expect(existsSync(join(folder, 'running.json'))).toBe(false);
  });
});

describe('a program that stops by itself', () => {
  it('is started again five times in a row, and counted anew after a minute of health', () => {
    let now = 0;
    const budget = new RestartBudget('The server', () => now);
    const spend = (seconds: number): void => {
      now += seconds * 1000;
      budget.spend();
    };
    for (let time = 0; time < 40; time++) spend(61);
    for (let time = 0; time < 4; time++) spend(1);
    expect(() => spend(1)).toThrow('The server keeps stopping');
  });
});

describe('what a command started', () => {
  it('ends with it, also when it was killed', async () => {
    const code = `import('${join(ROOT, 'scripts/lib/spawn-child.ts')}').then(({ spawnChild }) => { console.log(spawnChild('sleep', ['600'], { stdio: 'ignore' }).pid); setInterval(() => {}, 1000); });`;
    const parent = spawn(process.execPath, ['--import', 'tsx', '--input-type=module', '-e', code], {
      cwd: ROOT,
      stdio: ['ignore', 'pipe', 'inherit'],
    });
    const [pid] = (await once(parent.stdout, 'data')) as [Buffer];
    const child = Number(String(pid));
    expect(isAlive(child)).toBe(true);
    parent.kill('SIGKILL');
    const until = Date.now() + 10_000;
    while (isAlive(child) && Date.now() < until) await new Promise((resolve) => setTimeout(resolve, 20));
    expect(isAlive(child)).toBe(false);
  });
});

function isAlive(pid: number): boolean {
  try {
    process.kill(pid, 0);
    return true;
  } catch {
    return false;
  }
}
