import type { Day, Kiln, Load } from '@cazuela/contract';
import type { LoadEvent, LoadLot } from '@cazuela/core';
import { Outbox } from '../../../data/offline/outbox';
import { AT, FakeRecords } from '../../../../testing/records';
import { id } from '../../../../testing/made-up';
import { Screen } from '../../../../testing/screen';
import { LoadPage } from './load-page';
import { TestBed } from '@angular/core/testing';

const KILN: Kiln = {
  id: id(),
  version: 1,
  body: {
    name: 'Abuela',
    chamber: { kind: 'rectangular', widthMm: 440, depthMm: 440, heightMm: 700 },
    shelves: ['Lowest', 'Middle', 'Top'].map((name, at) => ({ id: id(), name, heightMm: 40 + 200 * at })),
    postsMm: [],
    note: '',
  },
};
const ITEM_ID = id();
const DAY_ID = id();
const STEP_ID = id();
const hoursAgo = (hours: number): string => new Date(AT.getTime() - hours * 3_600_000).toISOString();

/** A day on which four cups were dipped so many hours ago; never where left out. */
const dayOf = (dippedHoursAgo?: number): Day => ({
  id: DAY_ID,
  version: 1,
  date: '2026-03-09',
  items: [
    {
      id: ITEM_ID,
      pieceId: id(),
      name: 'Cup',
      code: 'B',
      count: 4,
      heightMm: 90,
      widthMm: 80,
      grams: 260,
      steps: [{ id: STEP_ID, itemId: ITEM_ID, kind: 'layer', words: 'Dip', laborSeconds: 30, waitMinutes: 0 }],
    },
  ],
  planning: { people: [], pins: [], order: [] },
  events: dippedHoursAgo === undefined ? [] : [{ id: id(), at: hoursAgo(dippedHoursAgo), by: 'Inés', type: 'stepDone', stepId: STEP_ID }],
  createdAt: hoursAgo(40),
});
const CUPS: LoadLot = {
  id: ITEM_ID,
  dayId: DAY_ID,
  itemId: ITEM_ID,
  name: 'Cup',
  code: 'B',
  count: 4,
  footprint: { kind: 'circle', radiusMm: 40 },
  heightMm: 90,
  grams: 260,
};
const SHELF_ID = id();
const place = (at: number, xMm: number) => ({ pieceId: `${ITEM_ID}:${at}`, xMm, yMm: 0, isTurned: false });
type Told = LoadEvent extends infer Each ? (Each extends LoadEvent ? Omit<Each, 'id' | 'at' | 'by'> : never) : never;
const loadOf = (...events: Told[]): Load => ({
  id: id(),
  version: 1,
  kilnId: KILN.id,
  events: events.map((event, at) => ({ ...event, id: id(), at: hoursAgo(1 - at / 100), by: 'Inés' }) as LoadEvent),
  createdAt: hoursAgo(1),
});

