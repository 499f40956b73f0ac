import {
  clayGrams,
  dayStanding,
  kilnWarnings,
  loadPieces,
  lotFromItem,
  lotIdOf,
  PIECE_SHAPES,
  readyForKiln,
  replayLoad,
  type DayEvent,
  type DayItem,
  type LoadEvent,
  type LoadLot,
  type PiecePlan,
} from '../../src/index';
import { glazeOf } from '../glaze-facts';

const LOT: LoadLot = { id: 'cups', name: 'Cup', count: 3, footprint: { kind: 'circle', radiusMm: 40 }, heightMm: 90 };
const head = (id: string, minute: number, by = 'Maia') => ({ id, at: `2026-03-01T09:${String(minute).padStart(2, '0')}:00Z`, by });
const place = (pieceId: string, xMm = 0) => ({ pieceId, xMm, yMm: 0, isTurned: false });

describe('pieces of a load, as large as they stand', () => {
  it('a runner stands on its plate: wider, higher, further from others, and where it is cool', () => {
    const [piece] = loadPieces([{ ...LOT, setting: 'plate', reachChance: 0.2 }]);
    expect(piece).toMatchObject({ footprint: { radiusMm: 45 }, heightMm: 102, isRunner: true, wants: 'cool' });
    expect(loadPieces([{ ...LOT, reachChance: 0.01 }])[0]).not.toHaveProperty('isRunner');
  });

  it('a lid beside its pot takes room, on it it makes the pot higher and heavier', () => {
    const lids: LoadLot = { ...LOT, id: 'lids', name: 'Lid', count: 2, heightMm: 30, grams: 100, setting: 'onRim' };
    const pot = { ...LOT, grams: 300 };
    expect(loadPieces([pot, lids])).toHaveLength(5);
    const on = loadPieces([pot, { ...lids, onLotId: 'cups' }]);
    expect(on.map(({ heightMm }) => heightMm)).toEqual([115, 115, 90]);
    expect(on[0]!.grams).toBe(400);
    // Its pots were taken out of the load: the lids stand by themselves.
    expect(loadPieces([{ ...lids, onLotId: 'cups' }])).toHaveLength(2);
  });

  it('tiles are to be seen from the door', () => {
    expect(loadPieces([{ ...LOT, tileId: 't' }])[0]).toMatchObject({ isAtDoor: true });
    expect(lotIdOf(loadPieces([LOT])[2]!.id)).toBe('cups');
  });

  it('a cup of clay weighs what a potter would guess', () => {
    const shape = PIECE_SHAPES.find(({ id }) => id === 'cup')!;
    expect(clayGrams(shape)).toBeGreaterThan(150);
    expect(clayGrams(shape)).toBeLessThan(500);
  });
});

describe('two people load one kiln', () => {
  const added: LoadEvent = { ...head('1', 0), type: 'lotAdded', lot: LOT };
  const shelf: LoadEvent = { ...head('2', 1), type: 'shelfAdded', shelfId: 's' };

  it('both moves count; of one piece, the last one', () => {
    const { shelves } = replayLoad([
      added,
      shelf,
      { ...head('3', 2), type: 'pieceMoved', shelfId: 's', ...place('cups:1') },
      { ...head('5', 4, 'Bruno'), type: 'pieceMoved', shelfId: 's', ...place('cups:1', 120) },
      { ...head('4', 3, 'Bruno'), type: 'pieceMoved', shelfId: 's', ...place('cups:2', -90) },
    ]);
    expect(shelves[0]!.pieces).toEqual([place('cups:1', 120), place('cups:2', -90)]);
  });

  it('a piece put on a shelf that somebody took away meanwhile stands nowhere: it is not lost', () => {
    const { shelves, lots } = replayLoad([
      added,
      shelf,
      { ...head('3', 2), type: 'shelfRemoved', shelfId: 's' },
      { ...head('4', 3), type: 'pieceMoved', shelfId: 's', ...place('cups:1') },
    ]);
    expect(shelves).toEqual([]);
    expect(lots[0]!.count).toBe(3);
  });

  it('is taken back step by step, and what was dropped stands nowhere', () => {
    const events: LoadEvent[] = [
      added,
      { ...head('2', 1), type: 'placesSet', shelves: [{ id: 's', pieces: [place('cups:1'), place('cups:2', 90), place('cups:3', 180)] }] },
      { ...head('3', 2), type: 'lotChanged', lotId: 'cups', change: { count: 2 } },
      { ...head('4', 3), type: 'pieceTakenOut', pieceId: 'cups:1' },
    ];
    expect(replayLoad(events).shelves[0]!.pieces).toEqual([place('cups:2', 90)]);
    const undone = replayLoad([...events, { ...head('5', 4), type: 'undone', eventId: '4' }, { ...head('6', 5), type: 'undone', eventId: '3' }]);
    expect(undone.shelves[0]!.pieces).toHaveLength(3);
    expect(undone.lastUndoable!.id).toBe('2');
  });

  it('what wants a hot shelf is said of its lot, and taken back', () => {
    const hot: LoadEvent = { ...head('2', 1), type: 'lotChanged', lotId: 'cups', change: { wants: 'hot' } };
    expect(loadPieces(replayLoad([added, hot]).lots)[0]).toMatchObject({ wants: 'hot' });
    const any: LoadEvent = { ...head('3', 2), type: 'lotChanged', lotId: 'cups', change: { wants: null } };
    expect(replayLoad([added, hot, any]).lots[0]).not.toHaveProperty('wants');
  });

  it('lids go on their pots and off again, shelves change their order, and a firing closes it', () => {
    const events: LoadEvent[] = [
      added,
      { ...head('2', 1), type: 'lotAdded', lot: { ...LOT, id: 'lids' } },
      { ...head('3', 2), type: 'lotChanged', lotId: 'lids', change: { onLotId: 'cups' } },
      { ...head('4', 3), type: 'placesSet', shelves: ['a', 'b'].map((id) => ({ id, pieces: [] })) },
      { ...head('5', 4), type: 'shelvesOrdered', shelfIds: ['b', 'a'] },
      { ...head('6', 5), type: 'fired', firingId: 'f' },
    ];
    const standing = replayLoad(events);
    expect(standing.lots[1]!.onLotId).toBe('cups');
    expect(standing.shelves.map(({ id }) => id)).toEqual(['b', 'a']);
    expect(standing.firingId).toBe('f');
    const off = replayLoad([...events, { ...head('7', 6), type: 'lotChanged', lotId: 'lids', change: { onLotId: null } }]);
    expect(off.lots[1]).not.toHaveProperty('onLotId');
    expect(replayLoad([...events, { ...head('8', 7), type: 'lotRemoved', lotId: 'lids' }]).lots).toHaveLength(1);
  });
});

