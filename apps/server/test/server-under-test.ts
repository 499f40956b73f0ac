import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { pino } from 'pino';
import type { Sequelize } from 'sequelize';
import supertest from 'supertest';
import { v7 as uuid } from 'uuid';
import type { Studio } from '@cazuela/contract';
import { createApp } from '../src/app';
import { controllerSocket } from '../src/devices/controller-socket';
import { attachDevices } from '../src/devices/device-sockets';
import { scaleSocket } from '../src/devices/scale-socket';
import { configFrom } from '../src/config';
import type { Context } from '../src/context';
import { connect } from '../src/db/connect';
import { migrateUp } from '../src/db/migrate';
import { defineModels } from '../src/db/models';
import { readEnv } from '../src/env';
import { createStudio } from '../src/features/studios/ensure-studio';
import { emptyDatabase, sharedDatabase } from './empty-database';

export interface ServerUnderTest {
  context: Context;
  studio: Studio;
  /** Requests below /api/studios/<this studio>. */
  get: (path: string) => supertest.Test;
  post: (path: string, body: object) => supertest.Test;
  put: (path: string, body: object) => supertest.Test;
  remove: (path: string) => supertest.Test;
  /** Requests anywhere. */
  any: ReturnType<typeof supertest>;
  origin: string;
  /** A second studio in the same database. */
  otherStudio: () => Promise<{ id: string; get: (path: string) => supertest.Test; post: (path: string, body: object) => supertest.Test }>;
  stop: () => Promise<void>;
}

/** Every server of a test file is stopped at its end, also when a test failed. */
const running: (() => Promise<void>)[] = [];
afterAll(async () => {
  await Promise.all(running.map((stop) => stop()));
});

/** A real server on a real MariaDB, in a database of its own. */
export async function serverUnderTest(env: Record<string, string> = {}, address = sharedDatabase()): Promise<ServerUnderTest> {
  const { database } = await emptyDatabase(address);
  const config = configFrom(
    readEnv({
      CAZUELA_DB_HOST: address.host,
      CAZUELA_DB_PORT: String(address.port),
      CAZUELA_DB_USER: address.user,
      CAZUELA_DB_PASSWORD: address.password,
      CAZUELA_DB_NAME: database,
      CAZUELA_LOG: 'silent',
      CAZUELA_WRITES_PER_MINUTE: '100000',
      ...env,
    }),
  );
  const sequelize = connect(config.db);
  const context: Context = { config, sequelize, models: defineModels(sequelize), log: pino({ level: 'silent' }), now: () => new Date() };
  await migrateUp(config.db);
  const studio = await newStudio(context, 'Taller La Perdiz');
  const server = createServer(createApp(context));
  const detachDevices = attachDevices(server, context, [scaleSocket(context), controllerSocket(context)]);
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  const origin = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
  let stopped: Promise<void> | undefined;
  const stop = (): Promise<void> => {
    detachDevices();
    return (stopped ??= closeAll(server, sequelize));
  };
  running.push(stop);
  const any = supertest(origin);
  const within = (id: string) => ({
    get: (path: string) => any.get(`/api/studios/${id}${path}`),
    post: (path: string, body: object) => any.post(`/api/studios/${id}${path}`).send(body),
    put: (path: string, body: object) => any.put(`/api/studios/${id}${path}`).send(body),
    remove: (path: string) => any.delete(`/api/studios/${id}${path}`),
  });
  return {
    context,
    studio,
    ...within(studio.id),
    any,
    origin,
    otherStudio: async () => {
      const other = await newStudio(context, 'Taller Vecino');
      return { id: other.id, ...within(other.id) };
    },
    stop,
  };
}

async function closeAll(server: Server, sequelize: Sequelize): Promise<void> {
  server.closeAllConnections();
  await new Promise((resolve) => server.close(resolve));
  await sequelize.close();
}

async function newStudio(context: Context, name: string): Promise<Studio> {
  const id = uuid();
  const body = {
    name,
    members: ['Inés', 'Bruno'],
    vessels: [],
    scales: [{ id: uuid(), name: 'Bench scale', divisionGrams: 0.1, capacityGrams: 6000, checks: [] }],
    currency: '€',
  };
  await context.sequelize.transaction((transaction) => createStudio(context, { id, body, demo: false, transaction }));
  return { id, version: 1, demo: false, ...body };
}
