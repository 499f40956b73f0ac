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
    expect(replayOpening([{ ...head('Maia', 0), type: 'kilnRead' }])).toEqual({ readings: new Map() });
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