describe('from the day to the kiln', () => {
  const step = (id: string, kind: 'layer' | 'wax') => ({ id, itemId: 'i', kind, words: '', laborSeconds: 60, waitMinutes: 0 });
  const item: DayItem = {
    id: 'i',
    pieceId: 'p',
    name: 'Cup',
    count: 4,
    code: 'B',
    heightMm: 90,
    widthMm: 80,
    reachChance: 0.1,
    steps: [step('w', 'wax'), step('g', 'layer')],
  };
  const done = (stepId: string, minute: number): DayEvent => ({ ...head(stepId, minute), type: 'stepDone', stepId });
  const nowMs = Date.parse('2026-03-01T12:00:00Z');
  const ready = (events: DayEvent[], ms = nowMs) => readyForKiln(dayStanding({ items: [item], events }), 'i', ms);

  it('a lot comes along with its tag, size and risk', () => {
    expect(lotFromItem(item, { id: 'l', dayId: 'd' })).toMatchObject({
      id: 'l',
      itemId: 'i',
      code: 'B',
      count: 4,
      footprint: { radiusMm: 40 },
      reachChance: 0.1,
    });
    const { widthMm: _width, ...unknown } = item;
    expect(lotFromItem(unknown, { id: 'l', dayId: 'd' })).toBeUndefined();
  });

  it('a plan that wants a day of drying gets it', () => {
    const slow = { ...item, dryHours: 24 };
    const events = [done('w', 0), done('g', 40)];
    expect(readyForKiln(dayStanding({ items: [slow], events }), 'i', Date.parse('2026-03-01T22:00:00Z'))).toMatchObject({
      kind: 'drying',
      dryAt: '2026-03-02T09:40:00.000Z',
    });
  });

  it('it wants twelve hours from its last coat', () => {
    expect(ready([])).toEqual({ kind: 'notGlazed' });
    expect(ready([done('w', 0), done('g', 40)])).toEqual({ kind: 'drying', sinceAt: '2026-03-01T09:40:00.000Z', dryAt: '2026-03-01T21:40:00.000Z' });
    expect(ready([done('w', 0), done('g', 40)], Date.parse('2026-03-01T21:40:00Z'))).toMatchObject({ kind: 'dry' });
    expect(readyForKiln(dayStanding({ items: [], events: [] }), 'i', nowMs)).toEqual({ kind: 'unknown' });
    const skipped: DayEvent = { ...head('g', 5), type: 'stepSkipped', stepId: 'g' };
    expect(ready([done('w', 0), skipped])).toEqual({ kind: 'unknown' });
  });
});

describe('a piece at its place in the kiln', () => {
  const plan: PiecePlan = {
    shapeId: 'cazuela',
    zones: { inside: [], outside: [{ id: 'a', bucketId: 'Retama', method: 'dip', coatMm: 0.7 }], rim: [], foot: [] },
    waxFootMm: 3,
    rimBandMm: 0,
    order: [],
    putAside: [],
  };
  const shape = PIECE_SHAPES.find(({ id }) => id === 'cazuela')!;
  const question = {
    plan,
    shape,
    glazes: [glazeOf('Retama', { flow: { flow: 45, lnSd: 0.4, basis: 'pottersWord' } })],
    body: { name: 'Barro Claro', bisqueCone: '05', earthenware: false },
  };
  const reach = (celsius: number): number => kilnWarnings(question, celsius).find(({ rule }) => rule === 'M1' || rule === 'M4')?.badness ?? 0;

  it('runs further on the hot shelf than on the cool one', () => {
    expect(reach(12)).toBeGreaterThan(reach(-12));
  });

  it('a glazed foot sticks wherever it stands', () => {
    const glued = { ...question, plan: { ...plan, waxFootMm: 0 } };
    expect(kilnWarnings(glued, 0).map(({ rule }) => rule)).toContain('M5');
  });
});
