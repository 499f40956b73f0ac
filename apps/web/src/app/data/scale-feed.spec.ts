import { TestBed } from '@angular/core/testing';
import { FakeRecords, settle, STUDIO } from '../../testing/records';
import { ScaleFeed } from './scale-feed';

/** A socket held by the test: what it says, and what was sent into it. */
class HeldSocket {
  static readonly OPEN = 1;
  static readonly made: HeldSocket[] = [];
  readyState = HeldSocket.OPEN;
  onmessage: ((event: { data: string }) => void) | null = null;
  onclose: (() => void) | null = null;
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
  says(line: string): void {
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
    socket().says('S 120.4 g');
    await settle();
    expect(feed.now()).toMatchObject({ kind: 'reading', settling: { shownGrams: 120.4 } });
    socket().says('*** hello ***');
    await settle();
    expect(feed.now()).toMatchObject({ kind: 'reading', settling: { shownGrams: 120.4 } });
    socket().says('OL');
    await settle();
    expect(feed.now()).toEqual({ kind: 'overload' });
  });

  it('an open line on which nothing comes is a silent scale', async () => {
    feed.listenTo(SCALE!.id);
    await settle();
    jest.useFakeTimers();
    socket().says('S 120.4 g');
    jest.advanceTimersByTime(1_600);
    jest.useRealTimers();
    await settle();
    expect(feed.now()).toEqual({ kind: 'silent' });
  });

  it('a line that broke is opened again', async () => {
    feed.listenTo(SCALE!.id);
    await settle();
    jest.useFakeTimers();
    socket().onclose?.();
    jest.advanceTimersByTime(1_100);
    jest.useRealTimers();
    expect(HeldSocket.made).toHaveLength(2);
    socket().says('S 5.0 g');
    await settle();
    expect(feed.now()).toMatchObject({ kind: 'reading', settling: { shownGrams: 5 } });
  });

  it('hands at the practice scale are heard only over an open line', async () => {
    feed.send({ kind: 'put', grams: 10 });
    feed.listenTo(SCALE!.id);
    await settle();
    feed.send({ kind: 'put', grams: 25 });
    expect(socket().sent).toEqual([JSON.stringify({ kind: 'put', grams: 25 })]);
    socket().readyState = 3;
    feed.send({ kind: 'put', grams: 5 });
    expect(socket().sent).toHaveLength(1);
  });
});
