import { laborOfDays, withLearntLabor, type DayEvent, type DayItem } from '../../src/index';

const TEN = Date.parse('2026-03-02T10:00:00.000Z');
const lot = (n: number): DayItem => ({
  id: `lot${n}`,
  pieceId: 'cup',
  name: 'Cup',
  count: 10,
  steps: [{ id: `s${n}`, itemId: `lot${n}`, kind: 'wax', words: 'Wax', laborSeconds: 60, waitMinutes: 20 }],
});
/** Ten cups a lot, guessed ten minutes: ticked one after the other, each so many minutes after the one before. */
const waxed = (...minutes: number[]) => {
  let at = 0;
  const events = minutes.map((each, n): DayEvent => {
    at += each;
    return { id: `e${n}`, at: new Date(TEN + at * 60_000).toISOString(), by: 'Maia', type: 'stepDone', stepId: `s${n}` };
  });
  return [{ date: '2026-03-02', items: minutes.map((_, n) => lot(n)), events }];
};

describe('labor is learnt from ticks', () => {
  it('from one tick of a person to the next; nobody knows how long the first one took', () => {
    expect(laborOfDays(waxed(12)).get('wax')).toBeUndefined();
    const { factor, spells } = laborOfDays(waxed(0, 15, 15, 15, 15, 15, 15)).get('wax')!;
    expect(spells).toBe(6);
    expect(factor).toBeGreaterThan(1.3);
    expect(factor).toBeLessThan(1.5);
  });

  it('a spell with a telephone in it is left out, and so is a tick made afterwards', () => {
    const plain = laborOfDays(waxed(0, 10, 10, 10, 10)).get('wax')!;
    expect(plain.factor).toBeCloseTo(1, 6);
    expect(laborOfDays(waxed(0, 10, 10, 95, 10, 0.2, 10)).get('wax')).toMatchObject({ factor: expect.closeTo(1, 6), spells: 4 });
  });

  it('only that kind of work changes', () => {
    const known = laborOfDays(waxed(0, 20, 20, 20, 20, 20));
    const cup = lot(1);
    cup.steps.push({ id: 'w', itemId: 'lot1', kind: 'wipeFoot', words: 'Wipe', laborSeconds: 30, waitMinutes: 0 });
    const [wax, wipe] = withLearntLabor([cup], known)[0]!.steps;
    expect(wax!.laborSeconds).toBeGreaterThan(90);
    expect(wipe!.laborSeconds).toBe(30);
  });
});
