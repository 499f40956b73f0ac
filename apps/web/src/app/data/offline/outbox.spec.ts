import { TestBed } from '@angular/core/testing';
import type { BenchEvent } from '@cazuela/contract';
import { FakeRecords, settle } from '../../../testing/records';
import { BenchLog, withLocalEvents } from './bench-log';
import { Outbox } from './outbox';
import { OutboxStorage, type Stored } from './outbox-storage';

const BATCH = '0198c0de-0000-7000-8000-00000000aaaa';

describe('bench work on its way to the records', () => {
  let records: FakeRecords;
  let outbox: Outbox;
  beforeEach(() => {
    // The device's storage works on its own clock.
    jest.useFakeTimers({ doNotFake: ['setImmediate'] });
    records = new FakeRecords();
    records.openStudio();
    outbox = TestBed.inject(Outbox);
    outbox.run$.subscribe();
  });
  afterEach(() => jest.useRealTimers());

  const addEvent = (): string => TestBed.inject(BenchLog).note('batch', BATCH, { type: 'respiratorOn' });
  const sent = (): BenchEvent[] => {
    const request = records.http.expectOne((one) => one.url.endsWith('/events'));
    return (request.request.body as { events: BenchEvent[] }).events;
  };

  it('is kept on the device, and sent', async () => {
    const id = addEvent();
    expect(await onDevice()).toEqual([id]);
    expect(sent()[0]?.event).toMatchObject({ id, type: 'respiratorOn', by: 'Inés' });
  });

  it('leaves the device’s keeping only when it is acknowledged, and stays in view', async () => {
    const id = addEvent();
    expect(outbox.isWaiting(BATCH)).toBe(true);
    records.http.expectOne((one) => one.url.endsWith('/events')).flush({ acknowledged: [id], refused: [] });
    expect(await onDevice()).toEqual([]);
    expect(outbox.isWaiting(BATCH)).toBe(false);
    expect(outbox.localEvents('batch', BATCH).map((event) => event.id)).toEqual([id]);
  });

  it('is sent again until somebody answers', async () => {
    const id = addEvent();
    records.http.expectOne((one) => one.url.endsWith('/events')).error(new ProgressEvent('error'), { status: 0 });
    await settle();
    expect(outbox.paused()?.kind).toBe('unreachable');
    jest.advanceTimersByTime(600);
    expect(sent().map((entry) => entry.event.id)).toEqual([id]);
  });

  it('goes on sending what was done meanwhile', () => {
    const first = addEvent();
    const request = records.http.expectOne((one) => one.url.endsWith('/events'));
    const second = addEvent();
    request.flush({ acknowledged: [first], refused: [] });
    expect(sent().map((entry) => entry.event.id)).toEqual([second]);
  });

  const request = () => records.http.expectOne((one) => one.url.endsWith('/events'));
  const idsOf = (of: ReturnType<typeof request>): string[] => (of.request.body as { events: BenchEvent[] }).events.map(({ event }) => event.id);
  const stored = (): Promise<Stored> => TestBed.inject(OutboxStorage).all();
  const onDevice = async (): Promise<string[]> => (await stored()).waiting.map(({ event }) => event.id);
  const problem = (status: number, code: string): [object, { status: number; statusText: string }] => [
    { type: 'x', title: 'x', status, code, detail: `The answer was ${status}.` },
    { status, statusText: 'No' },
  ];

  it.each([
    ['a proxy that wants a sign-in', '<html>Sign in</html>', 401, 'sign in'],
    ['a page of somebody else under our address', '<html>Welcome</html>', 200, 'cannot read'],
    ['a proxy for which it is too large', '<html>Too large</html>', 413, 'smaller messages'],
    ['a proxy that finds nobody behind it', '<html>Bad gateway</html>', 502, 'cannot be reached'],
  ])('stays on the device when %s answers, and the potter is told', async (_who, body, status, words) => {
    const id = addEvent();
    request().flush(body, { status, statusText: 'x' });
    await settle();
    expect(await onDevice()).toEqual([id]);
    expect(outbox.paused()?.problem.detail).toContain(words);
    expect(outbox.refused()).toEqual([]);
    jest.advanceTimersByTime(600);
    request().flush({ acknowledged: [id], refused: [] });
    expect([await onDevice(), outbox.paused(), outbox.pendingCount()]).toEqual([[], undefined, 0]);
  });

  it('stays on the device while the server is broken, with longer and longer waits', async () => {
    const id = addEvent();
    for (const wait of [500, 1_000, 2_000, 4_000]) {
      request().flush(...problem(500, 'broken'));
      await settle();
      jest.advanceTimersByTime(wait - 1);
      records.http.expectNone((one) => one.url.endsWith('/events'));
      jest.advanceTimersByTime(1);
    }
    expect(idsOf(request())).toEqual([id]);
    expect(await onDevice()).toEqual([id]);
  });

  it.each([
    [403, 'wrongOrigin'],
    [404, 'notFound'],
    [429, 'tooMany'],
    [503, 'busy'],
  ])('a %i of our own server (%s) is about the way there, not about the step: it stays', async (status, code) => {
    const id = addEvent();
    request().flush(...problem(status, code));
    await settle();
    expect([await onDevice(), outbox.refused(), outbox.paused()?.problem.code]).toEqual([[id], [], code]);
  });

  it('is tried at once when the potter says so, and when the network is back', async () => {
    const id = addEvent();
    request().error(new ProgressEvent('error'), { status: 0 });
    await settle();
    outbox.tryNow();
    request().error(new ProgressEvent('error'), { status: 0 });
    await settle();
    window.dispatchEvent(new Event('online'));
    expect(idsOf(request())).toEqual([id]);
  });

  it('leaves only what the answer names: an answer that names nobody keeps everything', async () => {
    const [one, two] = [addEvent(), addEvent()];
    request().flush({ acknowledged: [one], refused: [] });
    request().flush({ acknowledged: ['0198c0de-0000-7000-8000-00000000ffff'], refused: [] });
    await settle();
    expect(await onDevice()).toEqual([two]);
  });

  /** Five that wait behind a request that is running, so that they are sent together. */
  const five = (): [first: string, rest: string[]] => {
    const first = addEvent();
    return [first, Array.from({ length: 5 }, addEvent)];
  };

  it('a sending refused as a whole is halved until the one bad event is alone', async () => {
    const [first, rest] = five();
    const bad = rest[3]!;
    request().flush({ acknowledged: [first], refused: [] });
    for (let sendings = 0; sendings < 20 && outbox.pendingCount() > 0; sendings++) {
      const now = request();
      const ids = idsOf(now);
      if (ids.includes(bad)) now.flush(...problem(422, 'checkInput'));
      else now.flush({ acknowledged: ids, refused: [] });
      await settle();
    }
    expect(outbox.refused().map(({ entry, detail }) => [entry?.event.id, detail])).toEqual([[bad, 'The answer was 422.']]);
    expect(outbox.localEvents('batch', BATCH).map(({ id }) => id)).toEqual([first, ...rest.filter((id) => id !== bad)]);
  });

  it('one event that breaks the server holds up none of the others, and is not thrown away', async () => {
    const [first, rest] = five();
    const bad = rest[0]!;
    request().flush({ acknowledged: [first], refused: [] });
    for (let sendings = 0; sendings < 20 && outbox.pendingCount() > 1; sendings++) {
      const now = request();
      const ids = idsOf(now);
      if (ids.includes(bad)) now.flush(...problem(500, 'broken'));
      else now.flush({ acknowledged: ids, refused: [] });
      await settle();
    }
    expect(await onDevice()).toEqual([bad]);
    request().flush(...problem(500, 'broken'));
    await settle();
    expect(outbox.paused()?.problem.status).toBe(500);
    jest.advanceTimersByTime(600);
    expect(idsOf(request())).toEqual([bad]);
  });

  it('what the records refuse is said, stays on the device over a reload, and goes when the potter puts it aside', async () => {
    const id = addEvent();
    request().flush({ acknowledged: [], refused: [{ id, detail: 'This batch is a bucket already.' }] });
    expect(outbox.refused().map((refusal) => refusal.detail)).toEqual(['This batch is a bucket already.']);
    expect(outbox.localEvents('batch', BATCH)).toEqual([]);
    expect(await onDevice()).toEqual([]);
    const kept = (await stored()).refused;
    expect(kept.map(({ entry, detail }) => [entry?.event.id, detail])).toEqual([[id, 'This batch is a bucket already.']]);
    outbox.putAside(outbox.refused());
    expect([outbox.refused(), (await stored()).refused]).toEqual([[], []]);
  });

  it('a refused step can be sent again', async () => {
    const id = addEvent();
    request().flush({ acknowledged: [], refused: [{ id, detail: 'There is no such batch here any more.' }] });
    outbox.sendAgain(outbox.refused()[0]!);
    request().flush({ acknowledged: [id], refused: [] });
    expect([outbox.refused(), outbox.pendingCount(), await stored()]).toEqual([[], 0, { waiting: [], refused: [] }]);
  });

  it('a device without room: the step is sent all the same, is said to live in the page alone, and is kept once there is room', async () => {
    const full = jest.spyOn(IDBObjectStore.prototype, 'put').mockImplementation(() => {
      throw new DOMException('full', 'QuotaExceededError');
    });
    const [first, second] = [addEvent(), addEvent()];
    expect([await onDevice(), outbox.unkeptCount(), outbox.pendingCount()]).toEqual([[], 2, 2]);
    full.mockRestore();
    request().flush({ acknowledged: [first], refused: [] });
    await settle();
    expect([await onDevice(), outbox.unkeptCount()]).toEqual([[second], 0]);
    expect(idsOf(request())).toEqual([second]);
  });
});

