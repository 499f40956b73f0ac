import fc from 'fast-check';
import {
  dayItemFromPiece,
  replayDay,
  scheduleDay,
  stepWords,
  type DayEvent,
  type DayItem,
  type DayStep,
  type TimedStep,
  type ApplicationMethod,
} from '../../src/index';

const NOW = '2026-03-01T10:00:00.000Z';
const at = (minutes: number): string => new Date(Date.parse(NOW) + minutes * 60_000).toISOString();
const step = (id: string, itemId: string, change: Partial<DayStep> = {}): DayStep => ({
  id,
  itemId,
  kind: 'layer',
  words: id,
  laborSeconds: 30,
  waitMinutes: 0,
  ...change,
});
const item = (id: string, count: number, steps: Partial<DayStep>[]): DayItem => ({
  id,
  pieceId: id,
  name: id,
  count,
  steps: steps.map((change, i) => step(`${id}${i}`, id, change)),
});
const POTS = item('pots', 6, [
  { kind: 'check', waitMinutes: 10 },
  { kind: 'wax', waitMinutes: 20 },
  { bucketId: 'white', lightness: 0.9, waitMinutes: 8 },
  { kind: 'wipeFoot' },
]);
const CUPS = item('cups', 4, [
  { kind: 'check', waitMinutes: 10 },
  { bucketId: 'blue', lightness: 0.2, waitMinutes: 8 },
  { bucketId: 'white', lightness: 0.9, waitMinutes: 8 },
  { kind: 'wipeFoot' },
]);
let count = 0;
const done = (stepId: string, minutesAgo: number): DayEvent => ({ id: `e${++count}`, at: at(-minutesAgo), by: 'Maia', type: 'stepDone', stepId });

describe('the day’s list', () => {
  it('does every step once, each after the one before it is dry', () => {
    const steps = fc.array(
      fc.record({
        waitMinutes: fc.integer({ min: 0, max: 90 }),
        laborSeconds: fc.integer({ min: 5, max: 200 }),
        bucketId: fc.constantFrom(undefined, 'white', 'blue'),
      }),
      { minLength: 1, maxLength: 6 },
    );
    fc.assert(
      fc.property(fc.array(fc.record({ count: fc.integer({ min: 1, max: 30 }), steps }), { minLength: 1, maxLength: 5 }), (pieces) => {
        const items = pieces.map((piece, i) => item(`item${i}`, piece.count, piece.steps));
        const plan = scheduleDay({ items });
        expect(plan).toHaveLength(items.reduce((sum, one) => sum + one.steps.length, 0));
        let busyUntil = 0;
        const readyAt = new Map<string, number>();
        for (const entry of plan) {
          expect(entry.startMin).toBeGreaterThanOrEqual(busyUntil - 1e-9);
          expect(entry.startMin).toBeGreaterThanOrEqual((readyAt.get(entry.item.id) ?? 0) - 1e-9);
          busyUntil = entry.endMin;
          readyAt.set(entry.item.id, entry.readyMin);
        }
      }),
    );
  });

  it('keeps hands busy while wax dries', () => {
    const order = scheduleDay({ items: [POTS, CUPS] }).map((entry) => entry.step.id);
    expect(order.indexOf('cups0')).toBeLessThan(order.indexOf('pots1') + 2);
    expect(order.slice(0, 2).sort()).toEqual(['cups0', 'pots0']);
  });

  it('the first piece is dry when the last one is done: a large group waits less, but its last piece waits too', () => {
    const waits = (n: number): number => {
      const [first] = scheduleDay({ items: [item('group', n, [{ waitMinutes: 20, laborSeconds: 60 }, {}])] });
      return first!.readyMin - first!.endMin;
    };
    expect(waits(1)).toBeCloseTo(20, 6);
    // The next step takes half as long: the thirtieth piece comes up after 14.5 min, and wants 20.
    expect(waits(30)).toBeCloseTo(5.5, 6);
  });
});

