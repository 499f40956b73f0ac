import fc from 'fast-check';
import { attempt, shortestDay, type DayGroup, type PlannedTask, type ShortestDayQuestion } from '../../src/index';

const step = (laborSeconds: number, waitMinutes: number, bucket?: string) => ({ laborSeconds, waitMinutes, ...(bucket ? { bucket } : {}) });
const day = (people: number, ...items: DayGroup[]): ShortestDayQuestion & { people: number } => ({ people, bucketChangeMinutes: 5, items });

/** Looks at every order and every person, and nothing else: nothing to get wrong. */
function byLookingAtEveryOrder({ people, bucketChangeMinutes, items }: ShortestDayQuestion & { people: number }): number {
  const [next, ready] = [items.map(() => 0), items.map(() => 0)];
  const [free, last] = [Array<number>(people).fill(0), Array<string>(people).fill('')];
  const [bucketFree, holder]: [Record<string, number>, Record<string, number>] = [{}, {}];
  const open = items.reduce((sum, { steps }) => sum + steps.length, 0);
  let best = Infinity;
  const goOn = (left: number, finish: number): void => {
    if (finish >= best) return;
    if (left === 0) best = finish;
    for (const [at, { count, steps }] of items.entries()) {
      const one = steps[next[at]!];
      if (!one) continue;
      const { bucket = '' } = one;
      for (let person = 0; person < people; person++) {
        const inHand = bucket !== '' && last[person] === bucket && holder[bucket] === person;
        const fetch = bucket === '' || inHand ? 0 : bucketChangeMinutes;
        const start = Math.max(ready[at]!, free[person]! + fetch, bucket === '' ? 0 : (bucketFree[bucket] ?? 0) + fetch);
        const [each, after] = [one.laborSeconds / 60, (steps[next[at]! + 1]?.laborSeconds ?? 0) / 60];
        const before = [ready[at]!, free[person]!, last[person]!, bucketFree[bucket], holder[bucket]] as const;
        next[at]! += 1;
        ready[at] = start + Math.max(each + one.waitMinutes, count * each + one.waitMinutes - (count - 1) * after);
        free[person] = start + count * each;
        if (bucket !== '') [last[person], bucketFree[bucket], holder[bucket]] = [bucket, start + count * each, person];
        goOn(left - 1, Math.max(finish, start + count * each));
        next[at]! -= 1;
        [ready[at], free[person], last[person]] = [before[0], before[1], before[2]];
        if (bucket !== '') [bucketFree[bucket], holder[bucket]] = [before[3] ?? 0, before[4] ?? -1];
      }
    }
  };
  goOn(open, 0);
  return best;
}

/** What a day must never ask for. */
function faultsOf(items: readonly DayGroup[], tasks: readonly PlannedTask[]): string[] {
  const faults: string[] = [];
  const bucketOf = ({ group: of, step: at }: PlannedTask) => items[of]!.steps[at]!.bucket;
  for (const [at, one] of tasks.entries())
    for (const other of tasks.slice(at + 1)) {
      if (other.fetchFromMinutes >= one.endMinutes - 1e-6) continue;
      if (one.person === other.person) faults.push(`person ${one.person} is in two places`);
      if (bucketOf(one) !== undefined && bucketOf(one) === bucketOf(other)) faults.push(`bucket ${bucketOf(one)} is in two places`);
    }
  for (const [of, { count, steps }] of items.entries())
    for (let at = 1; at < steps.length; at++) {
      const [before, now] = [at - 1, at].map((index) => tasks.find((task) => task.group === of && task.step === index)!);
      const [each, next] = [steps[at - 1]!.laborSeconds / 60, steps[at]!.laborSeconds / 60];
      for (const piece of [0, count - 1])
        if (now!.startMinutes + piece * next < before!.startMinutes + (piece + 1) * each + steps[at - 1]!.waitMinutes - 1e-6)
          faults.push(`piece ${piece + 1} of group ${of} is touched before it is dry`);
    }
  return faults;
}

const groupStep = fc.record({
  laborSeconds: fc.constantFrom(25, 40, 60, 150),
  waitMinutes: fc.constantFrom(0, 4, 8, 20, 45),
  bucket: fc.option(fc.constantFrom('A', 'B', 'C'), { nil: undefined }),
});
const group = (mostSteps: number) =>
  fc.record({ count: fc.constantFrom(1, 2, 4, 12, 20), steps: fc.array(groupStep, { minLength: 1, maxLength: mostSteps }) });