describe('what a device kept', () => {
  const [early, late] = ['0198c0de-0000-7000-8000-000000000010', '0198c0de-0001-7000-8000-000000000010'];
  const entry = (id: string): BenchEvent => ({
    stream: 'batch',
    streamId: BATCH,
    event: { id, at: '2026-03-10T10:00:00.000Z', by: 'Inés', type: 'respiratorOn' },
  });
  const opened = async (): Promise<Outbox> => {
    const outbox = TestBed.inject(Outbox);
    await outbox.open();
    return outbox;
  };
  beforeEach(() => new FakeRecords());

  it('is there again after a reload, oldest first, and before what was done since', async () => {
    const storage = TestBed.inject(OutboxStorage);
    await Promise.all([storage.put(entry(late)), storage.put(entry(early))]);
    const outbox = TestBed.inject(Outbox);
    const id = TestBed.inject(BenchLog).note('batch', BATCH, { type: 'respiratorOn' });
    await outbox.open();
    expect(outbox.pending().map(({ event }) => event.id)).toEqual([early, late, id]);
  });

  it('what it cannot read is shown, and not thrown away', async () => {
    const storage = TestBed.inject(OutboxStorage);
    const newer = { ...entry(early), stream: 'notYetKnown' };
    await storage.put(newer as unknown as BenchEvent);
    const outbox = await opened();
    expect(outbox.refused().map(({ text, entry }) => [text, entry])).toEqual([[JSON.stringify(newer), undefined]]);
    expect(outbox.pending()).toEqual([]);
  });

  it('what an earlier version kept as text is taken over, waiting, refused and unreadable', async () => {
    const mark = { detail: 'This batch is a bucket already.', at: '2026-03-10T10:00:00.000Z' };
    localStorage.setItem(`cazuela.outbox.${early}`, JSON.stringify(entry(early)));
    localStorage.setItem(`cazuela.outbox.${late}`, JSON.stringify({ ...entry(late), refused: mark }));
    localStorage.setItem('cazuela.outbox.y', 'no JSON at all');
    const outbox = await opened();
    expect(outbox.pending()).toEqual([entry(early)]);
    expect(outbox.refused().map(({ text, entry, detail }) => [text, entry, detail])).toEqual([
      [JSON.stringify(entry(late)), entry(late), mark.detail],
      ['no JSON at all', undefined, expect.stringContaining('another version')],
    ]);
    expect(localStorage.length).toBe(0);
    expect((await TestBed.inject(OutboxStorage).all()).waiting).toHaveLength(1);
  });

  it('a device that stores nothing opens all the same, and says that steps live in the page alone', async () => {
    jest.spyOn(indexedDB, 'open').mockImplementation(() => {
      throw new DOMException('not allowed', 'SecurityError');
    });
    const outbox = await opened();
    TestBed.inject(BenchLog).note('batch', BATCH, { type: 'respiratorOn' });
    await settle();
    expect([outbox.pendingCount(), outbox.unkeptCount()]).toEqual([1, 1]);
  });

  it('an event the records have already counts once', () => {
    expect(withLocalEvents([{ id: 'a' }, { id: 'b' }], [{ id: 'b' }, { id: 'c' }])).toEqual([{ id: 'a' }, { id: 'b' }, { id: 'c' }]);
  });
});
