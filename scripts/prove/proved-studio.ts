import type { ChildProcess } from 'node:child_process';
import { rmSync } from 'node:fs';
import { configFrom } from '../../apps/server/src/config';
import type { Context } from '../../apps/server/src/context';
import { connect } from '../../apps/server/src/db/connect';
import { defineModels } from '../../apps/server/src/db/models';
import { readEnv } from '../../apps/server/src/env';
import { makeLog } from '../../apps/server/src/http/log';
import { freePort } from '../lib/free-port';
import { PrivateMariaDb } from '../lib/private-mariadb';
import { startServer, stopServer, type ServerProcess } from '../lib/server-process';
import { throwAwayFolder } from '../lib/throw-away-folder';
import { checkRecords } from './check-records';

/** A demo studio made to be killed and flooded, on servers and a database of its own, all on loopback. */
export class ProvedStudio {
  readonly servers: ServerProcess[] = [];
  private id = '';
  private name = 'cazuela';
  private starting: ChildProcess | undefined;

  private constructor(
    private readonly folder: string,
    readonly database: PrivateMariaDb,
    private readonly ports: number[],
  ) {}

  static async open(name: string, servers = 1): Promise<ProvedStudio> {
    const folder = throwAwayFolder(name);
    const database = await PrivateMariaDb.start(folder);
    const studio = new ProvedStudio(folder, database, await Promise.all(Array.from({ length: servers }, freePort)));
    for (let index = 0; index < servers; index++) await studio.start(index);
    return studio;
  }

  get studioId(): string {
    return this.id;
  }

  /** Address of the studio at one of its servers. */
  at(index = 0): string {
    return `http://127.0.0.1:${this.ports[index]!}/api/studios/${this.id}`;
  }

  async start(index = 0): Promise<void> {
    this.servers[index] = await this.launch(index);
    const [studio] = (await (await fetch(`http://127.0.0.1:${this.ports[index]!}/api/studios`)).json()) as [{ id: string }];
    this.id = studio.id;
  }

  /** The next start uses another, empty database of the same MariaDB. */
  useDatabase(name: string): void {
    this.name = name;
  }

  launch(index = 0): Promise<ServerProcess> {
    const env = { CAZUELA_WRITES_PER_MINUTE: '100000000', CAZUELA_LOG: 'silent' };
    return startServer({
      db: { ...this.database.address, database: this.name },
      port: this.ports[index]!,
      demo: true,
      env,
      stderr: 'ignore',
      began: (child) => (this.starting = child),
    });
  }

  killServer(index = 0): void {
    this.servers[index]?.child.kill('SIGKILL');
  }

  /** A server that may not listen yet. */
  killStarting(): void {
    this.starting?.kill('SIGKILL');
  }

  async killDatabase(): Promise<void> {
    this.database.kill();
    await this.database.died();
    await this.database.launch();
  }

  /** Reads the records past the server; nothing may write meanwhile. */
  async inspect<T>(look: (context: Context) => Promise<T>): Promise<T> {
    const { host, port, user, password } = this.database.address;
    const config = { ...configFrom(readEnv({})), db: { host, port, user, password, database: this.name, tls: false as const } };
    const sequelize = connect(config.db);
    const log = makeLog({ logLevel: 'silent' });
    try {
      return await look({ config, sequelize, models: defineModels(sequelize), log, now: () => new Date() });
    } finally {
      await sequelize.close();
    }
  }

  /** Sentences about what is wrong in the records. */
  faults(): Promise<string[]> {
    return this.inspect((context) => checkRecords(context, this.id));
  }

  async close(): Promise<void> {
    await Promise.all(this.servers.map(({ child }) => stopServer(child)));
    await this.database.stop();
    rmSync(this.folder, { recursive: true, force: true });
  }
}
