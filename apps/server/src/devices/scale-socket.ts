import type { IncomingMessage, Server } from 'node:http';
import type { Duplex } from 'node:stream';
import { WebSocketServer, type WebSocket } from 'ws';
import { idSchema, SCALE_SOCKET, scaleCommandSchema } from '@cazuela/contract';
import type { Context } from '../context';
import { isOwnOrigin } from '../http/guard-origin';
import { SimulatedScale } from './simulated-scale';

/** Readings a second. */
const RATE_HZ = 10;
const MOST_BYTES = 8_000;
const MOST_LISTENERS = 40;

const MOST_MESSAGES_A_SECOND = 20;
/** What may wait to be read by one client; a client that reads nothing is disconnected. */
const MOST_WAITING_BYTES = 64_000;
const PING_MS = 20_000;

/** Clients that answered since the last ping. */
const answered = new WeakSet<WebSocket>();

interface Device {
  scale: SimulatedScale;
  listeners: Set<WebSocket>;
  /** The client that is pouring: pouring stops when its page closes. */
  pouring?: WebSocket | undefined;
  timer: NodeJS.Timeout;
}

/**
 * The practice scales of a studio over a WebSocket: lines of text out, commands of the pouring panel in. A practice scale stands for hardware on
 * the bench, so it lives in this process and not in the database; it is dropped when the last client has gone.
 */
export function attachScales(server: Server, context: Context): () => void {
  const sockets = new WebSocketServer({ noServer: true, maxPayload: MOST_BYTES });
  const devices = new Map<string, Device>();
  server.on('upgrade', (request, socket, head) => {
    // First of all: a connection that breaks while it is being opened must not end the server.
    socket.on('error', () => socket.destroy());
    void accept(context, request, socket).then((limits) => {
      if (!limits || socket.destroyed) return;
      sockets.handleUpgrade(request, socket, head, (client) => join(devices, limits, client));
    });
  });
  const pings = setInterval(() => pingAll(sockets.clients), PING_MS);
  return () => {
    clearInterval(pings);
    for (const device of devices.values()) clearInterval(device.timer);
    for (const client of sockets.clients) client.terminate();
    sockets.close();
  };
}

interface Limits {
  key: string;
  divisionGrams: number;
  capacityGrams: number;
}

/** Which scale is asked for. The socket is closed with a plain answer when there is none, or when the page is not ours. */
async function accept(context: Context, request: IncomingMessage, socket: Duplex): Promise<Limits | undefined> {
  const refuse = (status: string): undefined => {
    socket.end(`HTTP/1.1 ${status}\r\nConnection: close\r\n\r\n`);
    return undefined;
  };
  try {
    const url = new URL(request.url ?? '/', 'http://localhost');
    if (url.pathname !== SCALE_SOCKET) return refuse('404 Not Found');
    if (!isOwnOrigin(context.config, request.headers)) return refuse('403 Forbidden');
    const studioId = idSchema.safeParse(url.searchParams.get('studio'));
    const scaleId = idSchema.safeParse(url.searchParams.get('scale'));
    if (!studioId.success || !scaleId.success) return refuse('404 Not Found');
    const row = await context.models.studios.findOne({ where: { id: studioId.data } });
    const scale = row?.get().body.scales.find((one) => one.id === scaleId.data);
    if (!scale) return refuse('404 Not Found');
    return { key: `${studioId.data}/${scale.id}`, divisionGrams: scale.divisionGrams, capacityGrams: scale.capacityGrams };
  } catch (error) {
    context.log.warn({ error }, 'a scale could not be opened');
    return refuse('503 Service Unavailable');
  }
}

function join(devices: Map<string, Device>, limits: Limits, client: WebSocket): void {
  client.on('error', () => client.terminate());
  const device = devices.get(limits.key) ?? open(devices, limits);
  if (device.listeners.size >= MOST_LISTENERS) return client.close(1013, 'too many listen to this scale');
  device.listeners.add(client);
  const mayTalk = limitRate(MOST_MESSAGES_A_SECOND);
  client.on('pong', () => answered.add(client));
  answered.add(client);
  client.on('message', (data) => {
    if (!mayTalk()) return client.close(1008, 'too many messages');
    const command = scaleCommandSchema.safeParse(parse(String(data)));
    if (command.success) {
      if (command.data.kind === 'pour') device.pouring = command.data.gramsPerSecond > 0 ? client : undefined;
      device.scale.handleCommand(command.data);
    } else send(client, `ERR ${command.error.issues[0]?.message ?? 'not understood'}`);
  });
  client.on('close', () => {
    device.listeners.delete(client);
    if (device.pouring === client) {
      device.pouring = undefined;
      device.scale.handleCommand({ kind: 'pour', gramsPerSecond: 0 });
    }
    if (device.listeners.size === 0) forgetLater(devices, limits.key);
  });
}

function send(client: WebSocket, line: string): void {
  if (client.readyState !== client.OPEN) return;
  if (client.bufferedAmount > MOST_WAITING_BYTES) client.terminate();
  else client.send(line);
}

/** A page whose machine went to sleep or lost its network does not close its socket. */
function pingAll(clients: Iterable<WebSocket>): void {
  for (const client of clients) {
    if (answered.delete(client)) client.ping();
    else client.terminate();
  }
}

/** Returns true while fewer than the limit were asked within the last second. */
function limitRate(perSecond: number): () => boolean {
  let second = 0;
  let count = 0;
  return () => {
    const now = Math.floor(performance.now() / 1000);
    if (now !== second) [second, count] = [now, 0];
    return ++count <= perSecond;
  };
}

function open(devices: Map<string, Device>, { key, divisionGrams, capacityGrams }: Limits): Device {
  const scale = new SimulatedScale({ divisionGrams, capacityGrams, random: Math.random });
  const listeners = new Set<WebSocket>();
  const timer = setInterval(() => {
    const line = scale.advance(1 / RATE_HZ);
    if (line !== undefined) for (const client of listeners) send(client, line);
  }, 1000 / RATE_HZ);
  const device: Device = { scale, listeners, timer };
  devices.set(key, device);
  return device;
}

/** A reload connects again within seconds and finds its pan as it was. */
const KEEP_MS = 120_000;

function forgetLater(devices: Map<string, Device>, key: string): void {
  setTimeout(() => {
    const device = devices.get(key);
    if (!device || device.listeners.size > 0) return;
    clearInterval(device.timer);
    devices.delete(key);
  }, KEEP_MS).unref();
}

function parse(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return undefined;
  }
}
