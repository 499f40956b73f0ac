import fc from 'fast-check';
import {
  bucketHistory,
  rangeVerdict,
  replayBucket,
  slurryStateFromSwirl,
  splitBucket,
  waterToThin,
  type BucketContents,
  type BucketEvent,
  type BucketPart,
} from '../../src/index';

let count = 0;
const head = (): { id: string; at: string; by: string } => ({
  id: `event-${++count}`,
  at: new Date(Date.parse('2026-03-01T09:00:00Z') + count * 60_000).toISOString(),
  by: 'Inés',
});
const KAOLIN: BucketPart = { powderId: 'kaolin', name: 'Kaolin', part: 'base', grams: 3000, density: 2.6 };
const SILICA: BucketPart = { powderId: 'silica', name: 'Silica', part: 'base', grams: 2000, density: 2.65 };
const COBALT: BucketPart = { powderId: 'cobalt', name: 'Cobalt carbonate', part: 'stain', grams: 100, density: 4.1 };
const filled = (): BucketEvent => ({ ...head(), type: 'filled', parts: [KAOLIN, SILICA], waterGrams: 6000, from: 'batch' });

function contents(...events: BucketEvent[]): BucketContents {
  const replay = replayBucket({ events });
  if (replay.kind === 'empty') throw new Error('the bucket is empty');
  return replay.contents;
}

describe('a bucket remembers', () => {
  it('what the batch put in', () => {
    const inside = contents(filled());
    expect(inside).toMatchObject({ dryGrams: 5000, baseDryGrams: 5000, waterGrams: 6000, stainPercent: 0, changedSinceMeasured: true });
    expect(inside.sgSd).toBeUndefined();
  });

  it('a measured SG corrects the water and leaves the weighed powder', () => {
    const inside = contents(filled(), { ...head(), type: 'sgMeasured', sg: 1.5, sgSd: 0.005 });
    expect(inside.sg).toBeCloseTo(1.5, 9);
    expect(inside.dryGrams).toBe(5000);
    expect(inside.changedSinceMeasured).toBe(false);
  });

  it('a measured level scales powder and water alike, the SG stays', () => {
    const before = contents(filled());
    const after = contents(filled(), { ...head(), type: 'volumeMeasured', volumeMl: 4000 });
    expect(after.volumeMl).toBeCloseTo(4000, 6);
    expect(after.sg).toBeCloseTo(before.sg, 9);
  });

  it('the water that thins it brings it to the wanted SG', () => {
    const thick = contents(filled(), { ...head(), type: 'sgMeasured', sg: 1.55, sgSd: 0.005 });
    const grams = waterToThin({ volumeMl: thick.volumeMl, sg: 1.55, targetSg: 1.45 });
    const events: BucketEvent[] = [filled(), { ...head(), type: 'sgMeasured', sg: 1.55, sgSd: 0.005 }, { ...head(), type: 'waterAdded', grams }];
    expect(contents(...events).sg).toBeCloseTo(1.45, 9);
    expect(contents(...events).changedSinceMeasured).toBe(true);
  });

  it('stain counts on the dry base', () => {
    expect(contents(filled(), { ...head(), type: 'powderAdded', parts: [COBALT], reason: 'stain' }).stainPercent).toBeCloseTo(2, 9);
  });

  it('what was taken back leaves no trace', () => {
    const water: BucketEvent = { ...head(), type: 'waterAdded', grams: 900 };
    const undone = contents(filled(), water, { ...head(), type: 'undone', eventId: water.id });
    expect(undone.waterGrams).toBe(6000);
    const first = filled();
    const poured: BucketEvent = { ...head(), type: 'waterAdded', grams: 900 };
    expect(bucketHistory({ events: [first, poured, { ...head(), type: 'undone', eventId: poured.id }] }).map((moment) => moment.undone)).toEqual([
      false,
      true,
    ]);
  });

  it('an SG above its own powder is not believed', () => {
    expect(contents(filled(), { ...head(), type: 'sgMeasured', sg: 2.7, sgSd: 0.01 }).waterGrams).toBe(6000);
  });

  it('taking everything out empties it', () => {
    expect(replayBucket({ events: [filled(), { ...head(), type: 'glazeTaken', millilitres: 99_999, reason: 'other' }] }).kind).toBe('empty');
  });

  it('an empty history is an empty bucket', () => {
    expect(replayBucket({ events: [] }).kind).toBe('empty');
  });

  it('its history ends where its replay ends, step by step', () => {
    const events: BucketEvent[] = [
      filled(),
      { ...head(), type: 'waterAdded', grams: 300 },
      { ...head(), type: 'glazeTaken', millilitres: 500, reason: 'dips' },
      { ...head(), type: 'stirred' },
    ];
    events.forEach((_event, index) => {
      const some = events.slice(0, index + 1);
      expect(bucketHistory({ events: some }).at(-1)?.volumeMl).toBeCloseTo(contents(...some).volumeMl, 9);
    });
  });
});

