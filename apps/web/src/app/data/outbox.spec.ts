import { TestBed } from '@angular/core/testing';
import type { BenchEvent } from '@cazuela/contract';
import { FakeRecords, settle } from '../../testing/records';
import { BenchLog, withDoneHere } from './bench-log';
import { Outbox } from './outbox';
import { OutboxStorage } from './outbox-storage';

const BATCH = '0198c0de-0000-7000-8000-00000000aaaa';

describe('bench work on its way to the records', () => {
  let records: FakeRecords;
  let outbox: Outbox;
  beforeEach(() => {
    jest.useFakeTimers();
    records = new FakeRecords();
    records.openStudio();
    outbox = TestBed.inject(Outbox);
    outbox.run$.subscribe();
  });
  afterEach(() => jest.useRealTimers());

  const tick = (): string => TestBed.inject(BenchLog).note('batch', BATCH, { type: 'respiratorOn' });
  const sent = (): BenchEvent[] => {
    const request = records.http.expectOne((one) => one.url.endsWith('/events'));
    return (request.request.body as { events: BenchEvent[] }).events;
  };

  it('is kept on the device before it is sent', () => {
    const id = tick();
    expect(
      TestBed.inject(OutboxStorage)
        .all()
        .map((entry) => entry.event.id),
    ).toEqual([id]);
    expect(sent()[0]?.event).toMatchObject({ id, type: 'respiratorOn', by: 'Inés' });
  });

  it('leaves the device’s keeping only when it is acknowledged, and stays in view', () => {
    const id = tick();
    expect(outbox.isWaiting(BATCH)).toBe(true);
    records.http.expectOne((one) => one.url.endsWith('/events')).flush({ acknowledged: [id], refused: [] });
    expect(TestBed.inject(OutboxStorage).all()).toEqual([]);
    expect(outbox.isWaiting(BATCH)).toBe(false);
    expect(outbox.doneHere('batch', BATCH).map((event) => event.id)).toEqual([id]);
  });

  it('is sent again until somebody answers', async () => {
    const id = tick();
    records.http.expectOne((one) => one.url.endsWith('/events')).error(new ProgressEvent('error'), { status: 0 });
    await settle();
    expect(outbox.away()).toBe(true);
    jest.advanceTimersByTime(600);
    expect(sent().map((entry) => entry.event.id)).toEqual([id]);
  });

  it('goes on sending what was done meanwhile', () => {
    const first = tick();
    const request = records.http.expectOne((one) => one.url.endsWith('/events'));
    const second = tick();
    request.flush({ acknowledged: [first], refused: [] });
    expect(sent().map((entry) => entry.event.id)).toEqual([second]);
  });

  it('what the records refuse is said, not sent for ever', () => {
    const id = tick();
    records.http
      .expectOne((one) => one.url.endsWith('/events'))
      .flush({ acknowledged: [], refused: [{ id, detail: 'This batch is a bucket already.' }] });
    expect(outbox.refused().map((refusal) => refusal.detail)).toEqual(['This batch is a bucket already.']);
    expect(outbox.doneHere('batch', BATCH)).toEqual([]);
    outbox.dismissRefusals();
    expect(outbox.refused()).toEqual([]);
  });

  it('a message the server cannot read does not hold up the rest', () => {
    tick();
    records.http
      .expectOne((one) => one.url.endsWith('/events'))
      .flush({ type: 'x', title: 'x', status: 422, code: 'checkInput', detail: 'Unknown event.' }, { status: 422, statusText: 'No' });
    expect(outbox.pendingCount()).toBe(0);
    expect(outbox.refused()[0]?.detail).toBe('Unknown event.');
  });
});

describe('what a device kept', () => {
  it('is there again after a reload, oldest first', () => {
    new FakeRecords();
    const storage = TestBed.inject(OutboxStorage);
    const entry = (id: string): BenchEvent => ({
      stream: 'batch',
      streamId: BATCH,
      event: { id, at: '2026-03-10T10:00:00.000Z', by: 'Inés', type: 'respiratorOn' },
    });
    const [early, late] = ['0198c0de-0000-7000-8000-000000000010', '0198c0de-0001-7000-8000-000000000010'];
    storage.put(entry(late!));
    storage.put(entry(early!));
    expect(storage.all().map((one) => one.event.id)).toEqual([early, late]);
  });

  it('rubbish in its keeping is passed over', () => {
    new FakeRecords();
    localStorage.setItem('cazuela.outbox.x', '{"stream":"nothing"}');
    expect(TestBed.inject(OutboxStorage).all()).toEqual([]);
  });

  it('an event the records have already counts once', () => {
    expect(withDoneHere([{ id: 'a' }, { id: 'b' }], [{ id: 'b' }, { id: 'c' }])).toEqual([{ id: 'a' }, { id: 'b' }, { id: 'c' }]);
  });
});
