import { TestBed } from '@angular/core/testing';
import type { Result } from '@cazuela/contract';
import { bucket, CLAY, firing, id, piece, result, summaryOf } from '../../../testing/made-up';
import { FakeRecords } from '../../../testing/records';
import { Screen } from '../../../testing/screen';
import { LinerCaution } from '../../parts/liner-caution';
import { ComparePage } from './compare-page';

const WHITE = bucket();
const of = firing(60);
const cup = piece({ zones: { inside: [], outside: [{ id: id(), bucketId: WHITE.id, method: 'dip', coatMm: 0.6 }], rim: [], foot: [] } });
const fired = (change: Partial<Result['body']>, coatMm = 0.6): Result => ({
  ...result(cup, of, { faults: [], photoId: id(), ...change }),
  glazedWith: [
    { words: 'Dip', bucketId: WHITE.id, bucketName: 'White', bucketCode: 'B1', sg: 1.45, coatMm, seconds: 2, doneAt: '2026-03-08T10:00:00.000Z' },
  ],
});
const [RIGHT, HOT, THICK] = [
  fired({ stars: 5, note: 'soft' }),
  fired({ stars: 3, coneReached: '7', note: 'glassy' }),
  fired({ stars: 2, faults: [{ fault: 'crawled', where: 'rim' }] }, 1.1),
];

function answer(records: FakeRecords): void {
  const lists: Record<string, unknown[]> = {
    '/buckets': [summaryOf(WHITE)],
    '/pieces': [cup],
    '/bodies': [CLAY],
    '/firings': [of],
    '/results': [RIGHT, HOT, THICK],
  };
  for (const request of records.http.match(({ method }) => method === 'GET'))
    request.flush(lists[request.request.url.replace(/^\/api\/studios\/[^/]+/, '')] ?? []);
}

describe('side by side', () => {
  const open = async (ids: readonly Result[]): Promise<Screen<ComparePage>> => {
    const records = new FakeRecords();
    records.openStudio();
    const screen = await Screen.open(ComparePage, { of: ids.map((one) => one.id).join(',') });
    answer(records);
    await screen.settle();
    return screen;
  };
  const rows = (screen: Screen<ComparePage>): string[] =>
    screen.all<HTMLTableRowElement>('tr').map((row) => [...row.cells].map((cell) => cell.textContent.trim()).join(' | '));

  it('the table shows only what differs', async () => {
    const screen = await open([RIGHT, THICK]);
    expect(rows(screen)).toEqual([
      'White | 0.60 mm, SG 1.45, 2.0 s | 1.10 mm, SG 1.45, 2.0 s',
      'Faults | – | crawled (rim)',
      'Looks | soft | just as drawn',
    ]);
  });

  it('ready sets: thin to thick, cone to cone', async () => {
    const screen = await open([RIGHT]);
    expect(screen.text).toContain('Choose another one, or a ready set');
    await screen.press('Cone to cone (2)');
    expect(rows(screen).some((row) => row.startsWith('Cone | cone 6 | cone 7'))).toBe(true);
    await screen.press('Thin to thick (2)');
    expect(screen.all('figure')).toHaveLength(2);
    await screen.press(/^Take .* away$/);
    expect(screen.all('figure')).toHaveLength(1);
  });

  it('photos are turned and enlarged together', async () => {
    const screen = await open([RIGHT, HOT]);
    await screen.press('Turn all');
    const transforms = screen.all<HTMLImageElement>('img').map(({ style }) => style.transform);
    expect(new Set(transforms).size).toBe(1);
    expect(transforms[0]).toContain('rotate(90deg)');
    await screen.press('As they were');
    expect(screen.all<HTMLImageElement>('img')[0]!.style.transform).toContain('rotate(0deg)');
  });

  it('nothing chosen leads to the wall', async () => {
    expect((await open([])).text).toContain('Choose a result on the wall');
  });
});

describe('the caution about food, where a result is read', () => {
  it('a liner that nobody had tested says so, and nothing ever says that it is safe', async () => {
    const records = new FakeRecords();
    records.openStudio();
    const lined = piece({ zones: { inside: [{ id: id(), bucketId: WHITE.id, method: 'pour', coatMm: 0.6 }], outside: [], rim: [], foot: [] } });
    const screen = await Screen.open(LinerCaution, { pieceId: lined.id });
    const lists: Record<string, unknown[]> = { '/buckets': [summaryOf(WHITE)], '/pieces': [lined], '/bodies': [CLAY] };
    for (const request of records.http.match(({ method }) => method === 'GET'))
      request.flush(lists[request.request.url.replace(/^\/api\/studios\/[^/]+/, '')] ?? []);
    await screen.settle();
    expect(screen.text).toMatch(/inside: not for food until a laboratory has leach-tested it/);
    expect(screen.text).not.toMatch(/food[- ]safe|safe for food/);
    TestBed.resetTestingModule();
  });
});
