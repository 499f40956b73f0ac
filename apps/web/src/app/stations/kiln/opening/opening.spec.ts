import { TestBed } from '@angular/core/testing';
import type { Firing, FiringEvent, Kiln, Load, Piece, RunnerTile, StepTile } from '@cazuela/contract';
import type { LoadEvent, LoadLot } from '@cazuela/core';
import { PhotoQueue } from '../../../data/photos/photo-queue';
import { Outbox } from '../../../data/offline/outbox';
import { id } from '../../../../testing/made-up';
import { AT, FakeRecords } from '../../../../testing/records';
import { Screen } from '../../../../testing/screen';
import { OpeningPage } from './opening-page';

const hoursAgo = (hours: number): string => new Date(AT.getTime() - hours * 3_600_000).toISOString();
const KILN: Kiln = {
  id: id(),
  version: 1,
  body: {
    name: 'Grillo',
    chamber: { kind: 'rectangular', widthMm: 440, depthMm: 440, heightMm: 700 },
    shelves: ['Lowest', 'Top'].map((name, at) => ({ id: id(), name, heightMm: 40 + 300 * at })),
    postsMm: [],
    note: '',
  },
};
const PIECE: Piece = {
  id: id(),
  version: 1,
  body: {
    name: 'Cup',
    bodyId: id(),
    count: 4,
    plan: { shapeId: 'cup', zones: { inside: [], outside: [], rim: [], foot: [] }, waxFootMm: 8, rimBandMm: 10, order: [], putAside: [] },
  },
  createdAt: hoursAgo(200),
};
const LOT: LoadLot = {
  id: id(),
  dayId: id(),
  itemId: id(),
  pieceId: PIECE.id,
  name: 'Cup',
  code: 'B',
  count: 4,
  footprint: { kind: 'circle', radiusMm: 40 },
  heightMm: 90,
};
const [LOWER, UPPER] = [id(), id()];
const place = (at: number, xMm: number) => ({ pieceId: `${LOT.id}:${at}`, xMm, yMm: 0, isTurned: false });

