import fc from 'fast-check';
import { attempt, datesFrom, dayHelps, dayOdds, DayPlanner, dayTimetable, workHours, type DayEvent, type DayPerson } from '../../src/index';
import { at, day, faultsOf, hoursOf, lot, minutesOf, NINE, person, planned } from './made-up-days';

const MUGS = lot('mugs', 12, [
  { bucketId: 'white', lightness: 0.9, waitMinutes: 8 },
  { bucketId: 'blue', lightness: 0.2, waitMinutes: 8, laborSeconds: 30 },
  { kind: 'wipeFoot', laborSeconds: 30 },
]);
const BOWLS = lot('bowls', 6, [
  { kind: 'wax', laborSeconds: 40, waitMinutes: 20 },
  { bucketId: 'white', lightness: 0.9, waitMinutes: 10 },
  { kind: 'wipeFoot', laborSeconds: 30 },
]);

describe('the glazing day is planned', () => {
  it('whatever the day: nobody in two places, a bucket with one person, nothing touched wet, hours and breaks kept', () => {
    const step = fc.record({
      laborSeconds: fc.constantFrom(20, 40, 60, 150),
      waitMinutes: fc.constantFrom(0, 8, 20, 90),
      bucketId: fc.constantFrom(undefined, 'white', 'blue', 'ash'),
      kind: fc.constantFrom('layer' as const, 'wax' as const),
    });
    const steps = fc.array(step, { minLength: 1, maxLength: 4 });
    const people = fc.subarray(
      [
        person('Maia'),
        person('Bruno', { untilTime: '13:00', doesNotDo: ['wax'] }),
        person('Inés', { fromTime: '10:30', breaks: [{ fromTime: '13:00', untilTime: '14:00' }] }),
      ],
      { minLength: 1 },
    );
    fc.assert(
      fc.property(fc.array(fc.tuple(fc.constantFrom(1, 4, 12), steps), { minLength: 1, maxLength: 5 }), people, (lots, who) => {
        const question = day(
          lots.map(([count, of], i) => lot(`lot${i}`, count, of)),
          { people: who },
        );
        const { tasks, plan } = planned(question, 60);
        expect(tasks).toHaveLength(plan.turns.length);
        expect(faultsOf(question, tasks)).toEqual([]);
        expect(Date.parse(plan.finishAt)).toBeGreaterThanOrEqual(Date.parse(plan.boundAt));
      }),
      { numRuns: 150 },
    );
  });

  it('nobody waits for glaze to dry: what is waxed dries while mugs are dipped', () => {
    const { tasks, plan } = planned(day([MUGS, BOWLS]));
    expect(tasks[0]!.step.id).toBe('bowls0');
    expect(plan.isProven).toBe(true);
    expect(plan.finishAt).toBe(plan.boundAt);
  });

  it('a bucket is drilled up the first time in a day, and not again', () => {
    const [first] = planned(day([lot('cups', 4, [{ bucketId: 'white' }])])).tasks;
    expect(minutesOf(first!.startAt)).toBeCloseTo(15, 6);
    const used: DayEvent = { id: 'e', at: at(0), by: 'Bruno', type: 'stepDone', stepId: 'pots0' };
    const again = planned(day([lot('pots', 1, [{ bucketId: 'white' }]), lot('cups', 4, [{ bucketId: 'white' }])], { events: [used] })).tasks;
    expect(minutesOf(again[0]!.startAt)).toBeCloseTo(5, 6);
  });

  it('from dark to light the tools are washed, from light to dark they are not', () => {
    const [light, dark] = [lot('a', 1, [{ bucketId: 'white', lightness: 0.9 }]), lot('b', 1, [{ bucketId: 'blue', lightness: 0.2 }])];
    const { tasks } = planned(day([dark, light]));
    expect(tasks.map(({ step }) => step.bucketId)).toEqual(['white', 'blue']);
    const pinned = planned(day([dark, light], { pins: [{ stepId: 'a0', notBeforeAt: at(20) }] })).tasks;
    expect(minutesOf(pinned[1]!.startAt) - minutesOf(pinned[0]!.endAt)).toBeCloseTo(15 + 4, 6);
  });

  it('what must dry through goes on over night, hands do not', () => {
    const { tasks } = planned(day([lot('cups', 2, [{ waitMinutes: 720 }, {}])]));
    expect(tasks[1]!.startAt).toBe('2026-03-03T09:00:00.000Z');
  });

  it('what can be done today is not put off, though something else takes until tomorrow', () => {
    const slow = lot('slow', 2, [{ waitMinutes: 720 }, {}]);
    const { tasks } = planned(day([slow, MUGS, BOWLS], { people: [person('Maia'), person('Bruno')] }), 3_000);
    for (const { item, endAt } of tasks) if (item.id !== 'slow') expect(endAt < '2026-03-02T18:00:00.000Z').toBe(true);
  });

  it('over a night in which clocks go forward, people come by the clock on the wall', () => {
    const spring = (date: string, time: string): number => Date.parse(`${date}T${time}:00.000Z`) - (date >= '2026-03-29' ? 2 : 1) * 3_600_000;
    const spans = workHours({ person: person('Maia'), dates: datesFrom('2026-03-28', 2), msAt: spring });
    expect((spans[1]![0] - spans[0]![0]) / 3_600_000).toBe(23);
  });

  it('a step longer than any stretch of work is gone on with after the break, not refused', () => {
    const long = day([lot('jars', 10, [{ laborSeconds: 1_800 }])], {
      people: [person('Maia', { fromTime: '09:00', untilTime: '13:00', breaks: [{ fromTime: '10:00', untilTime: '11:00' }] })],
    });
    const [task] = planned(long).tasks;
    // 300 minutes: 60 before the break, 120 after it, 60 and 60 the next day.
    expect(task!.endAt).toBe('2026-03-03T12:00:00.000Z');
  });

  it('tape comes off before the coat is bone dry, though other work is shorter', () => {
    const taped = lot('bowl', 1, [
      { bucketId: 'white', waitMinutes: 5 },
      { kind: 'untape', mostWaitMinutes: 60, laborSeconds: 20 },
    ]);
    const { tasks, lateMinutes } = planned(day([taped, lot('mugs', 100, [{ bucketId: 'blue' }]), lot('cups', 60, [{ bucketId: 'ash' }])]));
    const [coat, untape] = ['bowl0', 'bowl1'].map((id) => tasks.find(({ step }) => step.id === id)!);
    expect(minutesOf(untape!.startAt) - minutesOf(coat!.startAt)).toBeLessThanOrEqual(61 + 1e-6);
    expect(lateMinutes).toBeCloseTo(0, 6);
  });

  it('a deadline comes before an early finish: waits after the last step count for it', () => {
    const slow = lot('slow', 4, [{ waitMinutes: 0 }, { waitMinutes: 100 }]);
    const quick = lot('quick', 20, [{}]);
    const { tasks, lateMinutes } = planned(day([quick, slow], { deadlineAt: at(110) }));
    expect(tasks.slice(0, 2).map(({ item }) => item.id)).toEqual(['slow', 'slow']);
    expect(lateMinutes).toBe(0);
    expect(planned(day([quick, slow], { deadlineAt: at(60) })).lateMinutes).toBeGreaterThan(0);
  });

  it('a pin is kept, to a person and to a time, and all else is planned round it', () => {
    const people = [person('Maia'), person('Bruno')];
    const { tasks } = planned(day([MUGS, BOWLS], { people, pins: [{ stepId: 'mugs0', person: 'Bruno', notBeforeAt: at(40) }] }));
    const mugs = tasks.find(({ step }) => step.id === 'mugs0')!;
    expect(mugs.person).toBe('Bruno');
    expect(minutesOf(mugs.startAt)).toBeGreaterThanOrEqual(40);
  });

  it('nobody is asked for what they do not do, unless nobody does it', () => {
    const waxing = (who: DayPerson[]) => planned(day([BOWLS], { people: who })).tasks[0]!.person;
    expect(waxing([person('Maia', { doesNotDo: ['wax'] }), person('Bruno')])).toBe('Bruno');
    expect(waxing([person('Maia', { doesNotDo: ['wax'] })])).toBe('Maia');
  });

  it('a day of one piece, a day of nothing, and nobody named', () => {
    expect(planned(day([lot('jug', 1, [{}])])).tasks).toHaveLength(1);
    expect(planned(day([])).plan.turns).toEqual([]);
    expect(planned(day([BOWLS], { people: [] })).tasks[0]!.person).toBe('Somebody');
    expect(attempt(() => hoursOf([person('Maia', { untilTime: '08:00' })])).kind).toBe('refused');
  });
});

