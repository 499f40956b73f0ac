import { mkdirSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { chromium, type APIRequestContext } from '@playwright/test';
import { ensureBuilt } from './lib/build';
import { freePort } from './lib/free-port';
import { PrivateMariaDb } from './lib/private-mariadb';
import { throwAwayFolder } from './lib/throw-away-folder';
import { ROOT } from './lib/project';
import { startServer, stopServer } from './lib/server-process';

/** `./cazuela shots`: one picture for each main view, from fresh demo data, into docs/screenshots. With names, only those. */
interface Shot {
  name: string;
  /** The record at the end of the path, by its name, or by its place in the list; the first where left out. */
  of?: { list: string; name?: string; at?: number };
  /** What follows it in the address. */
  then?: string;
  path: string;
  /** Words that stand there only until all is computed. */
  until?: string;
  viewport?: { width: number; height: number };
  dark?: boolean;
}

/** Charts and drawings are there by then, ms. */
const RESTS_MS = 1_500;
const PHONE = { width: 390, height: 844 };
const SHOTS: readonly Shot[] = [
  { name: 'what-now', path: '/' },
  { name: 'recipes', path: '/recipe' },
  { name: 'recipe', path: '/recipe/', of: { list: 'recipes', name: 'Marisma' } },
  { name: 'weigh-plan', path: '/weigh' },
  { name: 'weigh-bench', path: '/weigh/', of: { list: 'batches', name: 'Noche Honda' } },
  { name: 'bucket', path: '/bucket/', of: { list: 'buckets', name: 'Marisma' } },
  { name: 'coat', path: '/coat' },
  { name: 'piece', path: '/piece/', of: { list: 'pieces', name: 'Lidded pot, tall' }, until: 'the draws follow' },
  { name: 'day', path: '/day' },
  { name: 'day-plan', path: '/day?bench=plan', until: 'Looking for a shorter day' },
  { name: 'kiln', path: '/kiln' },
  { name: 'firing', path: '/kiln/firings/', of: { list: 'firings' } },
  { name: 'load', path: '/kiln/loads/', of: { list: 'loads' } },
  { name: 'opening', path: '/kiln/firings/', of: { list: 'firings', at: 1 }, then: '/opening' },
  { name: 'wall', path: '/wall' },
  { name: 'wall-glazes', path: '/wall/glazes', until: 'Looking at all that was made' },
  { name: 'clay-body', path: '/studio/bodies/', of: { list: 'bodies', name: 'Barro Claro' } },
  { name: 'what-now-phone', path: '/', viewport: PHONE, dark: true },
  { name: 'weigh-bench-phone', path: '/weigh/', of: { list: 'batches', name: 'Noche Honda' }, viewport: PHONE },
];

const wanted = process.argv.slice(2);
const target = join(ROOT, 'docs/screenshots');
mkdirSync(target, { recursive: true });
await ensureBuilt((line) => console.log(line));
const folder = throwAwayFolder('shots');
const database = await PrivateMariaDb.start(folder);
const server = await startServer({ db: database.address, port: await freePort(), demo: true });
const browser = await chromium.launch({
  executablePath: process.env['CAZUELA_CHROMIUM'] ?? '/usr/bin/chromium',
  args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking'],
});
try {
  for (const shot of SHOTS.filter(({ name }) => wanted.length === 0 || wanted.includes(name))) {
    const page = await browser.newPage({
      viewport: shot.viewport ?? { width: 1280, height: 800 },
      colorScheme: shot.dark ? 'dark' : 'light',
      locale: 'en-GB',
    });
    await page.goto(server.address + shot.path + (shot.of ? await idOf(page.request, shot.of) : '') + (shot.then ?? ''));
    await page.getByRole('heading').first().waitFor();
    await page.getByRole('status', { name: 'Fetching' }).waitFor({ state: 'detached' });
    // A day asks all the time what others did: the network never rests.
    await page.waitForTimeout(RESTS_MS);
    if (shot.until) await page.getByText(shot.until).waitFor({ state: 'detached', timeout: 60_000 });
    await page.screenshot({ path: join(target, `${shot.name}.png`) });
    await page.close();
    console.log(`docs/screenshots/${shot.name}.png`);
  }
} finally {
  await browser.close();
  await stopServer(server.child);
  await database.stop();
  rmSync(folder, { recursive: true, force: true });
}

async function idOf(request: APIRequestContext, { list, name, at = 0 }: NonNullable<Shot['of']>): Promise<string> {
  const [studio] = (await (await request.get(`${server.address}/api/studios`)).json()) as [{ id: string }];
  const things = (await (await request.get(`${server.address}/api/studios/${studio.id}/${list}`)).json()) as {
    id: string;
    name?: string;
    recipeName?: string;
    body?: { name: string };
  }[];
  const found = name === undefined ? things[at] : things.find((thing) => (thing.body?.name ?? thing.recipeName ?? thing.name) === name);
  if (!found) throw new Error(`The demo has no ${name ?? 'record'} among its ${list}.`);
  return found.id;
}
