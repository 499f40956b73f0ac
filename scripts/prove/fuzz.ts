import { readFileSync } from 'node:fs';
import { connect as connectTcp } from 'node:net';
import { setTimeout as delay } from 'node:timers/promises';
import { WebSocket } from 'ws';
import { SCALE_SOCKET, scaleCommandSchema } from '@cazuela/contract';
import type { Route } from '../../apps/server/src/http/route';
import { studioRoutes } from '../../apps/server/src/routes';
import { drawFrom, mutate } from './draw-from-schema';
import { LISTS } from './lists';
import { ProvedStudio } from './proved-studio';
import type { Random } from './random';

export interface FuzzCounts {
  requests: number;
  /** Answers by the first digit of their status. */
  statuses: Record<string, number>;
  sockets: number;
  highestMb: number;
  faults: string[];
}

interface Message {
  body?: string | Uint8Array<ArrayBuffer>;
  headers?: Record<string, string>;
}

/** Requests on one database; then a new one, so that lists stay as long as a studio's. */
const IN_ONE_ROUND = 8_000;
const AT_ONCE = 8;
const INSPECT_EVERY = 2_000;
const SLOW_MS = 30_000;
/** A machine that stalls for seconds makes a database look away: such a request is sent once more. */
const BUSY_WAIT_MS = 2_000;
/** Above this the server keeps memory that it should release. */
const MOST_MB = 900;
const MOST_FAULTS = 40;

/**
 * Sends requests on every route, drawn from its schema and against it, broken messages and sockets. No answer is a 500 or missing, the server does
 * not end, nothing is half written, and its memory has a limit.
 */
export async function fuzz(random: Random, requests: number, until: number, say: (line: string) => void): Promise<FuzzCounts> {
  const counts: FuzzCounts = { requests: 0, statuses: {}, sockets: 0, highestMb: 0, faults: [] };
  while (counts.requests < requests && Date.now() < until && counts.faults.length < MOST_FAULTS) {
    const studio = await ProvedStudio.open('prove-fuzz');
    try {
      await new Round(studio, random, counts).run(Math.min(IN_ONE_ROUND, requests - counts.requests), until);
    } finally {
      await studio.close();
    }
    say(`  ${counts.requests} requests, ${counts.highestMb} MB at most`);
  }
  return counts;
}

class Round {
  /** Ids of existing records, by the list they come from. */
  private readonly ids = new Map<string, string[]>();
  private readonly all: string[] = [];
  private scaleId = '';

  constructor(
    private readonly studio: ProvedStudio,
    private readonly random: Random,
    private readonly counts: FuzzCounts,
  ) {}

  async run(requests: number, until: number): Promise<void> {
    await this.learn();
    const last = this.counts.requests + requests;
    while (this.counts.requests < last && Date.now() < until && this.counts.faults.length < MOST_FAULTS) {
      const next = Math.min(last, this.counts.requests + INSPECT_EVERY);
      await Promise.all(
        Array.from({ length: AT_ONCE }, async () => {
          while (this.counts.requests < next && Date.now() < until) await this.one();
        }),
      );
      await this.inspect();
      await this.learn();
    }
  }

  private async one(): Promise<void> {
    const { random } = this;
    if (random.chance(0.01)) return this.socket();
    const route = random.pick(random.chance(0.75) ? WRITING : studioRoutes);
    const path = this.pathOf(route);
    if (route.path === '/photos' && route.method === 'post') return this.send('POST', path, this.multipart());
    if (!route.body) return this.send(route.method.toUpperCase(), path, {});
    let body = drawFrom(route.body, random, () => this.id());
    if (random.chance(0.5)) body = mutate(body, random);
    const text = JSON.stringify(body);
    return this.send(
      route.method.toUpperCase(),
      path,
      random.chance(0.04) ? this.broken(text) : { body: text, headers: { 'Content-Type': 'application/json' } },
    );
  }

