import { once } from 'node:events';
import { connect as connectTcp } from 'node:net';
import { Writable } from 'node:stream';
import express from 'express';
import { createConnection } from 'mariadb';
import { DatabaseError } from 'sequelize';
import supertest from 'supertest';
import { v7 as uuid } from 'uuid';
import { WebSocket } from 'ws';
import { LIMITS, SCALE_SOCKET } from '@cazuela/contract';
import { importParts, type ImportRow } from '@cazuela/formats';
import { PrivateMariaDb } from '../../../scripts/lib/private-mariadb';
import { throwAwayFolder } from '../../../scripts/lib/throw-away-folder';
import { configFrom } from '../src/config';
import { readEnv } from '../src/env';
import { logRequests, makeLog } from '../src/http/log';
import { aBucket, aRecipe, recipeBody } from './made-up';
import { serverUnderTest, type ServerUnderTest } from './server-under-test';

describe('whatever is sent', () => {
  let server: ServerUnderTest;
  beforeAll(async () => {
    server = await serverUnderTest();
  });
  const detailOf = (answer: { body: unknown }): string => (answer.body as { detail: string }).detail;
  const raw = (path: string, headers: Record<string, string>, body: string | Buffer) => {
    const request = server.any.post(`/api/studios/${server.studio.id}${path}`);
    for (const [name, value] of Object.entries(headers)) request.set(name, value);
    return request.send(body);
  };

  it.each([
    ['in a character set nobody knows', { 'Content-Type': 'application/json; charset=klingon' }],
    ['packed in a way nobody knows', { 'Content-Type': 'application/json', 'Content-Encoding': 'crumpled' }],
  ])('%s is not readable, in a sentence', async (_how, headers) => {
    const answer = await raw('/recipes', headers, '{}').expect(415);
    expect(detailOf(answer)).toContain('JSON in UTF-8');
  });

  it('with half a character in it is refused before anything is written', async () => {
    const recipe = await aRecipe(server);
    const body = JSON.stringify({ version: 1, reason: 'x', body: { ...recipe.body, notes: '#' } }).replace('#', '\\ud83c');
    const answer = await server.any
      .put(`/api/studios/${server.studio.id}/recipes/${recipe.id}`)
      .set('Content-Type', 'application/json')
      .send(body)
      .expect(422);
    expect(detailOf(answer)).toContain('half a character');
  });

  it('a table on its way in that cannot be kept leaves no trace', async () => {
    const id = uuid();
    const row = { kind: 'powder', powder: { name: 'Ash' } };
    await server.post(`/imports/${id}/rows`, { from: 0, rows: [row] }).expect(422);
    await server.post(`/imports/${id}/commit`, { rows: 1, choice: 'leaveMine' }).expect(404);
  });

  it.each([
    ['/buckets/BUCKET/labels.pdf?size=constructor', 422],
    ['/buckets/BUCKET/labels.pdf?size=__proto__', 422],
    ['/photos/0198c0de-0000-7000-8000-000000000000', 404],
  ])('%s is answered %i', async (path, status) => {
    const bucket = await aBucket(server);
    await server.get(path.replace('BUCKET', bucket.id)).expect(status);
  });

  it('a file of a studio that is not there is not written', async () => {
    await server.any.get(`/api/studios/${uuid()}/files/cazuela.json`).expect(404);
  });

  describe('as a photo', () => {
    const BOUNDARY = 'xxxx';
    const multipart = (file: string | Buffer, name = 'pot.jpg', end = `\r\n--${BOUNDARY}--\r\n`): Buffer =>
      Buffer.concat([
        Buffer.from(`--${BOUNDARY}\r\nContent-Disposition: form-data; name="photo"; filename="${name}"\r\nContent-Type: image/jpeg\r\n\r\n`),
        Buffer.from(file),
        Buffer.from(end),
      ]);
    const form = { 'Content-Type': `multipart/form-data; boundary=${BOUNDARY}` };
    const bomb = `<svg xmlns="http://www.w3.org/2000/svg" width="5000" height="5000"><filter id="a"><feTurbulence numOctaves="99"/></filter><rect width="5000" height="5000" filter="url(#a)"/></svg>`;

    it('a drawing is no photo, however it is called, and is not drawn', async () => {
      const answer = await raw('/photos', form, multipart(bomb)).expect(415);
      expect(detailOf(answer)).toContain('JPEG, PNG and WebP');
    });

    it.each([
      ['cut short', form, multipart('abc', 'pot.jpg', '')],
      ['without its boundary', { 'Content-Type': 'multipart/form-data' }, multipart('abc')],
      ['with a name that holds a zero', form, multipart('abc', 'pot\0.jpg')],
      ['that is no photo at all', form, multipart('abc')],
      ['in another field', form, Buffer.from(multipart('abc').toString('latin1').replace('"photo"', '"other"'), 'latin1')],
    ])('one %s is the sender’s mistake', async (_what, headers, body) => {
      const answer = await raw('/photos', headers, body);
      expect([415, 422]).toContain(answer.status);
      expect(detailOf(answer)).toContain('photo');
    });

    it('is not even read for a studio that is not there', async () => {
      await server.any.post(`/api/studios/${uuid()}/photos`).set('Content-Type', form['Content-Type']).send(multipart('abc')).expect(404);
    });
  });

  describe('as photos without end', () => {
    const photos = async (): Promise<number> => Number(await server.context.models.photos.count({ where: { studioId: server.studio.id } }));
    const png = Buffer.from('iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==', 'base64');
    const send = () => server.any.post(`/api/studios/${server.studio.id}/photos`).attach('photo', png, 'pot.png');
    const fill = (age: string): Promise<unknown> =>
      server.context.sequelize.query(
        `INSERT INTO photos (id, studio_id, width, height, jpeg, created_at) SELECT UUID(), '${server.studio.id}', 1, 1, 'x', UTC_TIMESTAMP() - INTERVAL ${age} FROM seq_1_to_${LIMITS.photos}`,
      );

    it('a studio has room for so many, and says so when it is full', async () => {
      await fill('1 HOUR');
      const answer = await send().expect(413);
      expect(detailOf(answer)).toContain('filled their room');
      await server.context.models.photos.destroy({ where: {} });
    });

    it('those that no result has are cleared away after two days', async () => {
      await fill('3 DAY');
      await send().expect(201);
      expect(await photos()).toBe(1);
    });
  });

  it('a file of 200 recipes with six versions each comes in, part by part', async () => {
    const body = { ...(await recipeBody(server)), notes: 'n'.repeat(800), lines: [{ powder: 'Silica', part: 'base' as const, percent: 100 }] };
    const rows = Array.from({ length: 200 }, (_, at): ImportRow => ({
      kind: 'recipe',
      recipe: {
        versions: Array.from({ length: 6 }, () => ({ reason: 'r', changedAt: '2026-03-10T10:00:00.000Z', body: { ...body, name: `Recipe ${at}` } })),
      },
    }));
    const parts = importParts(rows);
    expect(parts.length).toBeGreaterThan(2);
    const id = uuid();
    for (const part of parts) await server.post(`/imports/${id}/rows`, part).expect(201);
    const done = await server.post(`/imports/${id}/commit`, { rows: rows.length, choice: 'leaveMine' }).expect(201);
    expect(done.body).toMatchObject({ recipes: 200 });
  });

  it('one recipe with more versions than a usual message holds comes in too', async () => {
    const body = { ...(await recipeBody(server)), name: 'Old one', notes: 'ñ'.repeat(2000), lines: [] };
    const versions = Array.from({ length: 400 }, () => ({ reason: 'r', changedAt: '2026-03-10T10:00:00.000Z', body }));
    const [part] = importParts([{ kind: 'recipe', recipe: { versions } }]);
    expect(Buffer.byteLength(JSON.stringify(part))).toBeGreaterThan(1_500_000);
    await server.post(`/imports/${uuid()}/rows`, part!).expect(201);
  });

  describe('to the practice scale', () => {
    const address = (): string => `${SCALE_SOCKET}?studio=${server.studio.id}&scale=${server.studio.scales[0]!.id}`;

    it('a line that breaks while it is being opened ends nothing', async () => {
      const { hostname, port } = new URL(server.origin);
      for (let round = 0; round < 30; round++) {
        const socket = connectTcp({ host: hostname, port: Number(port) });
        await once(socket, 'connect');
        const origin = round % 2 ? 'Origin: http://elsewhere.example\r\n' : '';
        const key = 'Sec-WebSocket-Key: dGhlIHNhbXBsZSBub25jZQ==\r\nSec-WebSocket-Version: 13';
        socket.write(
          `GET ${address()} HTTP/1.1\r\nHost: ${hostname}:${port}\r\n${origin}Upgrade: websocket\r\nConnection: Upgrade\r\n${key}\r\n\r\n`,
        );
        if (round % 3) await new Promise((resolve) => setTimeout(resolve, round % 5));
        socket.resetAndDestroy();
      }
      await server.any.get('/api/health').expect(200);
    });

    it('one who talks without end is let go', async () => {
      const socket = new WebSocket(`${server.origin.replace('http', 'ws')}${address()}`);
      await once(socket, 'open');
      for (let message = 0; message < 80; message++) socket.send('{"kind":"tare"}');
      const [code] = (await once(socket, 'close')) as [number];
      expect(code).toBe(1008);
    });
  });
});