describe('the shortest glazing day', () => {
  it('one group: its labor, its waits, its bucket fetched once', () => {
    const mugs = { count: 12, steps: [step(60, 0, 'A'), step(60, 0, 'A')] };
    expect(shortestDay(day(1, mugs))).toMatchObject({ finishMinutes: 29, isProven: true, boundMinutes: 29 });
  });

  it('nobody waits for glaze to dry: other pieces are done meanwhile', () => {
    const [mugs, bowls] = [
      { count: 12, steps: [step(25, 20, 'A'), step(25, 0, 'B')] },
      { count: 10, steps: [step(60, 0, 'C')] },
    ];
    const { finishMinutes, tasks } = shortestDay(day(1, mugs, bowls));
    // 5 + 5 of mugs, 5 + 10 of bowls, 5 + 5 of mugs again.
    expect(finishMinutes).toBeCloseTo(35, 6);
    expect(tasks.map(({ group: of }) => of)).toEqual([0, 1, 0]);
  });

  it('when the next step is the faster one, it is the last piece that must be dry', () => {
    // The last of 12 is dipped at 12 min and dry at 20; the others are wiped in half a minute each before it.
    const { tasks } = shortestDay(day(1, { count: 12, steps: [step(60, 8), step(30, 0)] }));
    expect(tasks[1]!.startMinutes).toBeCloseTo(20 - 11 * 0.5, 9);
  });

  it('a second pair of hands helps, but a bucket is with one person', () => {
    const same = [
      { count: 10, steps: [step(60, 0, 'A')] },
      { count: 10, steps: [step(60, 0, 'A')] },
    ];
    const other = [same[0]!, { count: 10, steps: [step(60, 0, 'B')] }];
    expect(shortestDay(day(2, ...same)).finishMinutes).toBeCloseTo(25, 6);
    expect(shortestDay(day(2, ...other)).finishMinutes).toBeCloseTo(15, 6);
  });

  it('nothing to do ends at once; nobody there, or half a person, is refused', () => {
    expect(shortestDay(day(1))).toEqual({ finishMinutes: 0, boundMinutes: 0, isProven: true, tasks: [] });
    for (const people of [0, 1.5, Number.NaN]) expect(attempt(() => shortestDay(day(people))).kind).toBe('refused');
    expect(() => shortestDay(day(1, { count: 2, steps: [step(Number.NaN, 0)] }))).toThrow('A time of the day is a number');
  });

  it('is as short as looking at every order finds, on 500 days of up to eight steps', () => {
    const small = fc
      .record({ people: fc.constantFrom(1, 2), items: fc.array(group(3), { minLength: 1, maxLength: 4 }) })
      .filter(({ items }) => items.reduce((sum, { steps }) => sum + steps.length, 0) <= 8);
    fc.assert(
      fc.property(small, ({ people, items }) => {
        const found = shortestDay(day(people, ...items));
        expect(found.isProven).toBe(true);
        expect(found.finishMinutes).toBeCloseTo(byLookingAtEveryOrder(day(people, ...items)), 6);
      }),
      { numRuns: 500 },
    );
  });

  it('whatever is asked: nobody in two places, a bucket in one, no piece touched before it is dry, and never under the bound', () => {
    const any = fc.record({ people: fc.integer({ min: 1, max: 3 }), items: fc.array(group(5), { maxLength: 9 }) });
    fc.assert(
      fc.property(any, ({ people, items }) => {
        const { tasks, finishMinutes, boundMinutes } = shortestDay(day(people, ...items), { mostBoards: 300, rounds: 200 });
        expect(tasks).toHaveLength(items.reduce((sum, { steps }) => sum + steps.length, 0));
        expect(Math.max(0, ...tasks.map(({ endMinutes }) => endMinutes))).toBeCloseTo(finishMinutes, 6);
        expect(boundMinutes).toBeLessThanOrEqual(finishMinutes + 1e-6);
        expect(faultsOf(items, tasks)).toEqual([]);
      }),
      { numRuns: 100 },
    );
  });
});
