import type { Result } from '@cazuela/contract';
import { firing, id, piece, result } from '../../../testing/made-up';
import { TestBed } from '@angular/core/testing';
import { Outbox } from '../../data/offline/outbox';
import { FakeRecords, settle } from '../../../testing/records';
import { Screen } from '../../../testing/screen';
import { Wall } from './wall';

const of = firing(60);
const cup = piece();
const lotId = id();
const ofLot = (number: number, change: Partial<Result['body']> = {}): Result =>
  result(cup, of, { stars: 4, faults: [], lotId, loadPieceId: `${lotId}:${number}`, ...change });

describe('the wall', () => {
  const open = async (results: Result[], inputs: Record<string, unknown> = {}): Promise<Screen<Wall>> => {
    const records = new FakeRecords();
    records.openStudio();
    const screen = await Screen.open(Wall, inputs);
    records.answer('/results', results);
    for (const request of records.http.match(({ method }) => method === 'GET')) request.flush([]);
    await screen.settle();
    return screen;
  };

  it('twelve that came out alike are told once; the cracked one, and one with its own photo, by themselves', async () => {
    const alike = Array.from({ length: 10 }, (_, at) => ofLot(at + 1));
    const screen = await open([...alike, ofLot(11, { stars: 1, faults: [{ fault: 'cracked', where: 'rim' }] }), ofLot(12, { photoId: id() })]);
    const headings = screen.all('h2').map((one) => one.textContent.replace(/★/g, '').trim());
    expect(headings).toEqual(['10 × Cup', 'Cup', 'Cup']);
    expect(screen.text).toContain('cracked (rim)');
  });

  it('what was noted by hand is never put together', async () => {
    const screen = await open([result(cup, of, { stars: 4, faults: [] }), result(cup, of, { stars: 4, faults: [] })]);
    expect(screen.all('h2')).toHaveLength(2);
  });

  it('what came out of one firing, and what is corrected where', async () => {
    const other = firing(200);
    const screen = await open([ofLot(1), result(cup, other, { stars: 2, faults: [] })], { firing: of.id });
    expect(screen.all('h2')).toHaveLength(1);
    expect(screen.button('Correct Cup').getAttribute('href')).toBe(
      `/kiln/firings/${of.id}/opening?piece=${encodeURIComponent(`${lotId}:1`)}`.replace('%3A', ':'),
    );
    expect(screen.has('Show the whole wall')).toBe(true);
  });

  it('of hundreds the newest forty are drawn, and more when they are asked for', async () => {
    const screen = await open(Array.from({ length: 90 }, () => result(cup, of, { stars: 4, faults: [] })));
    expect(screen.all('h2')).toHaveLength(40);
    expect(screen.text).toContain('50 more are on the wall.');
    await screen.press('Show more');
    expect(screen.all('h2')).toHaveLength(80);
    await screen.press('Show more');
    expect(screen.all('h2')).toHaveLength(90);
    expect(screen.has('Show more')).toBe(false);
  });

  it('what was read at the opening and is on its way still hangs here as soon as the records have it', async () => {
    const records = new FakeRecords();
    records.openStudio();
    const outbox = TestBed.inject(Outbox);
    outbox.add({ stream: 'firing', streamId: of.id, event: { id: id(), at: of.body.startedAt, by: 'Maia', type: 'undone', eventId: id() } });
    const screen = await Screen.open(Wall, { firing: of.id });
    const sending = outbox.run$.subscribe();
    records.answer('/results', []);
    for (const request of records.http.match(({ method }) => method === 'GET')) request.flush([]);
    await settle();
    expect(screen.all('h2')).toHaveLength(0);
    const sent = records.http.expectOne(({ url }) => url.endsWith('/events'));
    const { events } = sent.request.body as { events: { event: { id: string } }[] };
    sent.flush({ acknowledged: events.map(({ event }) => event.id), refused: [] });
    await settle();
    await screen.settle();
    records.answer('/results', [ofLot(1)]);
    await screen.settle();
    expect(screen.all('h2')).toHaveLength(1);
    sending.unsubscribe();
  });

  it('an empty wall says what to do', async () => {
    const screen = await open([]);
    expect(screen.text).toContain('The wall is empty.');
  });
});
