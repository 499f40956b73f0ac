import { once } from 'node:events';
import { WebSocket } from 'ws';
import { readScaleLine, settle, UNSETTLED } from '@cazuela/core';
import { SCALE_SOCKET } from '@cazuela/contract';
import { SimulatedScale } from '../src/devices/simulated-scale';
import { serverUnderTest, type ServerUnderTest } from './server-under-test';

/** A seeded random source, so that the noise is the same in every run. */
function seeded(seed: number): () => number {
  let state = seed;
  return () => (state = (state * 1664525 + 1013904223) % 4294967296) / 4294967296;
}

describe('the practice scale', () => {
  const scale = (): SimulatedScale => new SimulatedScale({ divisionGrams: 0.1, capacityGrams: 3000, random: seeded(7) });
  const lines = (of: SimulatedScale, count: number): (string | undefined)[] => Array.from({ length: count }, () => of.advance(0.1));

  it('a division finer than any scale has ends no server: it shows six decimals', () => {
    for (const divisionGrams of [5e-324, 1e-40, 1e-7]) {
      const fine = new SimulatedScale({ divisionGrams, capacityGrams: 3000, random: seeded(7) });
      fine.handleCommand({ kind: 'put', grams: 1 });
      expect(fine.advance(0.1)).toMatch(/^\+ +\d+\.\d{6} g/);
    }
  });
  const grams = (line: string | undefined): number => {
    const read = readScaleLine(line ?? '');
    return read.kind === 'reading' ? read.grams : Number.NaN;
  };

  it('settles on what was put on it, within its wobble', () => {
    const it = scale();
    it.handleCommand({ kind: 'put', grams: 412.3 });
    const all = lines(it, 30);
    expect(Math.abs(grams(all[0]) - 412.3)).toBeGreaterThan(50);
    expect(Math.abs(grams(all.at(-1)) - 412.3)).toBeLessThanOrEqual(0.2);
    expect(all.at(-1)).toMatch(/ g S$/);
  });

  it('is understood and called settled by what reads it, once and not while powder runs', () => {
    const it = scale();
    it.handleCommand({
      kind: 'script',
      steps: [
        { gramsPerSecond: 60, seconds: 2 },
        { gramsPerSecond: 4, seconds: 1 },
      ],
    });
    let state = UNSETTLED;
    const settledAt: number[] = [];
    for (let index = 0; index < 60; index++) {
      const read = readScaleLine(it.advance(0.1)!);
      if (read.kind === 'reading')
        state = settle(state, { atMs: index * 100, grams: read.grams, saysStable: read.saysStable }, { divisionGrams: 0.1 });
      if (state.settled) settledAt.push(index);
    }
    expect(Math.min(...settledAt)).toBeGreaterThan(30);
    expect(state.settledGrams).toBeCloseTo(124, 0);
  });

  it('is zeroed by tare, says when it is overloaded, and is silent when it is unplugged', () => {
    const it = scale();
    it.handleCommand({ kind: 'put', grams: 250 });
    lines(it, 20);
    it.handleCommand({ kind: 'tare' });
    expect(Math.abs(grams(it.advance(0.1)))).toBeLessThanOrEqual(0.2);
    it.handleCommand({ kind: 'put', grams: 3000 });
    expect(lines(it, 20).at(-1)).toBe('OL');
    it.handleCommand({ kind: 'plug', in: false });
    expect(it.advance(0.1)).toBeUndefined();
    it.handleCommand({ kind: 'plug', in: true });
    it.handleCommand({ kind: 'clear' });
    expect(Math.abs(grams(lines(it, 30).at(-1)) + 250)).toBeLessThanOrEqual(0.3);
  });
});

describe('the practice scale over its socket', () => {
  let server: ServerUnderTest;
  beforeAll(async () => {
    server = await serverUnderTest();
  });
  const open = (query: string, headers: Record<string, string> = {}): WebSocket =>
    new WebSocket(`${server.origin.replace('http', 'ws')}${SCALE_SOCKET}?${query}`, { headers });
  const ours = (): string => `studio=${server.studio.id}&scale=${server.studio.scales[0]!.id}`;
  const refusal = async (socket: WebSocket): Promise<number | undefined> => {
    const [, answer] = (await once(socket, 'unexpected-response')) as [unknown, { statusCode: number; resume: () => void }];
    answer.resume();
    return answer.statusCode;
  };
  const until = async (socket: WebSocket, good: (line: string) => boolean): Promise<string> => {
    for (;;) {
      const [data] = (await once(socket, 'message')) as [Buffer];
      if (good(String(data))) return String(data);
    }
  };

  it('sends what lies on it to everybody who listens; what was said badly is answered and changes nothing', async () => {
    const [one, two] = [open(ours()), open(ours())];
    await Promise.all([once(one, 'open'), once(two, 'open')]);
    one.send('nonsense');
    expect(await until(one, (line) => line.startsWith('ERR'))).toContain('ERR');
    one.send(JSON.stringify({ kind: 'put', grams: 100 }));
    const line = await until(two, (text) => text.includes('100.') && text.endsWith('S'));
    expect(readScaleLine(line)).toMatchObject({ kind: 'reading', saysStable: true });
    one.close();
    two.close();
  });

  it('a page that goes while its hand pours lets go of the scoop', async () => {
    const [pouring, other] = [open(ours()), open(ours())];
    await Promise.all([once(pouring, 'open'), once(other, 'open')]);
    pouring.send(JSON.stringify({ kind: 'clear' }));
    pouring.send(JSON.stringify({ kind: 'pour', gramsPerSecond: 50 }));
    await until(other, (line) => Number(line.slice(2, 11)) > 5);
    pouring.terminate();
    // Left running it would never stand still.
    expect(readScaleLine(await until(other, (line) => line.endsWith('S')))).toMatchObject({ kind: 'reading', saysStable: true });
    other.close();
  });

  it.each([
    ['a scale nobody has', 'studio=0190a000-0000-7000-8000-000000000000&scale=0190a000-0000-7000-8000-000000000000', {}, 404],
    ['no scale at all', '', {}, 404],
  ])('is not opened for %s', async (_name, query, headers, status) => {
    const socket = open(query, headers);
    expect(await refusal(socket)).toBe(status);
  });

  it('is not opened by a page that is not ours', async () => {
    const socket = open(ours(), { Origin: 'http://elsewhere.example' });
    expect(await refusal(socket)).toBe(403);
  });
});
