import { dryTaps, waitsOfDays, withLearntWaits, type DayEvent, type DayItem, type DayOfWaits } from '../../src/index';

const TEN = Date.parse('2026-03-02T10:00:00.000Z');
const at = (minutes: number): string => new Date(TEN + minutes * 60_000).toISOString();
const cups = (id: string): DayItem => ({
  id,
  pieceId: 'cup',
  name: 'Cup',
  count: 4,
  clayBodyId: 'claro',
  steps: [
    { id: `${id}0`, itemId: id, kind: 'layer', method: 'dip', words: 'Dip', bucketId: 'tinaja', laborSeconds: 25, waitMinutes: 8 },
    { id: `${id}1`, itemId: id, kind: 'wipeFoot', words: 'Wipe', laborSeconds: 30, waitMinutes: 0 },
  ],
});
let count = 0;
const head = (minutes: number) => ({ id: `e${++count}`, at: at(minutes), by: 'Maia' });
const dipped = (id: string): DayEvent => ({ ...head(0), type: 'stepDone', stepId: `${id}0` });
const dry = (id: string, minutes: number): DayEvent => ({ ...head(minutes), type: 'feltDry', stepId: `${id}0` });
const wet = (id: string, minutes: number): DayEvent => ({ ...head(minutes), type: 'notDryYet', stepId: `${id}0`, minutes: 10 });
const day = (date: string, ...events: DayEvent[]): DayOfWaits => ({ date, items: [cups('a'), cups('b')], events });

describe('waits are learnt from thumbs', () => {
  it('“not dry yet” and then “dry” is an interval; either end may be missing', () => {
    expect(dryTaps([day('2026-03-02', dipped('a'), wet('a', 9), dry('a', 14), dipped('b'), dry('b', 6))])).toEqual([
      { glaze: 'tinaja', body: 'claro', day: '2026-03-02', guessMinutes: 8, afterMinutes: 9, byMinutes: 14 },
      { glaze: 'tinaja', body: 'claro', day: '2026-03-02', guessMinutes: 8, byMinutes: 6 },
    ]);
    expect(dryTaps([day('2026-03-02', dipped('a'), wet('a', 9))])).toMatchObject([{ afterMinutes: 9 }]);
  });

  it('a tap on what is not done, or that was taken back, says nothing', () => {
    const back: DayEvent = { ...head(9), type: 'undone', eventId: `e${count}` };
    expect(dryTaps([day('2026-03-02', dry('a', 5))])).toEqual([]);
    const felt = dry('a', 5);
    expect(dryTaps([day('2026-03-02', dipped('a'), felt, { ...back, eventId: felt.id })])).toEqual([]);
  });

  it('over night nobody feels when it was dry', () => {
    const slow = day('2026-03-02', dipped('a'), dry('a', 800));
    slow.items[0]!.steps[0]!.waitMinutes = 720;
    expect(dryTaps([slow])).toEqual([]);
  });

  it('without taps the guess stays; a glaze found wet again and again waits longer, on this body and the next day', () => {
    expect(withLearntWaits([cups('a')], waitsOfDays([]), '2026-03-09')[0]!.steps[0]!.waitMinutes).toBe(8);
    const slow = Array.from({ length: 8 }, (_, n) => day(`2026-03-0${n + 1}`, dipped('a'), wet('a', 14), dry('a', 20)));
    const waits = withLearntWaits([cups('a')], waitsOfDays(slow), '2026-03-09')[0]!.steps.map(({ waitMinutes }) => waitMinutes);
    expect(waits[0]).toBeGreaterThan(13);
    expect(waits[0]).toBeLessThan(20);
    expect(waits[1]).toBe(0);
  });
});
