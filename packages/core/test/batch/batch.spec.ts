import fc from 'fast-check';
import { planBatch, replayBatch, type BatchEvent } from '../../src/index';
import { base, KAOLIN, POWDERS, SILICA } from '../powders';

const PLAN = planBatch({
  lines: [base(KAOLIN.id, 60), base(SILICA.id, 40)],
  powders: POWDERS,
  size: { kind: 'base', baseGrams: 500 },
  water: { kind: 'perBaseGram', millilitres: 1 },
});
const [CLAY, FLINT] = PLAN.lines as [(typeof PLAN.lines)[number], (typeof PLAN.lines)[number]];
let count = 0;
const head = (by = 'Bruno'): { id: string; at: string; by: string } => ({ id: `e${++count}`, at: '2026-03-01T09:00:00.000Z', by });
const on = (): BatchEvent => ({ ...head(), type: 'respiratorOn' });
const water = (grams = 500): BatchEvent => ({ ...head(), type: 'waterPoured', grams });
const weigh = (lineId: string, grams: number, by?: string): BatchEvent => ({ ...head(by), type: 'lineWeighed', lineId, grams });
const stand = (...events: BatchEvent[]) => replayBatch({ plan: PLAN, events });

describe('a batch at the bench', () => {
  it('weighs a line in loads, each counted once whoever ticks it', () => {
    const load = (number: number, grams: number): BatchEvent => ({ ...head(), type: 'loadWeighed', lineId: CLAY.lineId, load: number, grams });
    const state = stand(on(), water(), load(1, 150), load(1, 150), weigh(CLAY.lineId, 148));
    expect(state.lines[0]).toMatchObject({ state: 'weighed', inGrams: 298, loadsIn: 1 });
    expect(stand(on(), water(), load(1, 150)).step).toMatchObject({ kind: 'line', number: 1, line: { toWeighGrams: 150 } });
  });

  it('takes another powder in a line’s place while none of it is in, and remembers which it stands for', () => {
    const other = (): BatchEvent => ({
      ...head(),
      type: 'lineSubstituted',
      lineId: CLAY.lineId,
      powderId: 'ball',
      name: 'Ball clay',
      density: 2.6,
      hazards: [],
    });
    expect(stand(on(), other()).lines[0]).toMatchObject({ name: 'Ball clay', powderId: 'ball', insteadOf: 'Kaolin', targetGrams: 300 });
    expect(stand(on(), water(), weigh(CLAY.lineId, 300), other()).lines[0]).toMatchObject({ name: 'Kaolin' });
  });

  it('keeps the last of each check, and lots on their lines', () => {
    const check = (change: object): BatchEvent => ({ ...head(), type: 'checked', check: 'closingWeight', ...change }) as BatchEvent;
    const state = stand(on(), check({ value: 900 }), check({ value: 999 }), check({ check: 'powderLot', lineId: CLAY.lineId, text: 'bag 14' }));
    expect(state.checks).toEqual([{ check: 'closingWeight', lineId: undefined, value: 999, text: undefined }]);
    expect(state.lines[0]!.lot).toBe('bag 14');
  });

  it('starts with the respirator, before any powder', () => {
    expect(stand().step.kind).toBe('respirator');
  });

  it('then the water, then the lines in order, then mixing', () => {
    expect(stand(on()).step.kind).toBe('water');
    expect(stand(on(), water()).step).toMatchObject({ kind: 'line', number: 1, line: { name: 'Kaolin' } });
    expect(stand(on(), water(), weigh(CLAY.lineId, 300)).step).toMatchObject({ kind: 'line', number: 2, line: { name: 'Silica' } });
    expect(stand(on(), water(), weigh(CLAY.lineId, 300), weigh(FLINT.lineId, 200)).step.kind).toBe('mix');
  });

  it('two taps on "next" weigh one line, not two', () => {
    const state = stand(on(), water(), weigh(CLAY.lineId, 300), weigh(CLAY.lineId, 300));
    expect(state.dryInGrams).toBe(300);
    expect(state.step).toMatchObject({ kind: 'line', number: 2 });
  });

  it('whoever ticks a line first wins', () => {
    expect(stand(on(), water(), weigh(CLAY.lineId, 301, 'Maia'), weigh(CLAY.lineId, 290, 'Oriol')).lines[0]?.inGrams).toBe(301);
  });

  it('keeps what really went in', () => {
    expect(stand(on(), water(480), weigh(CLAY.lineId, 312.4)).waterInGrams).toBe(480);
    expect(stand(on(), water(480), weigh(CLAY.lineId, 312.4)).dryInGrams).toBeCloseTo(312.4, 9);
  });

  it('a skipped line weighs nothing and does not come back', () => {
    const state = stand(on(), water(), { ...head(), type: 'lineSkipped', lineId: CLAY.lineId });
    expect(state.lines[0]).toMatchObject({ state: 'skipped', inGrams: 0 });
    expect(state.step).toMatchObject({ kind: 'line', number: 2 });
  });

  it('goes back one weight at a time', () => {
    const clay = weigh(CLAY.lineId, 300);
    const after = stand(on(), water(), clay);
    expect(after.lastUndoable).toBe(clay.id);
    const back = stand(on(), water(), clay, { ...head(), type: 'undone', eventId: clay.id });
    expect(back.step).toMatchObject({ kind: 'line', number: 1 });
    expect(back.dryInGrams).toBe(0);
  });

  it('notes stay with their line', () => {
    expect(stand(on(), { ...head(), type: 'noted', text: 'new sack', lineId: CLAY.lineId }).notes).toEqual([
      { text: 'new sack', lineId: CLAY.lineId },
    ]);
  });

  it('is over when it is a bucket', () => {
    expect(stand(on(), { ...head(), type: 'batchFinished', bucketId: 'bucket' }).step).toEqual({ kind: 'finished', bucketId: 'bucket' });
  });

  describe('when too much of a line is in', () => {
    const raised = (factor: number): BatchEvent => ({ ...head(), type: 'batchRaised', factor, divisionGrams: 0.1 });
    const over = [on(), water(500), weigh(CLAY.lineId, 330), raised(1.1)];

    it('what is to come is weighed to the raised target, and the water follows', () => {
      const state = stand(...over);
      expect(state.step).toMatchObject({ kind: 'line', line: { name: 'Silica' } });
      expect(state.lines[1]?.toWeighGrams).toBeCloseTo(220, 9);
      const after = stand(...over, weigh(FLINT.lineId, 220));
      expect(after.step).toMatchObject({ kind: 'water' });
      expect(after.step.kind === 'water' && after.step.toPourGrams).toBeCloseTo(50, 9);
      expect(stand(...over, weigh(FLINT.lineId, 220), water(50))).toMatchObject({ step: { kind: 'mix' }, waterInGrams: 550, factor: 1.1 });
    });

    it('a line already in is topped up, and both weights count', () => {
      const state = stand(on(), water(500), weigh(CLAY.lineId, 300), weigh(FLINT.lineId, 220), raised(1.1));
      expect(state.step).toMatchObject({ kind: 'line', number: 1 });
      expect(state.lines[0]?.toWeighGrams).toBeCloseTo(30, 9);
      const after = stand(on(), water(500), weigh(CLAY.lineId, 300), weigh(FLINT.lineId, 220), raised(1.1), weigh(CLAY.lineId, 30));
      expect(after.lines[0]).toMatchObject({ state: 'weighed', inGrams: 330 });
      expect(after.dryInGrams).toBeCloseTo(550, 9);
    });

    it('what the scale cannot show is not asked for', () => {
      expect(stand(on(), water(500), weigh(CLAY.lineId, 330), weigh(FLINT.lineId, 219.95), raised(1.1)).step.kind).toBe('water');
    });

    it('never makes a batch smaller, and is taken back like any step', () => {
      expect(stand(...over, raised(1.05)).factor).toBe(1.1);
      const raise = raised(1.1);
      const back = stand(on(), water(500), weigh(CLAY.lineId, 330), raise, { ...head(), type: 'undone', eventId: raise.id });
      expect(back).toMatchObject({ factor: 1, step: { kind: 'line', line: { targetGrams: 200 } } });
    });

    it('a skipped line stays out', () => {
      expect(
        stand(on(), water(500), { ...head(), type: 'lineSkipped', lineId: CLAY.lineId }, weigh(FLINT.lineId, 220), raised(1.1)).lines[0]?.state,
      ).toBe('skipped');
    });

    it('the recipe’s shares hold at the end, whichever line was overshot', () => {
      fc.assert(
        fc.property(fc.constantFrom(0, 1), fc.double({ min: 1.01, max: 3, noNaN: true }), (which, times) => {
          const events = [on(), water(500)];
          PLAN.lines.forEach((line, index) => {
            if (index <= which) events.push(weigh(line.lineId, line.targetGrams * (index === which ? times : 1)));
          });
          events.push(raised(times));
          for (let step = stand(...events).step; step.kind === 'line' || step.kind === 'water'; step = stand(...events).step) {
            events.push(step.kind === 'line' ? weigh(step.line.lineId, step.line.toWeighGrams) : water(step.toPourGrams));
          }
          const end = stand(...events);
          const shares = end.lines.map((line) => line.inGrams / end.dryInGrams);
          shares.forEach((share, index) => expect(share).toBeCloseTo(PLAN.lines[index]!.targetGrams / PLAN.totalGrams, 3));
          expect(end.waterInGrams! / end.dryInGrams).toBeCloseTo(1, 2);
        }),
      );
    });
  });

  it('a line of another batch changes nothing', () => {
    expect(stand(on(), water(), weigh('somewhere else', 40)).dryInGrams).toBe(0);
  });
});
