import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { createApp } from './app';
import type { Config } from './config';
import type { Context } from './context';
import { connect } from './db/connect';
import { migrateUp } from './db/migrate';
import { defineModels } from './db/models';
import { controllerSocket } from './devices/controller-socket';
import { attachDevices } from './devices/device-sockets';
import { runPracticeKilns } from './devices/practice-kilns';
import { scaleSocket } from './devices/scale-socket';
import { makeLog } from './http/log';
import { blockOtherDecoders } from './features/photos/photo-file';
import { ensureStudio } from './features/studios/ensure-studio';

export interface Running {
  address: string;
  context: Context;
  stop: () => Promise<void>;
}

/** Connects, migrates, makes sure there is a studio, listens. */
export async function start(config: Config, prepare?: (context: Context) => Promise<void>): Promise<Running> {
  const sequelize = connect(config.db);
  const log = makeLog(config);
  const context: Context = { config, sequelize, models: defineModels(sequelize), log, now: () => new Date() };
  await migrateUp(config.db);
  if (prepare) await prepare(context);
  blockOtherDecoders();
  await ensureStudio(context);
  const server = createServer(createApp(context));
  setLimits(server);
  const detachDevices = attachDevices(server, context, [scaleSocket(context), controllerSocket(context)]);
  const stopPractice = runPracticeKilns(context);
  await listen(server, config);
  const { port } = server.address() as AddressInfo;
  const stop = async (): Promise<void> => {
    detachDevices();
    await stopPractice();
    server.closeIdleConnections();
    await new Promise((resolve) => {
      server.close(resolve);
      setTimeout(() => server.closeAllConnections(), 1_000).unref();
    });
    await sequelize.close();
  };
  return { address: `http://${config.bind}:${port}`, context, stop };
}

/** A client that sends nothing, or byte by byte, does not hold a connection for ever. */
function setLimits(server: Server): void {
  server.headersTimeout = 10_000;
  // A photo over a slow line takes its time.
  server.requestTimeout = 120_000;
  server.keepAliveTimeout = 10_000;
  server.maxConnections = 500;
  server.maxRequestsPerSocket = 10_000;
}

function listen(server: Server, config: Config): Promise<void> {
  return new Promise((resolve, reject) => {
    server.once('error', reject);
    server.listen(config.port, config.bind, resolve);
  });
}
