import { createConnection } from 'mariadb';
import { rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { QueryTypes } from 'sequelize';
import { writeBackup } from '../../../scripts/lib/backup';
import { PrivateMariaDb } from '../../../scripts/lib/private-mariadb';
import { throwAwayFolder } from '../../../scripts/lib/throw-away-folder';
import { configFrom } from '../src/config';
import { connect } from '../src/db/connect';
import { migrateUp } from '../src/db/migrate';
import { readEnv } from '../src/env';
import { authorityPem, serverKeyPem, serverPem } from './fixtures/test-certificate';

describe('a database spoken to over a network', () => {
  let folder: string;
  let database: PrivateMariaDb;
  let caFile: string;
  beforeAll(async () => {
    folder = throwAwayFolder('tls');
    const file = (name: string, text: string): string => {
      writeFileSync(join(folder, name), text, { mode: 0o600 });
      return join(folder, name);
    };
    caFile = file('authority.pem', authorityPem);
    const certificate = [`--ssl-cert=${file('server.pem', serverPem)}`, `--ssl-key=${file('server-key.pem', serverKeyPem)}`];
    database = await PrivateMariaDb.start(folder, { durable: false, moreArgs: [...certificate, '--require-secure-transport=ON'] });
  });
  afterAll(async () => {
    await database.stop();
    rmSync(folder, { recursive: true, force: true });
  });

  const connected = async (env: Record<string, string>): Promise<string | undefined> => {
    const { host, port, user, password, database: name } = database.address;
    const where = {
      CAZUELA_DB_HOST: host,
      CAZUELA_DB_PORT: String(port),
      CAZUELA_DB_USER: user,
      CAZUELA_DB_PASSWORD: password,
      CAZUELA_DB_NAME: name,
    };
    const sequelize = connect(configFrom(readEnv({ ...where, ...env })).db);
    try {
      const [row] = await sequelize.query<{ Value: string }>("SHOW STATUS LIKE 'Ssl_cipher'", { type: QueryTypes.SELECT });
      return row?.Value;
    } finally {
      await sequelize.close();
    }
  };

  it('is hidden from others, and known by the certificate that signed its own', async () => {
    expect(await connected({ CAZUELA_DB_TLS: 'on', CAZUELA_DB_CA: caFile })).toMatch(/AES|CHACHA/);
  });

  it('whose certificate nobody we know signed is not spoken to', async () => {
    await expect(connected({ CAZUELA_DB_TLS: 'on' })).rejects.toThrow(/certificate/i);
  });

  it('is spoken to unchecked only when that was said', async () => {
    expect(await connected({ CAZUELA_DB_TLS: 'skip-verify' })).toMatch(/AES|CHACHA/);
  });

  it('that wants it hidden is not spoken to in the open', async () => {
    await expect(connected({ CAZUELA_DB_TLS: 'off' })).rejects.toThrow();
  });

  it('is backed up over the same line', async () => {
    const db = { ...database.address, tls: { verify: true, caFile } };
    await migrateUp({ ...database.address, tls: { rejectUnauthorized: true, ca: authorityPem } });
    await writeBackup(db, join(folder, 'one.cazuela-backup.sql.gz'), new Date('2026-03-10T10:00:00.000Z'));
    // The user of the app may change its own databases and nothing else of that server.
    const { host, port, user, password } = database.address;
    const app = await createConnection({ connectTimeout: 30_000, host, port, user, password, ssl: { ca: authorityPem } });
    await expect(app.query('CREATE DATABASE somebody_else')).rejects.toThrow(/denied/i);
    await app.end();
  });

  it('is never opened as root', () => {
    expect(() => configFrom(readEnv({ CAZUELA_DB_USER: 'root' }))).toThrow('a user of its own');
  });
});
