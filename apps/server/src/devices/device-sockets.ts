import type { IncomingMessage, Server } from 'node:http';
import type { Duplex } from 'node:stream';
import { WebSocketServer, type WebSocket } from 'ws';
import type { Context } from '../context';
import { isOwnOrigin } from '../http/guard-origin';

/** A kind of device at an address of its own. */
export interface DeviceSocket {
  path: string;
  /** Finds the device by what the address asks for; undefined where there is none. What is returned takes a client that connected. */
  open: (query: URLSearchParams) => Promise<((client: WebSocket) => void) | undefined>;
  close: () => void;
}

const MOST_BYTES = 8_000;
/** What may wait to be read by one client; a client that reads nothing is disconnected. */
const MOST_WAITING_BYTES = 64_000;
const PING_MS = 20_000;

/** Clients that answered since the last ping. */
const answered = new WeakSet<WebSocket>();

/** Devices of the bench and the kiln over WebSockets: lines of text. Returns what detaches them. */
export function attachDevices(server: Server, context: Context, devices: readonly DeviceSocket[]): () => void {
  const sockets = new WebSocketServer({ noServer: true, maxPayload: MOST_BYTES });
  server.on('upgrade', (request, socket, head) => {
    // First of all: a connection that breaks while it is being opened must not end the server.
    socket.on('error', () => socket.destroy());
    void accept(context, request, socket, devices).then((join) => {
      if (!join || socket.destroyed) return;
      sockets.handleUpgrade(request, socket, head, (client) => {
        client.on('error', () => client.terminate());
        client.on('pong', () => answered.add(client));
        answered.add(client);
        join(client);
      });
    });
  });
  const pings = setInterval(() => pingAll(sockets.clients), PING_MS);
  return () => {
    clearInterval(pings);
    for (const device of devices) device.close();
    for (const client of sockets.clients) client.terminate();
    sockets.close();
  };
}

/** The socket is closed with a plain answer when there is no such device, or when the page is not ours. */
async function accept(
  context: Context,
  request: IncomingMessage,
  socket: Duplex,
  devices: readonly DeviceSocket[],
): ReturnType<DeviceSocket['open']> {
  const refuse = (status: string): undefined => {
    socket.end(`HTTP/1.1 ${status}\r\nConnection: close\r\n\r\n`);
    return undefined;
  };
  try {
    const url = new URL(request.url ?? '/', 'http://localhost');
    const device = devices.find(({ path }) => path === url.pathname);
    if (!device) return refuse('404 Not Found');
    if (!isOwnOrigin(context.config, request.headers)) return refuse('403 Forbidden');
    return (await device.open(url.searchParams)) ?? refuse('404 Not Found');
  } catch (error) {
    context.log.warn({ error }, 'a device could not be opened');
    return refuse('503 Service Unavailable');
  }
}

/** Sends a line, unless the client reads nothing. */
export function send(client: WebSocket, line: string): void {
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
export function limitRate(perSecond: number): () => boolean {
  let second = 0;
  let count = 0;
  return () => {
    const now = Math.floor(performance.now() / 1000);
    if (now !== second) [second, count] = [now, 0];
    return ++count <= perSecond;
  };
}

export function parseJson(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return undefined;
  }
}
