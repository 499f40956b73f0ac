import { daySummary, dayOdds, DayPlanner, dayStanding, learntScatter, laborOfDays, waitsOfDays, type DayEvent } from '../../src/index';
import { at, day, lot } from './made-up-days';

const MUGS = lot('mugs', 12, [
  { bucketId: 'white', bucketName: 'Leche de Higo', glazeMl: 30, coatMm: 0.6, seconds: 4, waitMinutes: 20 },
  { kind: 'wipeFoot', laborSeconds: 30 },
]);
const done = (stepId: string, minutes: number, change: Partial<Extract<DayEvent, { type: 'stepDone' }>> = {}): DayEvent => ({
  id: `e${stepId}${minutes}`,
  at: at(minutes),
  by: 'Maia',
  type: 'stepDone',
  stepId,
  ...change,
});

describe('the end of the day', () => {
  it('says who did what, what it took out of the buckets, what is left and since when it is dry', () => {
    const account = daySummary(dayStanding({ items: [MUGS], events: [done('mugs0', 10)] }));
    expect(account.people).toEqual([{ name: 'Maia', steps: 1, pieces: 12 }]);
    expect(account.buckets).toEqual([{ bucketId: 'white', name: 'Leche de Higo', usedMl: 360 }]);
    expect(account.left).toMatchObject([{ next: { id: 'mugs1' }, stepsLeft: 1, readyAt: expect.any(String) }]);
    expect(account.finished).toEqual([]);
  });

  it('a lot with nothing left to do is for the kiln, since its last step', () => {
    const { finished, left } = daySummary(dayStanding({ items: [MUGS], events: [done('mugs0', 10), done('mugs1', 40)] }));
    expect(finished).toMatchObject([{ item: { id: 'mugs' }, at: at(40) }]);
    expect(left).toEqual([]);
  });

  it('a tick made before a lot was split counts once; its pieces all went through those hands', () => {
    const split: DayEvent = {
      id: 'x',
      at: at(12),
      by: 'Maia',
      type: 'lotSplit',
      itemId: 'mugs',
      newItemId: 'mugsB',
      count: 4,
      stepIds: ['b0', 'b1'],
    };
    const { people } = daySummary(dayStanding({ items: [MUGS], events: [done('mugs0', 10), split] }));
    expect(people).toEqual([{ name: 'Maia', steps: 1, pieces: 12 }]);
  });

  it('pots that broke are neither left nor for the kiln', () => {
    const off: DayEvent = { id: 'o', at: at(1), by: 'Maia', type: 'piecesOff', itemId: 'mugs', count: 12, why: 'dropped' };
    const { left, finished } = daySummary(dayStanding({ items: [MUGS], events: [off] }));
    expect([...left, ...finished]).toEqual([]);
  });

  it('coats that are not as planned are told', () => {
    const { odd } = daySummary(dayStanding({ items: [MUGS], events: [done('mugs0', 10, { seconds: 16 })] }));
    expect(odd).toMatchObject([{ step: { id: 'mugs0' }, deviation: { verdict: 'muchThicker' } }]);
  });
});

describe('how sure labor and waits are', () => {
  /** Waxed lot by lot, each so many minutes after the one before. */
  const waxed = (...minutes: number[]) => {
    let now = 0;
    const items = minutes.map((_, n) => lot(`w${n}`, 10, [{ kind: 'wax' as const, laborSeconds: 60 }]));
    const events = minutes.map((each, n) => done(`w${n}0`, (now += each)));
    return laborOfDays([{ date: '2026-03-02', items, events }]);
  };

  it('hands that work evenly make a plan surer, hands that do not make it less sure', () => {
    const even = waxed(0, ...Array.from({ length: 30 }, () => 10)).get('wax')!.lnSd;
    const uneven = waxed(0, ...Array.from({ length: 15 }, () => [6, 17]).flat()).get('wax')!.lnSd;
    expect(even).toBeLessThan(0.2);
    expect(uneven).toBeGreaterThan(0.4);
  });

  it('only what was taught is told; the draws use it', () => {
    const items = [
      lot('cups', 10, [
        { kind: 'wax', laborSeconds: 60 },
        { bucketId: 'white', laborSeconds: 60, waitMinutes: 10 },
      ]),
    ];
    const labor = waxed(0, ...Array.from({ length: 30 }, () => 10));
    const scatter = learntScatter(items, { waits: waitsOfDays([]), labor, date: '2026-03-02' });
    expect([...scatter.keys()]).toEqual(['cups0']);
    const spreadOf = (known?: typeof scatter) => {
      const planner = new DayPlanner({ ...day(items), scatter: known });
      const { likelyMinutes, medianMinutes } = dayOdds(planner.asked.question, planner.order());
      return likelyMinutes - medianMinutes;
    };
    expect(spreadOf(scatter)).toBeLessThan(spreadOf());
    expect(spreadOf(new Map([['cups0', { laborLnSd: 0.6 }]]))).toBeGreaterThan(spreadOf());
  });

  it('a glaze that thumbs taught is never less sure than its guess', () => {
    const items = [lot('cups', 10, [{ bucketId: 'white', waitMinutes: 10 }, { kind: 'wipeFoot' }])];
    const taps = Array.from({ length: 12 }, (_, n): DayEvent[] => [
      done(`t${n}0`, 100 * n),
      { id: `wet${n}`, at: at(100 * n + 9), by: 'Maia', type: 'notDryYet', stepId: `t${n}0`, minutes: 2 },
      { id: `dry${n}`, at: at(100 * n + 11), by: 'Maia', type: 'feltDry', stepId: `t${n}0` },
    ]).flat();
    const lots = Array.from({ length: 12 }, (_, n) => lot(`t${n}`, 4, [{ bucketId: 'white', waitMinutes: 10 }, { kind: 'wipeFoot' }]));
    const few = waitsOfDays([{ date: '2026-03-02', items: lots, events: taps.slice(0, 3) }]);
    const many = waitsOfDays([{ date: '2026-03-02', items: lots, events: taps }]);
    const sdOf = (waits: typeof few) => learntScatter(items, { waits, labor: new Map(), date: '2026-03-02' }).get('cups0')!.waitLnSd!;
    expect(sdOf(few)).toBeLessThanOrEqual(0.35);
    expect(sdOf(many)).toBeLessThan(sdOf(few));
  });

  it('a bucket that was stirred and measured this morning costs no first ten minutes', () => {
    const items = [lot('cups', 4, [{ bucketId: 'white' }])];
    const startOf = (readyBuckets?: ReadonlySet<string>) =>
      new DayPlanner({ ...day(items), readyBuckets }).asked.question.buckets!['white']!.firstMinutes;
    expect([startOf(), startOf(new Set(['white']))]).toEqual([10, 0]);
  });
});