describe('a server that others can reach', () => {
  it.each(['0.0.0.0', '192.0.2.7', '::'])('is not started on %s unless it is said that everybody may write', (CAZUELA_BIND) => {
    expect(() => configFrom(readEnv({ CAZUELA_BIND }))).toThrow('CAZUELA_OPEN=yes');
    expect(configFrom(readEnv({ CAZUELA_BIND, CAZUELA_OPEN: 'yes' })).bind).toBe(CAZUELA_BIND);
  });

  it('behind a named proxy, counts the writes of each client by itself', async () => {
    const server = await serverUnderTest({ CAZUELA_WRITES_PER_MINUTE: '1', CAZUELA_TRUST_PROXY: '127.0.0.1' });
    const from = (client: string) => server.post('/events', { events: [] }).set('X-Forwarded-For', client);
    await from('192.0.2.1').expect(422);
    await from('192.0.2.1').expect(429);
    await from('192.0.2.2').expect(422);
  });

  it('without one, believes nobody’s word for who is asking', async () => {
    const server = await serverUnderTest({ CAZUELA_WRITES_PER_MINUTE: '1' });
    const from = (client: string) => server.post('/events', { events: [] }).set('X-Forwarded-For', client);
    await from('192.0.2.1').expect(422);
    await from('192.0.2.2').expect(429);
  });

  it('names one proxy by its address, or none', () => {
    expect(() => readEnv({ CAZUELA_TRUST_PROXY: 'everybody' })).toThrow('CAZUELA_TRUST_PROXY');
  });
});

