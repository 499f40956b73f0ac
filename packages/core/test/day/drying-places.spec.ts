import fc from 'fast-check';
import { dayHelps, DayPlanner, type DayPlanQuestion, type DayEvent, type TimetableTask } from '../../src/index';
import { at, day, faultsOf, lot, minutesOf, person, planned } from './made-up-days';

/** The most wet pieces at a time, lots that dry after more than one step counted once; a lot larger than all places is let stand alone. */
function mostWet(tasks: readonly TimetableTask[], wetBefore: { count: number; untilMinutes: number }[] = []): number {
  const spells = tasks
    .filter(({ endAt, dryAt }) => dryAt > endAt)
    .map(({ item, startAt, dryAt }) => ({ id: item.id, count: item.count, from: minutesOf(startAt), until: minutesOf(dryAt) }));
  const all = [...spells, ...wetBefore.map(({ count, untilMinutes }, at) => ({ id: `before ${at}`, count, from: 0, until: untilMinutes }))];
  return Math.max(
    0,
    ...all.map(({ from }) => {
      const wet = new Map(all.filter((one) => one.from <= from + 1e-3 && one.until > from + 1e-3).map(({ id, count }) => [id, count]));
      return [...wet.values()].reduce((sum, count) => sum + count, 0);
    }),
  );
}

const cups = (id: string, count: number) =>
  lot(id, count, [
    { bucketId: id, waitMinutes: 40 },
    { kind: 'wipeFoot', laborSeconds: 20 },
  ]);

describe('places to dry are limited', () => {
  it('whatever the day: never more wet pots than places, and all else is kept as ever', () => {
    const step = fc.record({
      laborSeconds: fc.constantFrom(20, 60),
      waitMinutes: fc.constantFrom(0, 10, 60),
      bucketId: fc.constantFrom(undefined, 'white'),
    });
    const lots = fc.array(fc.tuple(fc.constantFrom(2, 5, 9), fc.array(step, { minLength: 1, maxLength: 3 })), { minLength: 1, maxLength: 5 });
    fc.assert(
      fc.property(lots, fc.constantFrom(9, 12, 20), fc.boolean(), (of, dryingPlaces, isTwo) => {
        const people = isTwo ? [person('Maia'), person('Bruno', { breaks: [{ fromTime: '10:00', untilTime: '10:30' }] })] : [person('Maia')];
        const question = day(
          of.map(([count, steps], i) => lot(`lot${i}`, count, steps)),
          { people, dryingPlaces },
        );
        const { tasks } = planned(question, 60);
        expect(faultsOf(question, tasks)).toEqual([]);
        expect(mostWet(tasks)).toBeLessThanOrEqual(dryingPlaces);
      }),
      { numRuns: 120 },
    );
  });

  it('the second lot waits until the first one is dry, and a place more saves that time', () => {
    const two = [cups('white', 10), cups('blue', 10)];
    const finish = (question: DayPlanQuestion) => minutesOf(planned(question).plan.finishAt);
    expect(finish(day(two, { dryingPlaces: 20 }))).toBeCloseTo(finish(day(two)), 6);
    expect(finish(day(two, { dryingPlaces: 19 }))).toBeGreaterThan(finish(day(two)) + 20);
  });

  it('what is wet already takes its places', () => {
    const before: DayEvent = { id: 'e', at: at(-5), by: 'Maia', type: 'stepDone', stepId: 'white0' };
    const question = day([cups('white', 10), cups('blue', 10)], { dryingPlaces: 15, events: [before] });
    const { tasks } = planned(question);
    expect(minutesOf(tasks.find(({ step }) => step.id === 'blue0')!.startAt)).toBeGreaterThanOrEqual(35 - 1e-3);
    expect(mostWet(tasks, [{ count: 10, untilMinutes: 35 }])).toBeLessThanOrEqual(15);
  });

  it('a lot larger than all places stands alone; it is dipped all the same', () => {
    const { tasks } = planned(day([cups('white', 30), cups('blue', 4)], { dryingPlaces: 10 }));
    expect(tasks).toHaveLength(4);
    expect(mostWet(tasks)).toBe(30);
  });

  it('another board is offered where places are what the day waits for', () => {
    const helps = (dryingPlaces?: number) =>
      dayHelps(new DayPlanner(day([cups('white', 10), cups('blue', 10)], dryingPlaces ? { dryingPlaces } : {})).asked);
    expect(helps(10).some(({ help }) => help === 'places')).toBe(true);
    expect(helps().some(({ help }) => help === 'places')).toBe(false);
  });
});