describe('the day as it goes', () => {
  const stand = (events: DayEvent[], nowAt = NOW) => replayDay({ items: [POTS, CUPS], events, nowAt });

  it('starts with a step for the hands', () => {
    expect(stand([]).now?.step.kind).toBe('check');
    expect(stand([])).toMatchObject({ doneCount: 0, totalCount: 8 });
  });

  it('says what is drying and until when: the first of six has been drying while the others were done', () => {
    const state = stand([done('pots0', 3)]);
    expect(state.drying).toHaveLength(1);
    expect(state.drying[0]).toMatchObject({ untilAt: at(4.5), dry: false });
  });

  it('calls it dry when its time is over', () => {
    expect(stand([done('pots0', 11)]).drying[0]?.dry).toBe(true);
  });

  it('"not dry yet" waits so many minutes from when it was felt, however long ago it should have been dry', () => {
    const longer: DayEvent = { id: 'longer', at: NOW, by: 'Maia', type: 'notDryYet', stepId: 'pots0', minutes: 10 };
    expect(stand([done('pots0', 11), longer]).drying[0]).toMatchObject({ dry: false, untilAt: at(10) });
  });

  it('what a thumb calls dry is dry, whatever was guessed; found wet after all, it waits again', () => {
    const dry: DayEvent = { id: 'dry', at: at(1), by: 'Maia', type: 'feltDry', stepId: 'pots0' };
    const wet: DayEvent = { id: 'wet', at: at(2), by: 'Maia', type: 'notDryYet', stepId: 'pots0', minutes: 10 };
    const ticked = done('pots0', 0);
    expect(stand([ticked], at(2)).drying[0]!.dry).toBe(false);
    expect(stand([ticked, dry], at(2)).drying[0]!.dry).toBe(true);
    expect(stand([ticked, dry], at(2)).steps.find(({ step: one }) => one.id === 'pots1')!.state).toBe('ready');
    expect(stand([ticked, dry, wet], at(2)).drying[0]).toMatchObject({ dry: false, untilAt: at(12) });
    expect(stand([ticked, dry, { id: 'back', at: at(2), by: 'Maia', type: 'undone', eventId: 'dry' }], at(2)).drying[0]!.dry).toBe(false);
  });

  it('says when hands are done by this list, and nothing once all is done', () => {
    const state = stand([]);
    expect(Date.parse(state.finishAt!)).toBeGreaterThan(Date.parse(NOW) + 40 * 60_000);
    const all = [POTS, CUPS].flatMap(({ steps }) => steps.map(({ id }) => done(id, 0)));
    expect(stand(all).finishAt).toBeUndefined();
  });

  it('pieces that were taken off the day leave no tick behind', () => {
    const state = replayDay({ items: [CUPS], events: [done('pots0', 3), done('cups0', 2)], nowAt: NOW });
    expect(state).toMatchObject({ doneCount: 1, totalCount: CUPS.steps.length });
  });

  it('two ticks count once, and a tick can be taken back', () => {
    const record = done('pots0', 1);
    expect(stand([record, done('pots0', 0)]).doneCount).toBe(1);
    expect(stand([record, { id: 'back', at: NOW, by: 'Maia', type: 'undone', eventId: record.id }]).doneCount).toBe(0);
  });

  it('a skipped step needs no drying', () => {
    expect(stand([{ id: 'skip', at: NOW, by: 'Maia', type: 'stepSkipped', stepId: 'pots0' }]).drying).toEqual([]);
  });

  it('hands are free when everything dries', () => {
    const state = replayDay({ items: [POTS], events: [done('pots0', 1)], nowAt: NOW });
    expect(state.now).toBeUndefined();
    expect(state.next[0]?.step.id).toBe('pots1');
  });
});

describe('a plan put on the day', () => {
  const steps: TimedStep[] = [
    { key: 'wax', kind: 'wax', zones: ['foot'], laborSeconds: 40, waitMinutes: 20, waitFor: 'handleDry', wallUsed: 0 },
    {
      key: 'layer:a',
      kind: 'layer',
      zones: ['outside'],
      layer: { id: 'a', bucketId: 'white', method: 'dip', coatMm: 0.5 },
      laborSeconds: 25,
      waitMinutes: 8,
      waitFor: 'dryThrough',
      wallUsed: 0.8,
      dip: { kind: 'ok', seconds: 2.4 },
    },
    {
      key: 'layer:b',
      kind: 'layer',
      zones: ['rim'],
      layer: { id: 'b', bucketId: 'white', method: 'brush', coatMm: 0.3 },
      laborSeconds: 150,
      waitMinutes: 20,
      waitFor: 'handleDry',
      wallUsed: 0.9,
      brushCoats: 2,
    },
    { key: 'wipeFoot', kind: 'wipeFoot', zones: ['foot'], laborSeconds: 30, waitMinutes: 0, waitFor: 'nothing', wallUsed: 0.9 },
  ];
  let id = 0;
  const made = dayItemFromPiece({ pieceId: 'pot', name: 'Pot', count: 12, waxFootMm: 12, steps, glazes: [], newId: () => `id${++id}` });

  it('keeps words, seconds and waits; overnight where it must be dry through', () => {
    expect(made.steps.map((one) => one.words)).toEqual([
      'Wax the foot and 12 mm up',
      'Dip the outside in glaze, 2.4 s',
      'Brush glaze on the rim, 2 coats',
      'Wipe the foot and check it',
    ]);
    expect(made.steps.map((one) => one.waitMinutes)).toEqual([20, 720, 20, 0]);
  });

  it.each<[TimedStep['zones'], ApplicationMethod, string]>([
    [['inside'], 'pour', 'Pour Leche inside, 2.4 s'],
    [['inside'], 'brush', 'Brush Leche inside, 2 coats'],
    [['inside'], 'spray', 'Spray Leche inside, 2 passes'],
    [['outside'], 'brush', 'Brush Leche on the outside, 2 coats'],
    [['outside'], 'pour', 'Pour Leche over the outside, 2.4 s'],
    [['rim'], 'sponge', 'Dab Leche on the rim with a sponge, 2 passes'],
    [['inside', 'outside'], 'dip', 'Dip inside and outside in Leche, 2.4 s'],
  ])('%j, by %s: “%s”', (zones, method, said) => {
    const step: TimedStep = { ...steps[1]!, zones, layer: { ...steps[1]!.layer!, method }, brushCoats: 2 };
    expect(stepWords({ step, glazeName: 'Leche', waxFootMm: 12 })).toBe(said);
  });

  it('carries the caution at the step where it matters', () => {
    expect(made.steps[0]?.caution).toContain('fumes');
    expect(made.steps[3]?.caution).toContain('never the drain');
  });
});