  private async send(method: string, path: string, { body, headers = {} }: Message): Promise<void> {
    this.counts.requests += 1;
    const words = `${method} ${path.replace(UUID, ':id')}`;
    const shown = (): string => (typeof body === 'string' ? body.slice(0, 400) : '');
    try {
      const init = { method, headers, ...(method === 'GET' || body === undefined ? {} : { body }) };
      const ask = (): Promise<Response> => fetch(this.studio.at() + path, { ...init, signal: AbortSignal.timeout(SLOW_MS) });
      let answer = await ask();
      if (answer.status === 503) {
        await delay(BUSY_WAIT_MS);
        answer = await ask();
      }
      await answer.arrayBuffer();
      const kind = `${answer.status}`[0]!;
      this.counts.statuses[`${kind}xx`] = (this.counts.statuses[`${kind}xx`] ?? 0) + 1;
      if (answer.status >= 500) this.counts.faults.push(`${words} was answered ${answer.status}: ${shown()}`);
    } catch (error) {
      this.counts.faults.push(`${words} was not answered (${(error as Error).name}): ${shown()}`);
    }
  }

  private pathOf(route: Route): string {
    const noun = route.path.split('/')[1]!;
    const { random } = this;
    const known = this.ids.get(noun) ?? this.all;
    const id =
      random.chance(0.85) && known.length > 0
        ? random.pick(known)
        : random.chance(0.7)
          ? this.id()
          : random.pick(['x', '%00', "'", 'constructor', '..%2f']);
    const query = random.chance(0.1)
      ? random.pick(['?size=constructor', '?mass=__proto__', '?q=%25_', '?copies=1e9', '?q[]=1', '?size=62x29&size=x'])
      : '';
    return route.path.replace(':id', random.chance(0.03) ? id.toUpperCase() : id) + query;
  }

  private id(): string {
    const { random, all } = this;
    return all.length > 0 && random.chance(0.7) ? random.pick(all) : random.uuid();
  }

  /** A message that was cut, is encoded otherwise, or has a wrong type in its header. */
  private broken(text: string): Message {
    const json = 'application/json';
    return this.random.pick<Message>([
      { body: text.slice(0, text.length / 2), headers: { 'Content-Type': json } },
      { body: text, headers: { 'Content-Type': `${json}; charset=klingon` } },
      { body: text, headers: { 'Content-Type': json, 'Content-Encoding': 'gzip' } },
      { body: text, headers: { 'Content-Type': json, 'Content-Encoding': 'crumpled' } },
      { body: text, headers: { 'Content-Type': 'text/plain' } },
      { body: new Uint8Array([0xff, 0xfe, 0x00, 0xd8]), headers: { 'Content-Type': json } },
      { body: '['.repeat(20_000), headers: { 'Content-Type': json } },
      { body: `{"a":"${'x'.repeat(1_200_000)}"}`, headers: { 'Content-Type': json } },
      { body: text.replace(/"([^"]{1,20})"/, '"$1\\ud800"'), headers: { 'Content-Type': json } },
    ]);
  }

  private multipart(): Message {
    const { random } = this;
    const boundary = 'edge';
    const name = random.pick(['pot.jpg', 'pot\0.jpg', 'x'.repeat(500), '../../etc']);
    const inside = random.pick([
      '',
      'no photo',
      '<svg xmlns="http://www.w3.org/2000/svg"/>',
      '\xff\xd8\xff\xe0broken',
      '\x89PNG\r\n\x1a\nbroken',
      'RIFF0000WEBPbroken',
      'GIF89a',
    ]);
    const end = random.pick([`\r\n--${boundary}--\r\n`, '', `\r\n--${boundary}`]);
    const field = random.pick(['photo', 'photo', 'other', '']);
    const text = `--${boundary}\r\nContent-Disposition: form-data; name="${field}"; filename="${name}"\r\nContent-Type: image/jpeg\r\n\r\n${inside}${end}`;
    const type = random.pick([`multipart/form-data; boundary=${boundary}`, 'multipart/form-data', 'multipart/form-data; boundary=other']);
    return { body: new Uint8Array(Buffer.from(text, 'latin1')), headers: { 'Content-Type': type } };
  }