describe('a load of a kiln', () => {
  let records: FakeRecords;
  let loadId: string;
  const open = async (load: Load, { day = dayOf(30), kiln = KILN }: { day?: Day; kiln?: Kiln } = {}): Promise<Screen<LoadPage>> => {
    records = new FakeRecords();
    loadId = load.id;
    records.openStudio();
    const screen = await Screen.open(LoadPage, { id: load.id });
    const lists: Record<string, unknown[]> = { '/kilns': [kiln], '/days': [day], '/loads': [load] };
    for (const request of records.http.match(({ method }) => method === 'GET')) {
      const path = request.request.url.replace(/^\/api\/studios\/[^/]+/, '');
      request.flush(lists[path] ?? []);
    }
    await screen.settle();
    return screen;
  };
  /** What was noted here, oldest first. */
  const kept = (): LoadEvent[] => TestBed.inject(Outbox).localEvents('load', loadId);

  it('what is glazed is put in with one tap, and stands where it was worked out to stand', async () => {
    const screen = await open(loadOf());
    expect(screen.text).toContain('What is to be fired?');
    await screen.press('Put Cup in');
    expect(kept().map(({ type }) => type)).toEqual(['lotAdded', 'placesSet']);
    expect(screen.text).toContain('4 pieces on 1 shelf, about 1.0 kg of clay.');
    expect(screen.all('[data-piece]')).toHaveLength(4);
  });

  it('damp pots wait: said at the piece and for the whole load, until somebody says that they are dry', async () => {
    const load = loadOf({ type: 'lotAdded', lot: CUPS }, { type: 'placesSet', shelves: [{ id: SHELF_ID, pieces: [place(1, 0)] }] });
    const screen = await open(load, { day: dayOf(3) });
    expect(screen.text).toContain('something is still damp');
    screen.all<HTMLElement>('[data-piece]')[0]!.dispatchEvent(new Event('focus'));
    await screen.settle();
    expect(screen.text).toMatch(/wants 12 h: not before .* Damp pots burst/);
    await screen.press('It is dry through');
    expect(kept()[0]).toMatchObject({ type: 'lotChanged', change: { isDry: true } });
    expect(screen.text).not.toContain('something is still damp');
  });

  it('a piece is moved by the arrow keys, and what comes too near is told', async () => {
    const load = loadOf({ type: 'lotAdded', lot: CUPS }, { type: 'placesSet', shelves: [{ id: SHELF_ID, pieces: [place(1, -45), place(2, 45)] }] });
    const screen = await open(load);
    expect(screen.text).not.toContain('apart and want');
    const piece = (): HTMLElement => screen.all<HTMLElement>('[data-piece]').find((one) => one.dataset['piece'] === `${ITEM_ID}:1`)!;
    piece().dispatchEvent(new KeyboardEvent('keydown', { key: 'ArrowRight', bubbles: true }));
    await screen.settle();
    piece().dispatchEvent(new KeyboardEvent('keydown', { key: 'ArrowRight', shiftKey: true, bubbles: true }));
    await screen.settle();
    expect(kept().map((event) => 'xMm' in event && event.xMm)).toEqual([-40, -39]);
    expect(screen.text).toContain('B1 and B2 are 4 mm apart and want 5 mm.');
    await screen.press('Take the last one back');
    expect(kept().at(-1)).toMatchObject({ type: 'undone' });
    piece().dispatchEvent(new KeyboardEvent('keydown', { key: 'Delete', bubbles: true }));
    await screen.settle();
    expect(screen.text).toContain('3 stand on none.');
  });

  it('what has no place is put onto a shelf, or all of it is', async () => {
    const load = loadOf({ type: 'lotAdded', lot: CUPS }, { type: 'placesSet', shelves: [{ id: SHELF_ID, pieces: [place(1, 0)] }] });
    const screen = await open(load);
    await screen.press(/^B: 3 of 4 × Cup/);
    await screen.press(/^To Shelf 1/);
    expect(kept()[0]).toMatchObject({ type: 'pieceMoved', shelfId: SHELF_ID, pieceId: `${ITEM_ID}:2` });
    await screen.press('Find places for them');
    expect(screen.text).toContain('4 pieces on 1 shelf');
    // What stood stands as it did.
    const set = kept().at(-1)!;
    expect(set.type === 'placesSet' && set.shelves[0]!.pieces).toContainEqual(place(1, 0));
  });

  it('pieces that were dropped on the day are taken off with one tap', async () => {
    const day = dayOf(30);
    day.events.push({ id: id(), at: hoursAgo(29), by: 'Inés', type: 'piecesOff', itemId: ITEM_ID, count: 1, why: 'dropped' });
    const screen = await open(loadOf({ type: 'lotAdded', lot: CUPS }, { type: 'placesSet', shelves: [{ id: SHELF_ID, pieces: [place(1, 0)] }] }), {
      day,
    });
    await screen.press(/^B: 4 × Cup/);
    expect(screen.text).toContain('3 are left on the day, 4 are on the load.');
    await screen.press('Take 1 off');
    expect(kept()[0]).toMatchObject({ type: 'lotChanged', change: { count: 3 } });
  });

  it('a kiln without shelves asks for them; a load that was fired is only looked at', async () => {
    const bare = await open(loadOf(), { kiln: { ...KILN, body: { ...KILN.body, shelves: [] } } });
    expect(bare.text).toContain('says nothing of its shelves yet');
    const fired = await open(
      loadOf(
        { type: 'lotAdded', lot: CUPS },
        { type: 'placesSet', shelves: [{ id: SHELF_ID, pieces: [place(1, 0)] }] },
        { type: 'fired', firingId: id() },
      ),
    );
    expect(fired.text).toContain('It was fired.');
    expect(fired.has('Find all places anew')).toBe(false);
    fired.all<HTMLElement>('[data-piece]')[0]!.dispatchEvent(new KeyboardEvent('keydown', { key: 'ArrowRight', bubbles: true }));
    expect(kept()).toEqual([]);
  });
});