describe('a kiln is opened, piece after piece', () => {
  let firing: Firing;
  let records: FakeRecords;
  const open = async ({
    litHoursAgo = 60,
    events = [] as FiringEvent[],
    hasLoad = true,
    tileLots = [] as LoadLot[],
    log = undefined as Firing['log'],
    more = {} as Record<string, unknown>,
  } = {}): Promise<Screen<OpeningPage>> => {
    records = new FakeRecords();
    records.openStudio();
    firing = {
      id: id(),
      version: 1,
      body: {
        kiln: 'Grillo',
        kilnId: KILN.id,
        startedAt: hoursAgo(litHoursAgo),
        wantedCone: '6',
        witnessCone: '6',
        points: [
          { hours: 0, celsius: 20 },
          { hours: 10, celsius: 1_210 },
          { hours: 30, celsius: 60 },
        ],
      },
      events,
      ...(log ? { log } : {}),
    };
    const told = [
      { type: 'lotAdded', lot: LOT },
      ...tileLots.map((lot) => ({ type: 'lotAdded', lot })),
      {
        type: 'placesSet',
        shelves: [
          { id: LOWER, pieces: [place(1, -100), place(2, 0)] },
          { id: UPPER, pieces: [place(3, 0), place(4, 100)] },
        ],
      },
      { type: 'fired', firingId: firing.id },
    ];
    const load: Load = {
      id: id(),
      version: 1,
      kilnId: KILN.id,
      events: told.map((event, at) => ({ ...event, id: id(), at: hoursAgo(70 - at), by: 'Inés' }) as LoadEvent),
      createdAt: hoursAgo(70),
    };
    const screen = await Screen.open(OpeningPage, { id: firing.id });
    const lists: Record<string, unknown> = {
      '/kilns': [KILN],
      '/loads': hasLoad ? [load] : [],
      '/pieces': [PIECE],
      '/firings': [firing],
      [`/firings/${firing.id}`]: firing,
      ...more,
    };
    for (const request of records.http.match(({ method }) => method === 'GET')) {
      request.flush((lists[request.request.url.replace(/^\/api\/studios\/[^/]+/, '')] ?? []) as object);
    }
    await screen.settle();
    return screen;
  };
  const said = (): FiringEvent[] => TestBed.inject(Outbox).localEvents('firing', firing.id);

  it('from the top shelf down, each tap kept at once, with the cone of its shelf', async () => {
    const screen = await open();
    expect(screen.text).toContain('0 of 4 read.');
    expect(screen.text).toContain('B3 Cup 3 of 4');
    await screen.press('4 stars');
    expect(said()).toEqual([expect.objectContaining({ type: 'piecesRead', pieceIds: [`${LOT.id}:3`], verdict: { stars: 4 } })]);
    expect(screen.text).toContain('1 of 4 read.');
    // It stays in sight until it is left.
    expect(screen.text).toContain('B3 Cup 3 of 4');
    await screen.press('Next: B4');
    expect(screen.text).toContain('B4 Cup 4 of 4');
  });

  describe('its tiles', () => {
    const lotOf = (tileId: string, code: string): LoadLot => ({
      id: tileId,
      tileId,
      name: 'Tile of Leche de Higo',
      code,
      count: 1,
      footprint: { kind: 'box', widthMm: 60, depthMm: 40 },
      heightMm: 95,
    });
    const strips = [0.4, 0.6].map((wantedMm) => ({ id: id(), wantedMm, depthMm: 40 }));
    const step: StepTile = {
      id: id(),
      version: 1,
      code: 'T4',
      createdAt: hoursAgo(90),
      body: {
        bucketId: id(),
        glazeId: id(),
        glazeName: 'Leche de Higo',
        bodyId: id(),
        by: 'Inés',
        method: 'inOneGo',
        highMm: 95,
        sg: 1.45,
        strips,
        notes: '',
      },
    };
    const runner: RunnerTile = {
      id: id(),
      version: 1,
      code: 'R2',
      createdAt: hoursAgo(90),
      body: { layers: [{ bucketId: id(), glazeId: id(), glazeName: 'Ceniza', coatMm: 0.5, meltsTo: 0.5 }], bandMm: 30, by: 'Inés', notes: '' },
    };
    const withTiles = () => open({ tileLots: [lotOf(step.id, 'T4'), lotOf(runner.id, 'R2')], more: { '/tiles': [step], '/runner-tiles': [runner] } });

    it('a step tile is read strip by strip, a tap each, with the cone of this firing; a second tap takes it back', async () => {
      const screen = await withTiles();
      const right = (): HTMLElement => screen.all('li[aria-label="Strip 2, 0.60 mm"] button').find((one) => one.textContent.trim() === 'right')!;
      right().click();
      await screen.settle();
      const stripId = strips[1]!.id;
      expect(said().at(-1)).toMatchObject({ type: 'tileRead', tileId: step.id, look: { stripId, verdict: 'right' }, coneReached: '6' });
      expect(right().getAttribute('aria-pressed')).toBe('true');
      right().click();
      await screen.settle();
      expect(said().at(-1)).toMatchObject({ look: { stripId, verdict: null } });
      expect(right().getAttribute('aria-pressed')).toBe('false');
    });

    it('a runner tile is measured where it comes out', async () => {
      const screen = await withTiles();
      await screen.type('It ran, R2', '12');
      await screen.press('Keep it');
      expect(said().at(-1)).toMatchObject({ type: 'tileRead', tileId: runner.id, runMm: 12, coneReached: '6' });
      expect(screen.button('Kept')).toBeDefined();
    });
  });

  it('by keys: stars, a fault, a clean foot, the next one, and back', async () => {
    const screen = await open();
    await screen.key('ArrowRight');
    await screen.key('ArrowRight');
    await screen.key('x');
    await screen.key('f');
    expect(said().map((event) => event.type === 'piecesRead' && event.verdict)).toEqual([
      { stars: 3 },
      { stars: 4 },
      { faults: [{ fault: 'cracked', where: 'outside' }] },
      { foot: 'clean' },
    ]);
    expect(screen.text).toContain('keep it from the oven');
    await screen.key('u');
    expect(said().at(-1)!.type).toBe('undone');
    expect(screen.button('clean').getAttribute('aria-pressed')).toBe('false');
  });

  it('all of the lot alike, except one: one event for each cone that they saw', async () => {
    const screen = await open();
    await screen.press('5 stars');
    await screen.press('none n');
    await screen.press('All 4 came out like this');
    expect(screen.text).toContain('4 of 4 read. All of it is on the wall.');
    expect(screen.has(/^Next/)).toBe(false);
    await screen.press('B1, 5 stars');
    await screen.press('crawled c');
    await screen.press('crawled rim');
    await screen.press('crawled spoils it');
    expect(said().at(-1)).toMatchObject({ pieceIds: [`${LOT.id}:1`], verdict: { faults: [{ fault: 'crawled', where: 'rim', degree: 3 }] } });
    expect(screen.has('B1, 5 stars; crawled (rim, spoils it)')).toBe(true);
    expect(screen.has('B2, 5 stars')).toBe(true);
  });

  it('a note that is typed is kept when another piece is looked at', async () => {
    const screen = await open();
    await screen.type('What it looks like', 'broke to amber at the rim');
    expect(said()).toHaveLength(0);
    await screen.press('Next: B4');
    expect(said()).toMatchObject([{ pieceIds: [`${LOT.id}:3`], verdict: { note: 'broke to amber at the rim' } }]);
    // What was said of one is suggested for the next.
    await screen.press('broke to amber at the rim');
    expect(said().at(-1)).toMatchObject({ pieceIds: [`${LOT.id}:4`], verdict: { note: 'broke to amber at the rim' } });
  });

  it('how far it ran by keys on the drawn edge', async () => {
    const screen = await open();
    const edge = screen.all('[role="slider"]')[0]!;
    edge.dispatchEvent(new KeyboardEvent('keydown', { key: 'PageDown', bubbles: true }));
    await screen.settle();
    edge.dispatchEvent(new KeyboardEvent('keydown', { key: 'ArrowDown', bubbles: true }));
    await screen.settle();
    expect(said().at(-1)).toMatchObject({ verdict: { ranMm: 6 } });
    expect(edge.getAttribute('aria-valuetext')).toBe('6 mm');
  });

  it('what somebody else gave it is told', async () => {
    const event = (by: string, stars: number, hours: number): FiringEvent => ({
      id: id(),
      at: hoursAgo(hours),
      by,
      type: 'piecesRead',
      pieceIds: [`${LOT.id}:3`],
      verdict: { stars },
      coneReached: '6',
    });
    const screen = await open({ events: [event('Maia', 4, 2), event('Bruno', 2, 1)] });
    await screen.press('B3, 2 stars');
    expect(screen.text).toContain('Maia gave it 4; the last word, 2, counts.');
  });

  it('by the code on its foot; a code nobody has is told', async () => {
    const screen = await open();
    await screen.type('Code on it', 'b2');
    await screen.press('Find it');
    expect(screen.text).toContain('B2 Cup 2 of 4');
    await screen.type('Code on it', 'Z9');
    await screen.press('Find it');
    expect(screen.text).toContain('No piece in this kiln is called Z9.');
  });

  it('a kiln that is hot is not read: it says how hot and until when, and takes what its display shows', async () => {
    const screen = await open({ litHoursAgo: 20 });
    expect(screen.text).toContain('It is not cool yet');
    expect(screen.text).toMatch(/it is at 6\d\d °C and may be opened at/);
    expect(screen.has('4 stars')).toBe(false);
    await screen.type('Its display shows', '71');
    await screen.press('Note it');
    expect(said()).toMatchObject([{ type: 'kilnRead', celsius: 71 }]);
    expect(screen.text).not.toContain('It is not cool yet');
    expect(screen.text).toContain('0 of 4 read.');
  });

  it('a display that shows what the log beside it rules out is not noted, and the words say why', async () => {
    const began = hoursAgo(20);
    const points = [
      { hours: 0, celsius: 20 },
      { hours: 10, celsius: 1_210 },
      { hours: 19.9, celsius: 640 },
    ];
    const log: Firing['log'] = {
      source: 'controller',
      beganAt: began,
      endedAt: null,
      readings: 3,
      dropped: 0,
      points,
      last: null,
      fullPowerHours: 0,
    };
    const screen = await open({ litHoursAgo: 20, log });
    await screen.type('Its display shows', '71');
    await screen.press('Note it');
    expect(said()).toEqual([]);
    expect(screen.text).toMatch(/Its log read 640 °C within 6 min of that, and no kiln gets to 71 °C so fast\./);
    expect(screen.field('Its display shows').value).toBe('71');
    await screen.type('Its display shows', '632');
    await screen.press('Note it');
    expect(said()).toMatchObject([{ type: 'kilnRead', celsius: 632 }]);
    expect(screen.text).toMatch(/It is not cool yet.*it is at 63\d °C/);
  });

  it('a firing without a load and without lots says what to do', async () => {
    const screen = await open({ hasLoad: false });
    expect(screen.text).toContain('No load was noted with this firing');
    expect(screen.has('Note a piece by hand')).toBe(true);
  });

  it('a file that is no photo is refused in words, and nothing travels', async () => {
    const screen = await open();
    const box = screen.field('Photos of this piece');
    Object.defineProperty(box, 'files', { value: [new File(['not a picture'], 'note.txt')], configurable: true });
    box.dispatchEvent(new Event('change', { bubbles: true }));
    await screen.settle();
    await screen.settle();
    expect(screen.text).toContain('This file is not a photo');
    expect(TestBed.inject(PhotoQueue).waiting()).toEqual([]);
  });
});