describe('what the server notes down', () => {
  it('says what broke and where, and neither the statement nor the names in it', () => {
    const lines: string[] = [];
    const to = new Writable({
      write: (chunk: Buffer, _encoding, done) => {
        lines.push(chunk.toString());
        done();
      },
    });
    const cause = Object.assign(new Error("Duplicate entry 'Inés' for key 'x'"), {
      sql: "INSERT INTO people VALUES ('Inés')",
      code: 'ER_DUP',
      errno: 1062,
    });
    makeLog({ logLevel: 'error' }, to).error({ err: new DatabaseError(cause) }, 'a request broke');
    const [line] = lines;
    expect(line).toContain('ER_DUP');
    expect(line).toContain('hostile-requests.spec');
    expect(line).not.toMatch(/Inés|INSERT/);
  });
});

describe('each request', () => {
  it('is one line, with its path and without what was asked', async () => {
    const lines: string[] = [];
    const to = new Writable({
      write: (chunk: Buffer, _encoding, done) => {
        lines.push(chunk.toString());
        done();
      },
    });
    const app = express();
    app.use(logRequests(makeLog({ logLevel: 'info' }, to)));
    app.get('/search', (_request, response) => void response.json([]));
    await supertest(app).get('/search?q=In%C3%A9s').expect(200);
    expect(lines).toHaveLength(1);
    expect(JSON.parse(lines[0]!)).toMatchObject({ method: 'GET', path: '/search', status: 200 });
    expect(lines[0]).not.toContain('In');
  });
});

describe('a database that answers and takes nothing', () => {
  it('is not called healthy, and what is sent to it is kept for later', async () => {
    const folder = throwAwayFolder('readonly');
    const database = await PrivateMariaDb.start(folder, { durable: false });
    const server = await serverUnderTest({}, database.address);
    const root = await createConnection({
      connectTimeout: 30_000,
      socketPath: `${folder}/mariadbd.sock`,
      user: 'root',
      password: database.address.password,
    });
    await root.query('SET GLOBAL read_only = 1');
    await server.any.get('/api/health').expect(503);
    const sent = {
      events: [{ stream: 'bucket', streamId: uuid(), event: { id: uuid(), at: '2026-03-10T10:00:00.000Z', by: 'Inés', type: 'stirred' } }],
    };
    expect((await server.post('/bodies', { id: uuid(), name: 'B', colour: '#E4D8C2', bisqueCone: '05', earthenware: false })).status).toBe(503);
    expect((await server.post('/events', sent)).body).not.toHaveProperty('acknowledged', [sent.events[0]!.event.id]);
    await root.query('SET GLOBAL read_only = 0');
    await server.any.get('/api/health').expect(200);
    await root.end();
    await server.stop();
    await database.stop();
  });
});
