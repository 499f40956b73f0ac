import { randomUUID } from 'node:crypto';
import { rmSync } from 'node:fs';
import { test as base, expect, type APIRequestContext } from '@playwright/test';
import { createConnection } from 'mariadb';
import { freePort } from '../scripts/lib/free-port';
import { PrivateMariaDb } from '../scripts/lib/private-mariadb';
import { throwAwayFolder } from '../scripts/lib/throw-away-folder';
import { startServer, stopServer, type ServerProcess } from '../scripts/lib/server-process';

/** The demo studio on a server and database of its own, which a journey may kill. */
export class StudioUnderTest {
  private constructor(
    private readonly folder: string,
    private readonly database: PrivateMariaDb,
    private readonly port: number,
    private server: ServerProcess,
    private readonly demo: boolean,
  ) {}

  static async open({ demo }: { demo: boolean }): Promise<StudioUnderTest> {
    const folder = throwAwayFolder('e2e');
    const database = await PrivateMariaDb.start(folder);
    const port = await freePort();
    return new StudioUnderTest(folder, database, port, await launch(database, port, demo), demo);
  }

  get address(): string {
    return this.server.address;
  }

  /** As when the power fails: without a shutdown. */
  killServer(): void {
    this.server.child.kill('SIGKILL');
  }

  async startServer(): Promise<void> {
    this.server = await launch(this.database, this.port, this.demo);
  }

  stopDatabase = (): Promise<void> => this.database.stop();
  startDatabase = (): Promise<void> => this.database.launch();

  /** Past every check, as an older version could: an event that no bucket can have, and contents that follow from it. */
  async corruptBucket(id: string): Promise<void> {
    const { host, port, user, password, database } = this.database.address;
    const connection = await createConnection({ connectTimeout: 30_000, host, port, user, password, database });
    const part = { powderId: randomUUID(), name: 'Silica', part: 'base', grams: 2e6, density: 2.65 };
    const event = { id: randomUUID(), at: new Date().toISOString(), by: 'Bruno', type: 'powderAdded', parts: [part], reason: 'rescue' };
    await connection.query(
      "INSERT INTO bench_events (id, studio_id, stream, stream_id, body, received_at) SELECT ?, studio_id, 'bucket', id, ?, UTC_TIMESTAMP(3) FROM buckets WHERE id = ?",
      [event.id, JSON.stringify(event), id],
    );
    await connection.query("UPDATE buckets SET contents = JSON_SET(contents, '$.parts[0].grams', 2000000) WHERE id = ?", [id]);
    await connection.end();
  }

  /** What the records hold, read past the interface. */
  async records<T>(request: APIRequestContext, path: string): Promise<T> {
    const [studio] = (await (await request.get(`${this.address}/api/studios`)).json()) as [{ id: string }];
    return (await (await request.get(`${this.address}/api/studios/${studio.id}${path}`)).json()) as T;
  }

  async close(): Promise<void> {
    await stopServer(this.server.child);
    await this.database.stop();
    rmSync(this.folder, { recursive: true, force: true });
  }
}

const launch = (database: PrivateMariaDb, port: number, demo: boolean): Promise<ServerProcess> =>
  startServer({ db: database.address, port, demo, env: { TZ: 'UTC', CAZUELA_WRITES_PER_MINUTE: '100000' } });

/** CAZUELA_SLOW=4 makes every page as slow as an old tablet: what works only because nothing is late fails then. */
const SLOWER = Number(process.env['CAZUELA_SLOW'] ?? 1);

interface Fixtures {
  /** With CAZUELA_COUNT: how many times hands did something, for `./cazuela bench jobs`. */
  countActions: void;
  /** Fails the journey when the page threw an error or the security policy stopped something. */
  noErrors: void;
}
interface WorkerFixtures {
  studio: StudioUnderTest;
  /** A name of a file's own: its journeys start from the demo as it ships, not from what other files left. */
  studioOf: string;
}

export const test = base.extend<Fixtures, WorkerFixtures>({
  studioOf: ['all', { scope: 'worker', option: true }],
  studio: [
    // Named here so that another value opens another studio.
    async ({ studioOf: _ }, use) => {
      const studio = await StudioUnderTest.open({ demo: true });
      await use(studio);
      await studio.close();
    },
    { scope: 'worker', timeout: 120_000 },
  ],
  baseURL: async ({ studio }, use) => use(studio.address),
  countActions: [
    async ({ page }, use, info) => {
      if (!process.env['CAZUELA_COUNT']) return use();
      let actions = 0;
      await page.exposeFunction('countAction', () => (actions += 1));
      await page.addInitScript(() => {
        const count = (): void => void (window as unknown as { countAction: () => void }).countAction();
        addEventListener('pointerdown', count, true);
        addEventListener('keydown', count, true);
        // What was typed into a field counts once; a tick was a tap already.
        addEventListener(
          'change',
          ({ target }) => {
            if (!(target instanceof HTMLInputElement) || !['checkbox', 'radio', 'range'].includes(target.type)) count();
          },
          true,
        );
      });
      await use();
      info.annotations.push({ type: 'actions', description: String(actions) });
    },
    { auto: true },
  ],
  noErrors: [
    async ({ page }, use) => {
      const errors: string[] = [];
      page.on('pageerror', (error) => errors.push(error.message));
      page.on('console', (message) => {
        // The browser logs a refused request by itself; the journeys check whether it was handled.
        if (message.type() === 'error' && !/Failed to load resource|net::ERR/.test(message.text())) errors.push(message.text());
      });
      if (SLOWER > 1) await (await page.context().newCDPSession(page)).send('Emulation.setCPUThrottlingRate', { rate: SLOWER });
      await use();
      expect(errors).toEqual([]);
    },
    { auto: true },
  ],
});
export { expect };
