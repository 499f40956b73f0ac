import { TestBed } from '@angular/core/testing';
import { FakeRecords, settle, STUDIO } from '../../../testing/records';
import { ScaleFeed } from './scale-feed';

/** A socket held by the test: what it sends, and what was sent into it. */
class HeldSocket {
  static readonly OPEN = 1;
  static readonly made: HeldSocket[] = [];
  readyState = 0;
  onopen: (() => void) | null = null;
  onmessage: ((event: { data: string }) => void) | null = null;
  onclose: ((event: { wasClean: boolean }) => void) | null = null;
  readonly sent: string[] = [];
  closed = false;
  constructor(readonly url: string) {
    HeldSocket.made.push(this);
  }
  send(text: string): void {
    this.sent.push(text);
  }
  close(): void {
    this.closed = true;
  }
  opens(): void {
    this.readyState = HeldSocket.OPEN;
    this.onopen?.();
  }
  breaks(wasClean = false): void {
    this.readyState = 3;
    this.onclose?.({ wasClean });
  }
  sends(line: string): void {
    this.onmessage?.({ data: line });
  }
}

const [SCALE] = STUDIO.scales;

describe('the scale of this device', () => {
  const usual = globalThis.WebSocket;
  let feed: ScaleFeed;
  const socket = (): HeldSocket => HeldSocket.made.at(-1)!;

  beforeEach(async () => {
    HeldSocket.made.length = 0;
    Object.assign(globalThis, { WebSocket: HeldSocket });
    localStorage.clear();
    const records = new FakeRecords();
    feed = TestBed.inject(ScaleFeed);
    await settle();
    records.openStudio();
    await settle();
  });
  afterEach(() => {
    Object.assign(globalThis, { WebSocket: usual });
    jest.useRealTimers();
  });

  it('is none until one is chosen, and the choice stays with the device', async () => {
    expect(feed.now()).toEqual({ kind: 'none' });
    expect(HeldSocket.made).toHaveLength(0);
    feed.listenTo(SCALE!.id);
    await settle();
    expect(feed.now()).toEqual({ kind: 'connecting' });
    expect(socket().url).toContain(`studio=${STUDIO.id}&scale=${SCALE!.id}`);
    expect(localStorage.length).toBe(1);
    feed.listenTo(null);
    await settle();
    expect(socket().closed).toBe(true);
    expect(localStorage.length).toBe(0);
  });

  it('reads its lines; one that means nothing changes nothing, and too much is said', async () => {
    feed.listenTo(SCALE!.id);
    await settle();
    socket().sends('S 120.4 g');
    await settle();
    expect(feed.now()).toMatchObject({ kind: 'reading', settling: { shownGrams: 120.4 } });
    socket().sends('*** hello ***');
    await settle();
    expect(feed.now()).toMatchObject({ kind: 'reading', settling: { shownGrams: 120.4 } });
    socket().sends('OL');
    await settle();
    expect(feed.now()).toEqual({ kind: 'overload' });
  });

  it.each([
    ['after a reading', ['S 120.4 g']],
    ['after too much was on it', ['OL']],
    ['before the first one: a page opened while it is unplugged', []],
  ])('an open line on which nothing comes is a silent scale, %s', async (_when, lines) => {
    feed.listenTo(SCALE!.id);
    await settle();
    jest.useFakeTimers();
    socket().opens();
    for (const line of lines) socket().sends(line);
    jest.advanceTimersByTime(1_600);
    expect(feed.now()).toEqual({ kind: 'silent' });
    // However long it takes until somebody plugs it in.
    jest.advanceTimersByTime(60_000);
    jest.useRealTimers();
    expect(HeldSocket.made).toHaveLength(1);
    socket().sends('S 120.6 g');
    await settle();
    expect(feed.now()).toMatchObject({ kind: 'reading' });
  });

  it.each([
    ['broke', false],
    ['the server ended', true],
  ])('a line that %s is said to be away, and opened again', async (_how, wasClean) => {
    feed.listenTo(SCALE!.id);
    await settle();
    jest.useFakeTimers();
    socket().opens();
    socket().sends('S 4.0 g');
    socket().breaks(wasClean);
    expect(feed.now()).toEqual({ kind: 'away' });
    jest.advanceTimersByTime(1_100);
    jest.useRealTimers();
    expect(HeldSocket.made).toHaveLength(2);
    socket().opens();
    socket().sends('S 5.0 g');
    await settle();
    expect(feed.now()).toMatchObject({ kind: 'reading', settling: { shownGrams: 5 } });
  });

  it('a line that never opens is asked for anew', async () => {
    jest.useFakeTimers();
    feed.listenTo(SCALE!.id);
    await settle();
    const [first] = HeldSocket.made;
    jest.advanceTimersByTime(5_100);
    expect(first!.closed).toBe(true);
    expect(HeldSocket.made).toHaveLength(2);
    expect(feed.now()).toEqual({ kind: 'connecting' });
  });

  it('commands to the practice scale are sent only over an open line, and it is told whether they are', async () => {
    feed.send({ kind: 'put', grams: 10 });
    expect(feed.acceptsCommands()).toBe(false);
    feed.listenTo(SCALE!.id);
    await settle();
    expect(feed.acceptsCommands()).toBe(false);
    socket().opens();
    expect(feed.acceptsCommands()).toBe(true);
    feed.send({ kind: 'put', grams: 25 });
    expect(socket().sent).toEqual([JSON.stringify({ kind: 'put', grams: 25 })]);
    socket().breaks();
    expect(feed.acceptsCommands()).toBe(false);
    feed.send({ kind: 'put', grams: 5 });
    expect(socket().sent).toHaveLength(1);
  });
});
