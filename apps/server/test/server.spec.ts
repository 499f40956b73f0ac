import { rmSync } from 'node:fs';
import { request as rawRequest } from 'node:http';
import { PrivateMariaDb } from '../../../scripts/lib/private-mariadb';
import { throwAwayFolder } from '../../../scripts/lib/throw-away-folder';
import { QueryTypes } from 'sequelize';
import { migrateDown, migrateUp, MIGRATIONS } from '../src/db/migrate';
import { readEnv } from '../src/env';
import { ensureStudio } from '../src/features/studios/ensure-studio';
import { aRecipe } from './made-up';
import { serverUnderTest, type ServerUnderTest } from './server-under-test';

describe('the server', () => {
  let server: ServerUnderTest;
  beforeAll(async () => {
    server = await serverUnderTest();
  });

  it('answers under our names only: a foreign name that points here is refused', async () => {
    await server.any.get('/api/health').set('Host', 'evil.example').expect(403);
    await server.any.get('/api/health').expect(200);
  });

  it('takes changes only from its own pages', async () => {
    const answer = await server.post('/recipes', {}).set('Origin', 'http://evil.example').expect(403);
    expect(answer.body.detail).toContain('own pages');
    await server.post('/recipes', {}).set('Sec-Fetch-Site', 'cross-site').expect(403);
    await server.post('/recipes', {}).set('Origin', server.origin).expect(422);
  });

  it('sends a content security policy without inline scripts, and no version of anything', async () => {
    const { headers } = await server.any.get('/api/health');
    expect(headers['content-security-policy']).toContain("script-src 'self'");
    expect(headers['content-security-policy']).not.toContain('unsafe-inline');
    expect(headers['x-powered-by']).toBeUndefined();
    expect(headers['x-content-type-options']).toBe('nosniff');
  });

  it.each([
    ['broken JSON', '{"id":', 422],
    ['a megabyte and more', JSON.stringify({ text: 'x'.repeat(1_200_000) }), 413],
  ])('%s is answered as problem details without a stack', async (_name, body, status) => {
    const answer = await server.any
      .post(`/api/studios/${server.studio.id}/recipes`)
      .set('Content-Type', 'application/json')
      .send(body)
      .expect(status);
    expect(answer.headers['content-type']).toContain('application/problem+json');
    expect(answer.text).not.toMatch(/at .*\.ts|node_modules/);
  });

  it.each(['/api/nothing', '/api/studios/not-an-id/recipes', '/api/studios/0198c0de-0000-7000-8000-000000000000/recipes/also-not'])(
    '%s is not here, in a sentence',
    async (path) => {
      const answer = await server.any.get(path).expect(404);
      expect(answer.body).toMatchObject({ code: 'notFound' });
    },
  );

  it('slows down a client that writes without end, and says that what was done is kept', async () => {
    const slow = await serverUnderTest({ CAZUELA_WRITES_PER_MINUTE: '2' });
    await slow.post('/events', { events: [] }).expect(422);
    await slow.post('/events', { events: [] }).expect(422);
    const answer = await slow.post('/events', { events: [] }).expect(429);
    expect(answer.body.detail).toContain('kept');
    await slow.get('/recipes').expect(200);
  });

  it('a request cut off in the middle leaves nothing half written', async () => {
    const before = (await server.get('/recipes')).body as unknown[];
    await new Promise<void>((resolve) => {
      const cut = rawRequest(`${server.origin}/api/studios/${server.studio.id}/recipes`, {
        method: 'POST',
        headers: { 'Content-Type': 'application/json', 'Content-Length': '5000' },
      });
      cut.on('error', () => resolve());
      cut.write('{"id":"');
      setTimeout(() => cut.destroy(), 50);
    });
    expect((await server.get('/recipes')).body).toHaveLength(before.length);
  });

  it('a database that stopped is said to be away, and is used again when it is back', async () => {
    const folder = throwAwayFolder('away');
    const database = await PrivateMariaDb.start(folder, { durable: false });
    const away = await serverUnderTest({}, database.address);
    await database.stop();
    const answer = await away.get('/recipes').expect(503);
    expect(answer.body).toMatchObject({ code: 'databaseAway' });
    expect(answer.body.detail).toContain('kept here and sent');
    await database.launch();
    await away.get('/recipes').expect(200);
    await away.stop();
    await database.stop();
    rmSync(folder, { recursive: true, force: true });
  }, 60_000);

  it('numbers and strict mode are MariaDB’s own: what does not fit is refused, not cut', async () => {
    await expect(server.context.sequelize.query(`UPDATE studios SET version = 'many'`)).rejects.toThrow();
    const [mode] = await server.context.sequelize.query<{ mode: string }>('SELECT @@sql_mode AS mode', { type: QueryTypes.SELECT });
    expect(mode?.mode).toContain('STRICT_ALL_TABLES');
  });
});

describe('the tables', () => {
  it('come up, go down and come up again', async () => {
    const server = await serverUnderTest();
    await migrateDown(server.context.config.db);
    const left = await server.context.sequelize.query('SHOW TABLES', { type: QueryTypes.SELECT });
    // The tables that stay tell which migrations are done, step by step, and who is running them.
    expect(left.flatMap((row) => Object.values(row)).sort()).toEqual(['leases', 'migration_steps', 'migrations']);
    await migrateUp(server.context.config.db);
    await Promise.all([1, 2, 3].map(() => ensureStudio(server.context)));
    const studios = (await server.any.get('/api/studios').expect(200)).body as { id: string }[];
    expect(studios).toHaveLength(1);
  });

  it('several servers may start at once on one database', async () => {
    const server = await serverUnderTest();
    await migrateDown(server.context.config.db);
    await Promise.all([1, 2, 3].map(() => migrateUp(server.context.config.db)));
    const done = await server.context.sequelize.query('SELECT name FROM migrations', { type: QueryTypes.SELECT });
    expect(done).toHaveLength(MIGRATIONS.length);
  });

  it('every row belongs to a studio and cannot outlive it', async () => {
    const server = await serverUnderTest();
    await aRecipe(server);
    await expect(server.context.sequelize.query(`DELETE FROM studios WHERE id = '${server.studio.id}'`)).rejects.toThrow(/foreign key/i);
  });
});

describe('the environment', () => {
  it('binds to loopback unless told otherwise', () => {
    expect(readEnv({}).CAZUELA_BIND).toBe('127.0.0.1');
  });

  it('a port in words is refused by name', () => {
    expect(() => readEnv({ CAZUELA_PORT: 'many' })).toThrow('CAZUELA_PORT');
  });
});