describe('the plan mends itself', () => {
  const people = [person('Maia'), person('Bruno')];
  const ticked = (stepId: string, minutes: number, by = 'Maia'): DayEvent => ({ id: `t${stepId}`, at: at(minutes), by, type: 'stepDone', stepId });
  const order = planned(day([MUGS, BOWLS], { people })).plan.turns;
  const later = (events: DayEvent[], minutes: number) => day([MUGS, BOWLS], { people, events, nowMs: NINE + minutes * 60_000, order });

  it('the clock alone changes nobody’s work', () => {
    const turns = (minutes: number) =>
      dayTimetable(later([], minutes))
        .tasks.map(({ step, person: who }) => [step.id, who])
        .sort();
    for (const minutes of [1, 7, 33, 120]) expect(turns(minutes)).toEqual(turns(0));
  });

  it('a kept order is left only for one that saves a minute', () => {
    const { plan } = planned(later([ticked('bowls0', 5)], 5));
    expect(plan.savesMinutes).toBe(0);
    expect(plan.turns.map(({ stepId }) => stepId).sort()).toEqual(
      order
        .map(({ stepId }) => stepId)
        .filter((id) => id !== 'bowls0')
        .sort(),
    );
  });

  it('what was done is never planned again, and what somebody is at stays with them', () => {
    const begun: DayEvent = { id: 'b', at: at(20), by: 'Bruno', type: 'stepBegun', stepId: 'bowls1' };
    const { tasks } = planned(later([ticked('bowls0', 5), begun], 21));
    expect(tasks.some(({ step }) => step.id === 'bowls0')).toBe(false);
    expect(tasks.find(({ step }) => step.id === 'bowls1')).toMatchObject({ person: 'Bruno', isBegun: true });
    expect(minutesOf(tasks.find(({ step }) => step.id === 'bowls1')!.startAt)).toBeCloseTo(21, 6);
  });

  it('who leaves is asked for nothing more, and is asked again when back', () => {
    const away: DayEvent = { id: 'a', at: at(10), by: 'Maia', type: 'personAway', person: 'Bruno' };
    const back: DayEvent = { id: 'c', at: at(40), by: 'Maia', type: 'personBack', person: 'Bruno' };
    expect(planned(later([away], 10)).tasks.every(({ person: who }) => who === 'Maia')).toBe(true);
    expect(planned(later([away, back], 40)).tasks.some(({ person: who }) => who === 'Bruno')).toBe(true);
  });

  it('in a pause nobody works, and things dry', () => {
    const pause: DayEvent = { id: 'p', at: at(10), by: 'Maia', type: 'paused', untilAt: at(70) };
    for (const task of planned(later([ticked('bowls0', 9), pause], 10)).tasks) expect(minutesOf(task.fetchFromAt)).toBeGreaterThanOrEqual(70 - 1e-6);
  });

  it('a short bucket is worked from later, the others meanwhile', () => {
    const short: DayEvent = { id: 's', at: at(10), by: 'Maia', type: 'bucketShort', bucketId: 'white' };
    for (const task of planned(later([short], 10)).tasks)
      if (task.step.bucketId === 'white') expect(minutesOf(task.startAt)).toBeGreaterThanOrEqual(70 - 1e-6);
  });

  it('“these first after all” is done, whatever it costs', () => {
    const first: DayEvent = { id: 'f', at: at(0), by: 'Maia', type: 'lotFirst', itemId: 'mugs' };
    expect(planned(day([MUGS, BOWLS], { events: [first] })).tasks[0]!.item.id).toBe('mugs');
  });

  it('fewer pieces of a lot take less time, and a lot that was split goes on in both parts', () => {
    const off: DayEvent = { id: 'o', at: at(0), by: 'Maia', type: 'piecesOff', itemId: 'mugs', count: 6, why: 'dropped' };
    expect(Date.parse(planned(later([off], 0)).finishAt!)).toBeLessThan(Date.parse(planned(later([], 0)).finishAt!));
    const split: DayEvent = {
      id: 'sp',
      at: at(0),
      by: 'Maia',
      type: 'lotSplit',
      itemId: 'mugs',
      newItemId: 'apart',
      count: 3,
      stepIds: ['x', 'y', 'z'],
    };
    expect(
      planned(later([split], 0))
        .tasks.filter(({ item }) => item.id === 'apart')
        .map(({ step }) => step.id),
    ).toEqual(['x', 'y', 'z']);
  });
});

