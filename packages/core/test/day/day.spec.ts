import {
  areasOf,
  dayItemFromPiece,
  glazeNeeded,
  shapeOf,
  tallMm,
  type PiecePlan,
  replayDay,
  stepWords,
  type DayEvent,
  type DayItem,
  type DayStep,
  type TimedStep,
  type ApplicationMethod,
} from '../../src/index';
import { glazeOf } from '../glaze-facts';

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

describe('the day as it goes', () => {
  const stand = (events: DayEvent[], nowAt = NOW) => replayDay({ items: [POTS, CUPS], events, nowAt });

  it('begins with nothing done, and the first step of every lot ready', () => {
    expect(stand([])).toMatchObject({ doneCount: 0, totalCount: 8, drying: [] });
    expect(
      stand([])
        .steps.filter(({ state }) => state === 'ready')
        .map(({ step: one }) => one.id),
    ).toEqual(['pots0', 'cups0']);
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

  it('of two who tick one step the first counts, and the second is told apart', () => {
    const [mine, theirs] = [done('pots0', 1), { ...done('pots0', 2), by: 'Bruno' }];
    const { standing, doneCount } = stand([mine, theirs]);
    expect(doneCount).toBe(1);
    expect(standing.doubled.get(mine.id)).toMatchObject({ by: 'Bruno', eventId: theirs.id });
  });

  it('the same events in any order of arrival give the same day', () => {
    const split: DayEvent = {
      id: 's',
      at: at(-3),
      by: 'Maia',
      type: 'lotSplit',
      itemId: 'pots',
      newItemId: 'apart',
      count: 2,
      stepIds: ['a0', 'a1', 'a2', 'a3'],
    };
    const off: DayEvent = { id: 'o', at: at(-2), by: 'Bruno', type: 'piecesOff', itemId: 'cups', count: 1, why: 'dropped' };
    const events = [done('pots0', 9), done('cups0', 5), split, off, done('a1', 1), { ...done('a1', 0.5), by: 'Bruno' }];
    const plain = (order: DayEvent[]) => JSON.stringify({ ...stand(order), standing: undefined });
    expect(plain([...events].reverse())).toBe(plain(events));
    expect(plain([events[3]!, events[0]!, events[5]!, events[2]!, events[4]!, events[1]!])).toBe(plain(events));
  });
});

describe('what happens to pots', () => {
  const lots = (...events: DayEvent[]) =>
    replayDay({ items: [POTS, CUPS], events, nowAt: NOW }).standing.lots.map(({ item: lot, open }) => [lot.id, lot.count, open]);
  const off = (count: number): DayEvent => ({ id: `off${count}`, at: NOW, by: 'Maia', type: 'piecesOff', itemId: 'cups', count, why: 'dropped' });
  const split = (count: number): DayEvent => ({
    id: `split${count}`,
    at: at(-2),
    by: 'Maia',
    type: 'lotSplit',
    itemId: 'pots',
    newItemId: 'apart',
    count,
    stepIds: ['a0', 'a1', 'a2', 'a3'],
  });

  it('one is dropped, and the rest goes on; never fewer than none', () => {
    expect(lots(off(1))).toEqual([
      ['pots', 6, 0],
      ['cups', 3, 0],
    ]);
    expect(lots(off(9))[1]).toEqual(['cups', 0, 0]);
  });

  it('a lot is split: what was done before was done to both, what comes after to one', () => {
    const state = lots(done('pots0', 5), split(2), done('a1', 1));
    expect(state).toEqual([
      ['pots', 4, 1],
      ['apart', 2, 2],
      ['cups', 4, 0],
    ]);
  });

  it('all of a lot cannot be split off it, and no more than there are', () => {
    for (const count of [6, 7]) expect(lots(split(count))[0]).toEqual(['pots', 6, 0]);
  });

  it('the part that was split off has a code of its own', () => {
    const coded = replayDay({ items: [{ ...POTS, code: 'B' }], events: [split(2)], nowAt: NOW }).standing.lots.map(({ item: lot }) => lot.code);
    expect(coded).toEqual(['B', 'B2']);
  });

  it('who had a bucket last has it still, until somebody else fetches it', () => {
    const held = (...events: DayEvent[]) => [...replayDay({ items: [POTS, CUPS], events, nowAt: NOW }).standing.inHand];
    const by = (stepId: string, minutesAgo: number, who: string): DayEvent => ({ ...done(stepId, minutesAgo), by: who });
    expect(held(by('cups0', 9, 'Maia'), by('cups1', 5, 'Maia'))).toEqual([['Maia', 'blue']]);
    expect(held(by('pots2', 9, 'Maia'), by('cups2', 5, 'Bruno'))).toEqual([['Bruno', 'white']]);
  });

  it('who begins something else has left what was begun', () => {
    const begins = (stepId: string, minutesAgo: number): DayEvent => ({
      id: `b${stepId}`,
      at: at(-minutesAgo),
      by: 'Maia',
      type: 'stepBegun',
      stepId,
    });
    expect([...replayDay({ items: [POTS, CUPS], events: [begins('pots0', 3), begins('cups0', 2)], nowAt: NOW }).standing.begun.keys()]).toEqual([
      'cups0',
    ]);
  });
});

const WHITE = glazeOf('white', { name: 'White', lightness: 0.9 });

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

  it('knows how much glaze a piece takes, what is lost with it, and how deep the bucket must be', () => {
    const plan: PiecePlan = {
      shapeId: 'cup',
      zones: { inside: [], outside: [steps[1]!.layer!], rim: [], foot: [] },
      waxFootMm: 12,
      rimBandMm: 0,
      order: [],
      putAside: [],
    };
    const shape = shapeOf(plan);
    const item = dayItemFromPiece({ pieceId: 'pot', name: 'Pot', count: 12, waxFootMm: 12, steps, glazes: [WHITE], plan, shape, newId: () => 'x' });
    const outside = areasOf({ plan, shape }).find(({ id: zone }) => zone === 'outside')!;
    const { slurryMl } = glazeNeeded({ area: { areaCm2: outside.takesCm2, layers: outside.layers }, glazes: [WHITE] });
    // A tenth of a dip runs back, drips and dries on the hands.
    expect(item.steps[1]!.glazeMl).toBeCloseTo(slurryMl / 0.9, 1);
    expect(item.steps[1]!.depthMm).toBe(Math.round(tallMm(shape) - 12 + 10));
    expect(item.heightMm).toBe(Math.round(tallMm(shape)));
  });

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
