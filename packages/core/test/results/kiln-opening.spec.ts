import fc from 'fast-check';
import { replayOpening, type OpeningEvent, type Verdict } from '../../src/index';

let counter = 0;
const head = (by: string, minute: number) => ({
  id: `e${String(++counter).padStart(4, '0')}`,
  at: new Date(Date.UTC(2026, 2, 10, 9, minute)).toISOString(),
  by,
});
const read = (by: string, minute: number, pieceIds: string[], verdict: Verdict): OpeningEvent => ({
  ...head(by, minute),
  type: 'piecesRead',
  pieceIds,
  verdict,
  coneReached: '6',
});

describe('tiles that come out of it', () => {
  const tile = (minute: number, said: Partial<Extract<OpeningEvent, { type: 'tileRead' }>>): OpeningEvent => ({
    ...head('Maia', minute),
    type: 'tileRead',
    tileId: 'T1',
    coneReached: '6',
    ...said,
  });

  it('of each strip the last word counts, whoever said it; the others stay', () => {
    const { tiles } = replayOpening([
      tile(0, { look: { stripId: 'a', verdict: 'thin' } }),
      tile(1, { look: { stripId: 'b', verdict: 'right' } }),
      tile(2, { look: { stripId: 'a', verdict: null } }),
    ]);
    expect([...tiles.get('T1')!.verdicts]).toEqual([
      ['a', null],
      ['b', 'right'],
    ]);
  });

  it('a run that was measured stays until another one, or none, is told; an undone word was never said', () => {
    const [first, second] = [tile(0, { runMm: 9 }), tile(1, { runMm: 12 })];
    expect(replayOpening([first, second]).tiles.get('T1')).toMatchObject({ runMm: 12, coneReached: '6' });
    expect(replayOpening([first, second, { ...head('Bruno', 2), type: 'undone', eventId: second.id }]).tiles.get('T1')!.runMm).toBe(9);
    expect(replayOpening([first, tile(2, { runMm: null })]).tiles.get('T1')!.runMm).toBeNull();
  });

  it('a word of a tile is the next to be taken back, and reads no piece', () => {
    const last = tile(5, { runMm: 3 });
    const standing = replayOpening([read('Maia', 0, ['cups:1'], { stars: 4 }), last]);
    expect(standing.lastUndoable?.id).toBe(last.id);
    expect([...standing.readings.keys()]).toEqual(['cups:1']);
  });
});

describe('a kiln is opened', () => {
  it('what is said of one thing leaves the other things as they were said', () => {
    const { readings } = replayOpening([
      read('Maia', 0, ['cups:1'], { stars: 4, foot: 'clean' }),
      read('Maia', 1, ['cups:1'], { faults: [{ fault: 'crazed', where: 'inside' }] }),
    ]);
    expect(readings.get('cups:1')!.verdict).toEqual({ stars: 4, foot: 'clean', faults: [{ fault: 'crazed', where: 'inside' }] });
  });

  it('all the same, except one', () => {
    const { readings } = replayOpening([
      read('Maia', 0, ['cups:1', 'cups:2', 'cups:3'], { stars: 5, faults: [] }),
      read('Maia', 1, ['cups:2'], { stars: 1, faults: [{ fault: 'cracked', where: 'rim', degree: 3 }] }),
    ]);
    expect([...readings.values()].map(({ verdict }) => verdict.stars)).toEqual([5, 1, 5]);
  });

  it('a foot that nobody looked at says nothing, also after somebody took it back', () => {
    const clean = read('Maia', 0, ['cups:1'], { foot: 'clean' });
    expect(replayOpening([clean, read('Maia', 1, ['cups:1'], { foot: null })]).readings.get('cups:1')!.verdict.foot).toBeUndefined();
    expect(replayOpening([read('Maia', 0, ['cups:1'], { stars: 3 })]).readings.get('cups:1')!.verdict.foot).toBeUndefined();
  });

  it('two who differ: the last word counts, the other is kept beside it; who agrees later is no other', () => {
    const events = [read('Maia', 0, ['cups:1'], { stars: 4 }), read('Bruno', 1, ['cups:1'], { stars: 2 })];
    expect(replayOpening(events).readings.get('cups:1')).toMatchObject({ verdict: { stars: 2 }, others: [{ by: 'Maia', stars: 4 }] });
    expect(replayOpening([...events, read('Maia', 2, ['cups:1'], { stars: 2 })]).readings.get('cups:1')!.others).toEqual([]);
  });

  it('what is taken back was never said; a piece of which nothing is left is not read', () => {
    const first = read('Maia', 0, ['cups:1'], { stars: 4 });
    const undone: OpeningEvent = { ...head('Maia', 1), type: 'undone', eventId: first.id };
    expect(replayOpening([first, undone]).readings.size).toBe(0);
    expect(replayOpening([first]).lastUndoable?.id).toBe(first.id);
  });

  it('a photo alone is no verdict; the same photo sent twice is one', () => {
    const photo: OpeningEvent = { ...head('Maia', 0), type: 'piecesPhotographed', pieceIds: ['cups:1'], photoId: 'p' };
    const reading = replayOpening([photo, { ...photo, id: 'again' }]).readings.get('cups:1')!;
    expect(reading.coneReached).toBeUndefined();
    expect(reading.photoIds).toEqual(['p']);
  });

  it('what else was noted of a firing is passed over', () => {
    expect(replayOpening([{ ...head('Maia', 0), type: 'kilnRead' }])).toEqual({ readings: new Map(), tiles: new Map() });
  });

  it('whatever the order in which tablets send it, everybody reads the same', () => {
    const event = fc.record({
      by: fc.constantFrom('Maia', 'Bruno'),
      minute: fc.integer({ min: 0, max: 40 }),
      pieces: fc.subarray(['cups:1', 'cups:2', 'pots:1'], { minLength: 1 }),
      stars: fc.integer({ min: 1, max: 5 }),
    });
    fc.assert(
      fc.property(fc.array(event, { maxLength: 12 }), fc.infiniteStream(fc.nat()), (told, random) => {
        const events = told.map(({ by, minute, pieces, stars }) => read(by, minute, pieces, { stars }));
        const shuffled = events.map((one) => ({ one, key: random.next().value })).sort((a, b) => a.key - b.key);
        const plain = (of: readonly OpeningEvent[]) => [...replayOpening(of).readings].sort(([a], [b]) => (a < b ? -1 : 1));
        expect(plain(shuffled.map(({ one }) => one))).toEqual(plain(events));
      }),
      { numRuns: 200 },
    );
  });
});