describe('how good a plan is', () => {
  it('is done later than its middle in four of five days, and the chance to be in time falls with an earlier deadline', () => {
    const chance = (minutes: number): number => {
      const { planner } = planned(day([MUGS, BOWLS], { deadlineAt: at(minutes) }));
      return dayOdds(planner.asked.question, planner.order()).deadlineChance!;
    };
    const { planner } = planned(day([MUGS, BOWLS]));
    const odds = dayOdds(planner.asked.question, planner.order());
    expect(odds.likelyMinutes).toBeGreaterThan(odds.medianMinutes);
    expect(odds.deadlineChance).toBeUndefined();
    expect(chance(30)).toBe(0);
    expect(chance(80)).toBeGreaterThan(chance(65));
    expect(chance(400)).toBe(1);
  });

  it('says what would help most, each planned: another person where hands are short, a fan where waits are long', () => {
    const busy = new DayPlanner(day([MUGS, lot('cups', 20, [{ bucketId: 'ash' }]), lot('jars', 20, [{ bucketId: 'blue2' }])]));
    expect(dayHelps(busy.asked)[0]!.help).toBe('onePerson');
    const wet = new DayPlanner(day([lot('jug', 1, [{ waitMinutes: 90 }, { waitMinutes: 90 }, {}])]));
    const helps = dayHelps(wet.asked);
    expect(helps[0]!.help).toBe('fan');
    expect(helps[0]!.savesMinutes).toBeCloseTo(0.4 * 180, 6);
    expect(helps.some(({ help }) => help === 'onePerson')).toBe(false);
  });

  it('a large lot that goes on in halves is offered where it saves time, with how many', () => {
    const large = lot('jars', 20, [{ laborSeconds: 120, waitMinutes: 10 }, {}]);
    const helps = dayHelps(new DayPlanner(day([large], { people: [person('Maia'), person('Bruno')] })).asked);
    // A lot is with one person at each step: in halves both brush at once.
    expect(helps[0]).toMatchObject({ help: 'lots', split: { itemId: 'jars', count: 10 } });
    expect(helps[0]!.savesMinutes).toBeCloseTo(20, 6);
    expect(dayHelps(new DayPlanner(day([lot('jug', 1, [{}])])).asked).some(({ help }) => help === 'lots')).toBe(false);
  });

  it('waxing the evening before is offered only for what nobody has begun', () => {
    const waxed: DayEvent = { id: 'w', at: at(0), by: 'Maia', type: 'stepDone', stepId: 'bowls0' };
    const helps = (events: DayEvent[]) => dayHelps(new DayPlanner(day([BOWLS], { events })).asked).map(({ help }) => help);
    expect(helps([])).toContain('waxBefore');
    expect(helps([waxed])).not.toContain('waxBefore');
  });
});