  /** A practice scale that gets commands, nonsense, or a connection that breaks in the middle of a word. */
  private async socket(): Promise<void> {
    const { random } = this;
    this.counts.sockets += 1;
    const { hostname, port } = new URL(this.studio.at());
    const query = `${SCALE_SOCKET}?studio=${random.chance(0.9) ? this.studio.studioId : this.id()}&scale=${random.chance(0.8) ? this.scaleId : 'x'}`;
    if (random.chance(0.5)) {
      const socket = connectTcp({ host: hostname, port: Number(port) });
      socket.on('error', () => undefined);
      const head = `GET ${query} HTTP/1.1\r\nHost: ${hostname}:${port}\r\nUpgrade: websocket\r\nConnection: Upgrade\r\nSec-WebSocket-Version: 13\r\nSec-WebSocket-Key: dGhlIHNhbXBsZSBub25jZQ==\r\n\r\n`;
      socket.write(head.slice(0, random.int(1, head.length)));
      await new Promise((resolve) => setTimeout(resolve, random.int(0, 10)));
      socket.resetAndDestroy();
      return;
    }
    await new Promise<void>((resolve) => {
      const socket = new WebSocket(`ws://${hostname}:${port}${query}`);
      socket.on('error', () => resolve());
      socket.on('close', () => resolve());
      socket.on('open', () => {
        for (let many = random.int(1, 40); many > 0; many--) {
          const command = drawFrom(scaleCommandSchema, random, () => this.id());
          socket.send(random.chance(0.3) ? 'nonsense' : JSON.stringify(random.chance(0.3) ? mutate(command, random) : command));
        }
        setTimeout(() => (random.chance(0.5) ? socket.terminate() : socket.close()), 20);
      });
    });
  }

  /** Still running, all lists readable, all snapshots right, and no more memory than it needs. */
  private async inspect(): Promise<void> {
    const { child } = this.studio.servers[0]!;
    if (child.exitCode !== null || child.signalCode !== null) {
      this.counts.faults.push(`The server ended (${child.exitCode ?? child.signalCode}).`);
      await this.studio.start();
      return;
    }
    const megabytes = Number(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${child.pid}/status`, 'utf8'))?.[1] ?? 0) / 1024;
    this.counts.highestMb = Math.max(this.counts.highestMb, Math.round(megabytes));
    if (megabytes > MOST_MB) this.counts.faults.push(`The server holds ${Math.round(megabytes)} MB.`);
    this.counts.faults.push(...(await this.studio.faults()), ...(await this.unreadable()));
  }

  /** Lists with rows that do not fit the contract: everybody must be able to read what is in the records. */
  private async unreadable(): Promise<string[]> {
    const faults: string[] = [];
    for (const { path, schema } of LISTS) {
      const rows = (await (await fetch(this.studio.at() + path)).json()) as unknown[];
      const bad = rows.map((row) => schema.safeParse(row)).find((read) => !read.success);
      if (bad?.error) faults.push(`${path} has a row nobody can read: ${JSON.stringify(bad.error.issues[0])}`);
    }
    return faults;
  }

  private async learn(): Promise<void> {
    this.all.length = 0;
    for (const { path } of LISTS) {
      const answer = await fetch(this.studio.at() + path);
      const rows = answer.ok ? ((await answer.json()) as { id: string; versionId?: string }[]) : [];
      this.ids.set(
        path.slice(1),
        rows.map(({ id }) => id),
      );
      this.all.push(...rows.slice(-60).flatMap(({ id, versionId }) => (versionId ? [id, versionId, versionId] : [id])));
    }
    const [studio] = (await (await fetch(new URL('/api/studios', this.studio.at()))).json()) as [{ scales: { id: string }[] }];
    this.scaleId = studio.scales[0]?.id ?? '';
  }
}

const UUID = /[0-9a-f]{8}-[0-9a-f-]{27}/gi;
const WRITING = studioRoutes.filter(({ method }) => method !== 'get');
