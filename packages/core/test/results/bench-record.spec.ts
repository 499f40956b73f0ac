import {
  batchRecord,
  benchEvidence,
  benchRecord,
  bucketAtCoat,
  dayStanding,
  edgeDoneMm,
  type BatchEvent,
  type BatchPlan,
  type BenchRecord,
  type BucketEvent,
  type DayEvent,
  type DayItem,
  type DayStep,
  type FiredStep,
  type Layer,
  type Powder,
} from '../../src/index';

const HOUR = 3_600_000;
const start = Date.parse('2026-03-01T09:00:00.000Z');
const at = (hours: number): string => new Date(start + hours * HOUR).toISOString();
const head = (id: string, hours: number): { id: string; at: string; by: string } => ({ id, at: at(hours), by: 'Maia' });
const step = (id: string, change: Partial<DayStep> = {}): DayStep => ({
  id,
  itemId: 'lot',
  kind: 'layer',
  words: id,
  laborSeconds: 30,
  waitMinutes: 10,
  ...change,
});
const lot = (...steps: DayStep[]): DayItem => ({ id: 'lot', pieceId: 'cup', name: 'Cup', count: 2, steps });
const standing = (item: DayItem, events: DayEvent[]): ReturnType<typeof dayStanding> => dayStanding({ items: [item], events });

describe('what a day recorded of a step', () => {
  it('is what kind of step it is, of which coat, and whether it was done or skipped', () => {
    const item = lot(step('check', { kind: 'check' }), step('dip', { layerIds: ['a'] }), step('wipe', { kind: 'wipeFoot' }));
    const now = standing(item, [
      { ...head('1', 0), type: 'stepSkipped', stepId: 'check' },
      { ...head('2', 1), type: 'stepDone', stepId: 'dip', seen: ['hairlines'] },
    ]);
    expect(benchRecord(item, now, 'check')).toEqual({ kind: 'check', isSkipped: true });
    expect(benchRecord(item, now, 'dip')).toEqual({ kind: 'layer', layerIds: ['a'], isSkipped: false, seen: ['hairlines'], isWallFull: false });
    expect(benchRecord(item, now, 'wipe')).toEqual({ kind: 'wipeFoot' });
    expect(benchRecord(item, now, 'gone')).toBeUndefined();
  });

  it('a wall that had to dry through and was coated again after an hour was full', () => {
    const item = lot(step('first', { waitMinutes: 12 * 60 }), step('second'));
    const after = (hours: number): BenchRecord | undefined =>
      benchRecord(
        item,
        standing(item, [
          { ...head('1', 0), type: 'stepDone', stepId: 'first' },
          { ...head('2', hours), type: 'stepDone', stepId: 'second' },
        ]),
        'second',
      );
    expect(after(1)?.isWallFull).toBe(true);
    expect(after(13)?.isWallFull).toBe(false);
  });

  it('of a coat before which nobody ticked the other one, nobody knows how full its wall was', () => {
    const item = lot(step('first', { waitMinutes: 12 * 60 }), step('second'));
    const now = standing(item, [
      { ...head('1', 0), type: 'stepSkipped', stepId: 'first' },
      { ...head('2', 1), type: 'stepDone', stepId: 'second' },
    ]);
    expect(benchRecord(item, now, 'second')).not.toHaveProperty('isWallFull');
  });
});

const powder = (id: string, rawClay: number): Powder => ({
  id,
  name: id,
  role: rawClay ? 'clay' : 'glass former',
  densityGMl: 2.6,
  rawClay,
  shrinkWeight: rawClay,
  loiPercent: 0,
  oxides: { SiO2: 100 },
  hazards: [],
});
const POWDERS = [powder('silica', 0), powder('clay', 1)];
const filled: BucketEvent = {
  ...head('fill', -24),
  type: 'filled',
  from: 'batch',
  fromId: 'batch',
  waterGrams: 700,
  // Six percent of clay: it settles within the hour and is stirred every twelve minutes.
  parts: [
    { powderId: 'silica', name: 'Silica', part: 'base', grams: 940, density: 2.6 },
    { powderId: 'clay', name: 'Clay', part: 'base', grams: 60, density: 2.6 },
  ],
};
const coat = { beganMs: start, endedMs: start + 60_000 };
const bucket = (...events: BucketEvent[]): ReturnType<typeof bucketAtCoat> =>
  bucketAtCoat({ events: [filled, ...events], powders: POWDERS, ...coat });

describe('what was recorded of a bucket when a coat was put on', () => {
  it('it was stirred in time, or not; where nobody notes stirring, nobody is blamed', () => {
    expect(bucket({ ...head('s', -0.1), type: 'stirred' }).isStirredInTime).toBe(true);
    expect(bucket({ ...head('s', -0.5), type: 'stirred' }).isStirredInTime).toBe(false);
    expect(bucket()).not.toHaveProperty('isStirredInTime');
    expect(bucket({ ...head('s', -48), type: 'stirred' })).not.toHaveProperty('isStirredInTime');
  });

  it('what happened to it later, or was taken back, was not so then', () => {
    const spoilt: BucketEvent = { ...head('c', -2), type: 'contaminated', text: 'red clay' };
    expect(bucket(spoilt).isContaminated).toBe(true);
    expect(bucket({ ...spoilt, at: at(2) }).isContaminated).toBe(false);
    expect(bucket(spoilt, { ...head('u', 3), type: 'undone', eventId: 'c' }).isContaminated).toBe(false);
  });

  it('how its liquid stood is only known where somebody felt it, or salts went in', () => {
    expect(bucket()).not.toHaveProperty('isFlocculated');
    expect(bucket({ ...head('t', -1), type: 'stateTold', state: 'flocculated' }).isFlocculated).toBe(true);
    expect(bucket({ ...head('t', -1), type: 'stateTold', state: 'normal' }).isFlocculated).toBe(false);
  });

  it('an empty bucket says nothing', () => {
    expect(bucketAtCoat({ events: [], powders: POWDERS, ...coat })).toEqual({});
  });
});

