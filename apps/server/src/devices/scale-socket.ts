import type { WebSocket } from 'ws';
import { idSchema, SCALE_SOCKET, scaleCommandSchema } from '@cazuela/contract';
import type { Context } from '../context';
import { limitRate, parseJson, send, type DeviceSocket } from './device-sockets';
import { SimulatedScale } from './simulated-scale';

/** Readings a second. */
const RATE_HZ = 10;
const MOST_LISTENERS = 40;

const MOST_MESSAGES_A_SECOND = 20;

interface Device {
  scale: SimulatedScale;
  listeners: Set<WebSocket>;
  /** The client that is pouring: pouring stops when its page closes. */
  pouring?: WebSocket | undefined;
  timer: NodeJS.Timeout;
}

/**
 * The practice scales of a studio: lines of text out, commands of the pouring panel in. A practice scale stands for hardware on the bench, so it
 * lives in this process and not in the database; it is dropped when the last client has gone.
 */
export function scaleSocket(context: Context): DeviceSocket {
  const devices = new Map<string, Device>();
  return {
    path: SCALE_SOCKET,
    open: async (query) => {
      const limits = await scaleOf(context, query);
      return limits && ((client) => join(devices, limits, client));
    },
    close: () => {
      for (const device of devices.values()) clearInterval(device.timer);
    },
  };
}

interface Limits {
  key: string;
  divisionGrams: number;
  capacityGrams: number;
}

/** Which scale is asked for; undefined where there is none. */
async function scaleOf({ models }: Context, query: URLSearchParams): Promise<Limits | undefined> {
  const studioId = idSchema.safeParse(query.get('studio'));
  const scaleId = idSchema.safeParse(query.get('scale'));
  if (!studioId.success || !scaleId.success) return undefined;
  const row = await models.studios.findOne({ where: { id: studioId.data } });
  const scale = row?.get().body.scales.find((one) => one.id === scaleId.data);
  return scale && { key: `${studioId.data}/${scale.id}`, divisionGrams: scale.divisionGrams, capacityGrams: scale.capacityGrams };
}

function join(devices: Map<string, Device>, limits: Limits, client: WebSocket): void {
  const device = devices.get(limits.key) ?? open(devices, limits);
  if (device.listeners.size >= MOST_LISTENERS) return client.close(1013, 'too many listen to this scale');
  device.listeners.add(client);
  const mayTalk = limitRate(MOST_MESSAGES_A_SECOND);
  client.on('message', (data) => {
    if (!mayTalk()) return client.close(1008, 'too many messages');
    const command = scaleCommandSchema.safeParse(parseJson(String(data)));
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
