import type { WebSocket } from 'ws';
import { CONTROLLER_SOCKET, idSchema, nameSchema } from '@cazuela/contract';
import type { Context } from '../context';
import { readLines } from './controller-reader';
import { limitRate, send, type DeviceSocket } from './device-sockets';

const MOST_LINES_A_SECOND = 50;
/** Lines that wait while one is being stored. */
const MOST_WAITING = 1_000;

/**
 * Controllers of kilns: lines of text in. What came together is answered together: with `OK` and the second of the firing up to which all is stored,
 * or with `ERR` and why not. What was not answered with OK is to be sent again.
 */
export function controllerSocket(context: Context): DeviceSocket {
  const connected = new Map<string, WebSocket>();
  return {
    path: CONTROLLER_SOCKET,
    open: async (query) => {
      const [studioId, kilnId] = [idSchema.safeParse(query.get('studio')), idSchema.safeParse(query.get('kiln'))];
      const name = nameSchema.safeParse(query.get('controller') ?? 'controller');
      if (!studioId.success || !kilnId.success || !name.success || name.data === 'practice') return undefined;
      const isThere = (await context.models.kilns.count({ where: { id: kilnId.data, studioId: studioId.data } })) > 0;
      if (!isThere) return undefined;
      return (client) => {
        // The same controller again: its old connection is dead, even where nobody noticed.
        const key = `${kilnId.data}/${name.data}`;
        connected.get(key)?.close(1000, 'connected anew');
        connected.set(key, client);
        client.on('close', () => {
          if (connected.get(key) === client) connected.delete(key);
        });
        listen(context, { studioId: studioId.data, kilnId: kilnId.data, sender: name.data }, client);
      };
    },
    close: () => connected.clear(),
  };
}

function listen(context: Context, from: { studioId: string; kilnId: string; sender: string }, client: WebSocket): void {
  const mayTalk = limitRate(MOST_LINES_A_SECOND);
  let waiting: string[] = [];
  let isStoring = false;
  const store = async (): Promise<void> => {
    isStoring = true;
    while (waiting.length > 0) {
      const lines = waiting;
      waiting = [];
      try {
        const answer = await readLines(context, { ...from, lines });
        send(client, answer.kind === 'stored' ? `OK ${answer.seconds}` : `ERR ${answer.words}`);
      } catch (error) {
        context.log.warn({ error }, 'lines of a controller were not stored');
        send(client, 'ERR the records cannot be reached: send it again');
      }
    }
    isStoring = false;
  };
  client.on('message', (data) => {
    if (!mayTalk() || waiting.length > MOST_WAITING) return client.close(1008, 'too many lines');
    waiting.push(
      ...String(data as Buffer)
        .split(/\r?\n/)
        .filter((line) => line.trim() !== ''),
    );
    if (!isStoring) void store();
  });
}