describe('what was recorded when the batch was weighed', () => {
  const line = (lineId: string, targetGrams: number): BatchPlan['lines'][number] => ({
    lineId,
    powderId: lineId,
    name: lineId,
    part: 'base',
    density: 2.6,
    targetGrams,
    hazards: [],
  });
  const plan = { lines: [line('Silica', 600), line('Kaolin', 400)], waterGrams: 900 };
  const weighed: BatchEvent[] = [
    { ...head('1', 0), type: 'lineWeighed', lineId: 'Silica', grams: 600 },
    { ...head('2', 0), type: 'lineWeighed', lineId: 'Kaolin', grams: 400 },
    { ...head('3', 0), type: 'waterPoured', grams: 900 },
  ];
  const of = (...events: BatchEvent[]): ReturnType<typeof batchRecord> => batchRecord({ plan, events: [...weighed, ...events] });

  it('its closing weight agrees, or a line is missing', () => {
    expect(of()).toEqual({});
    expect(of({ ...head('c', 1), type: 'checked', check: 'closingWeight', value: 1900 }).isBatchOdd).toBe(false);
    expect(of({ ...head('c', 1), type: 'checked', check: 'closingWeight', value: 1500 }).isBatchOdd).toBe(true);
  });

  it('much that stays on the sieve is another recipe', () => {
    expect(of({ ...head('c', 1), type: 'checked', check: 'sieveResidue', value: 2 }).isBatchOdd).toBe(false);
    expect(of({ ...head('c', 1), type: 'checked', check: 'sieveResidue', value: 30 }).isBatchOdd).toBe(true);
  });

  it('lots of its powders, as far as they were noted', () => {
    expect(of({ ...head('c', 1), type: 'checked', check: 'powderLot', lineId: 'Kaolin', text: 'March sack' }).powderLots).toEqual([
      'Kaolin: March sack',
    ]);
  });
});

describe('what the bench says of a fault', () => {
  const layer: Layer = { id: 'a', bucketId: 'ash', method: 'dip', coatMm: 0.5 };
  const done = (record: Partial<BenchRecord> = {}, doneAt: string | null = at(0)): FiredStep => ({
    bucketId: 'ash',
    doneAt,
    record: { kind: 'layer', layerIds: ['a'], isSkipped: false, ...record },
  });
  const evidence = (step: FiredStep, more: Partial<Parameters<typeof benchEvidence>[0]> = {}): ReturnType<typeof benchEvidence> =>
    benchEvidence({ steps: [step], layers: [layer], ...more });

  it('what was seen at the coat that is there, not at another one', () => {
    const seen = done({ seen: ['hairlines', 'powderyBelow', 'blended'] });
    expect(evidence(seen)).toMatchObject({ hairlinesLeftOpen: true, powderyBelow: true, blendedWithinHour: true });
    expect(benchEvidence({ steps: [seen], layers: [{ ...layer, id: 'b', bucketId: 'white' }] })).not.toHaveProperty('hairlinesLeftOpen');
  });

  it('not seen is not told: it blames nothing, and clears nothing', () => {
    expect(evidence(done())).not.toHaveProperty('hairlinesLeftOpen');
    expect(evidence(done())).not.toHaveProperty('waxStrayed');
  });

  it('a coat that was skipped, and one more than planned', () => {
    expect(evidence(done()).coatsMore).toBe(0);
    expect(evidence(done({ isSkipped: true })).coatsMore).toBe(-1);
    expect(evidence(done({ seen: ['oneMoreCoat'] })).coatsMore).toBe(1);
    expect(evidence(done({ isSkipped: undefined }))).not.toHaveProperty('coatsMore');
  });

  it('of its drying time, what it had until its kiln was lit', () => {
    expect(evidence(done(), { litAt: at(6) }).driedShare).toBe(0.5);
    expect(evidence(done(), { litAt: at(6), dryHours: 24 }).driedShare).toBe(0.25);
    // A tick that came after the fire says nothing.
    expect(evidence(done(), { litAt: at(-1) })).not.toHaveProperty('driedShare');
  });

  it('another version or another lot than the last good one had', () => {
    const now = done({ bucket: { recipeVersion: 3, powderLots: ['Kaolin: new sack'] } });
    expect(evidence(now, { lastGood: { recipeVersion: 2, powderLots: ['Kaolin: old sack'] } })).toMatchObject({
      recipeChanged: true,
      otherPowderLot: true,
    });
    expect(evidence(now, { lastGood: { recipeVersion: 3, powderLots: ['Silica: any'] } })).toMatchObject({
      recipeChanged: false,
      otherPowderLot: false,
    });
    expect(evidence(now)).not.toHaveProperty('recipeChanged');
  });

  it('glaze began at the shelf where the foot was neither kept bare nor wiped', () => {
    const of = (kind: 'wax' | 'wipeFoot', isSkipped?: boolean): FiredStep => ({ bucketId: null, doneAt: null, record: { kind, isSkipped } });
    expect(edgeDoneMm({ waxFootMm: 12 }, [of('wax', true)])).toBe(0);
    expect(edgeDoneMm({ waxFootMm: 12 }, [of('wax', true), of('wipeFoot', false)])).toBe(12);
    expect(edgeDoneMm({ waxFootMm: 12 }, [of('wax')])).toBeUndefined();
  });
});