describe('what was put in changes how the slurry stands', () => {
  const drops = (count: number, of?: 'silicate'): BucketEvent => ({ ...head(), type: 'dropsAdded', drops: count, ...(of ? { of } : {}) });

  it('a usual dose of salts is taken to have worked, until a swirl says otherwise', () => {
    // 5 kg dry: 0.05 % are 2.5 g, 72 drops.
    expect(contents(filled(), drops(71)).slurryState).toBe('normal');
    expect(contents(filled(), drops(72)).slurryState).toBe('flocculated');
    expect(contents(filled(), drops(72), { ...head(), type: 'swirlTimed', seconds: 9 }).slurryState).toBe('normal');
  });

  it('stands as somebody says in a word, until a swirl says otherwise', () => {
    const told = (): BucketEvent => ({ ...head(), type: 'stateTold', state: 'flocculated' });
    expect(contents(filled(), told())).toMatchObject({ slurryState: 'flocculated', feel: { told: 'flocculated' } });
    const swirled = contents(filled(), told(), { ...head(), type: 'swirlTimed', seconds: 9 });
    expect(swirled.slurryState).toBe('normal');
    expect(swirled.feel).not.toHaveProperty('told');
  });

  it('how it felt holds for the SG it was felt at: after a jug of water it is to be felt anew', () => {
    const swirl = (): BucketEvent => ({ ...head(), type: 'swirlTimed', seconds: 3 });
    const water = (grams: number): BucketEvent => ({ ...head(), type: 'waterAdded', grams });
    expect(contents(filled(), swirl()).slurryState).not.toBe('normal');
    expect(contents(filled(), swirl(), water(20)).feel).toMatchObject({ swirlSeconds: 3 });
    const watered = contents(filled(), swirl(), water(1350));
    expect([watered.feel, watered.slurryState]).toEqual([undefined, 'normal']);
    // What salts did is in the bucket all the same.
    expect(contents(filled(), drops(72), swirl(), water(1350)).slurryState).toBe('flocculated');
  });

  it('silicate pushes it the other way', () => {
    expect(contents(filled(), drops(80, 'silicate')).slurryState).toBe('deflocculated');
  });

  it('gum brings its water, salts bring none', () => {
    expect(contents(filled(), { ...head(), type: 'gumAdded', millilitres: 100 }).waterGrams).toBeCloseTo(6098.5, 9);
    expect(contents(filled(), drops(50)).waterGrams).toBe(6000);
  });

  it('glaze poured into an emptied bucket starts anew; what water stood in it counts', () => {
    const emptied: BucketEvent[] = [filled(), drops(80), { ...head(), type: 'glazeTaken', millilitres: 99_999, reason: 'waste' }];
    const rinse: BucketEvent = { ...head(), type: 'waterAdded', grams: 200 };
    const again = contents(...emptied, rinse, { ...filled(), ...head() });
    expect(again).toMatchObject({ slurryState: 'normal', waterGrams: 6200 });
    expect(again.additives).toBeUndefined();
  });
});

describe('pouring into another bucket', () => {
  it('makes and loses nothing', () => {
    const inside = contents(filled(), { ...head(), type: 'powderAdded', parts: [COBALT], reason: 'stain' });
    fc.assert(
      fc.property(fc.double({ min: 1, max: inside.volumeMl, noNaN: true }), (takenMl) => {
        const poured = splitBucket({ contents: inside, takenMl });
        const share = takenMl / inside.volumeMl;
        expect(poured.parts.reduce((sum, part) => sum + part.grams, 0)).toBeCloseTo(inside.dryGrams * share, 6);
        expect(poured.waterGrams).toBeCloseTo(inside.waterGrams * share, 6);
      }),
    );
  });

  it('cannot take more than there is', () => {
    expect(() => splitBucket({ contents: contents(filled()), takenMl: 50_000 })).toThrow('you cannot pour 50.00 L out of it');
  });
});

describe('in range at a glance', () => {
  const range = { lowSg: 1.44, highSg: 1.47 };
  it.each([
    [1.45, 0.005, 'inRange'],
    [1.53, 0.008, 'tooThick'],
    [1.4, 0.005, 'tooThin'],
    [1.475, 0.02, 'unsure'],
    [1.53, undefined, 'unmeasured'],
  ] as const)('SG %p ± %p is %s', (sg, sgSd, verdict) => {
    expect(rangeVerdict({ sg, sgSd, ...range })).toBe(verdict);
  });

  it.each([
    [3, 'flocculated'],
    [9, 'normal'],
    [20, 'deflocculated'],
  ] as const)('a swirl of %p s is %s', (seconds, state) => {
    expect(slurryStateFromSwirl({ seconds })).toBe(state);
  });
});
