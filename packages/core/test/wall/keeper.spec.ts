import { bucketNow, changedSince, planAgain, versionFlowRatio, type Keeper, type KeptIn, type Powder, type StudioSince } from '../../src/index';
import { coat, planOf } from '../plans';

const GLAZED = '2026-03-01T09:00:00.000Z';
const LATER = '2026-05-01T09:00:00.000Z';
const keeper: Keeper = {
  resultId: 'r',
  glazedAt: GLAZED,
  coneReached: '6',
  glazes: [{ bucketId: 'B1', glazeId: 'ash', name: 'Ash', recipeVersion: 2, sg: 1.45, coatMm: 0.6, seconds: 3 }],
  clayLotId: 'spring',
  kilnId: 'k',
  shelfId: 's',
};
const same: KeptIn = { id: 'B1', glazeId: 'ash', recipeVersion: 2, sg: 1.45, createdAt: '2026-01-01T00:00:00.000Z' };
const now = (more: Partial<StudioSince> = {}): StudioSince => ({
  buckets: [same],
  recipeVersions: new Map([['ash', 2]]),
  clayLotId: 'spring',
  hasShelf: true,
  powderLots: [],
  ...more,
});
const kinds = (more: Partial<StudioSince>) => changedSince(keeper, now(more)).map(({ kind }) => kind);

describe('a keeper that is made again', () => {
  it('finds nothing where nothing has changed', () => {
    expect(kinds({})).toEqual([]);
  });

  it('a glaze in no bucket comes first: nothing can be made without it', () => {
    expect(kinds({ buckets: [{ ...same, isGone: true }], clayLotId: 'autumn' })).toEqual(['noBucket', 'clayLot']);
  });

  it('another version in the bucket is told with how far it runs by its chemistry', () => {
    const found = changedSince(
      keeper,
      now({ buckets: [{ ...same, recipeVersion: 3 }], recipeVersions: new Map([['ash', 3]]), flowRatios: new Map([['ash', 1.4]]) }),
    );
    expect(found).toEqual([{ kind: 'recipe', name: 'Ash', from: 2, to: 3, flowRatio: 1.4 }]);
  });

  it('a newer version that its bucket does not hold is told too: the old bucket is the one to use', () => {
    expect(kinds({ recipeVersions: new Map([['ash', 4]]) })).toEqual(['newerRecipe']);
  });

  it('at a higher SG the same seconds make more, and fewer seconds make the same', () => {
    const [found] = changedSince(keeper, now({ buckets: [{ ...same, sg: 1.5 }] }));
    expect(found).toMatchObject({ kind: 'sg', from: 1.45, to: 1.5 });
    if (found?.kind !== 'sg') throw new Error('The SG has changed.');
    expect(found.coatMm!.to).toBeGreaterThan(0.65);
    expect(found.seconds!).toBeLessThan(3);
    expect(found.seconds!).toBeGreaterThan(0.5);
  });

  it('thinned so far that a minute does not make the coat, no seconds are told', () => {
    const [found] = changedSince(keeper, now({ buckets: [{ ...same, sg: 1.05 }] }));
    expect(found).toMatchObject({ kind: 'sg', to: 1.05 });
    expect(found).not.toHaveProperty('seconds');
  });

  it('an SG that no hydrometer tells apart is the same', () => {
    expect(kinds({ buckets: [{ ...same, sg: 1.454 }] })).toEqual([]);
  });

  it('a lot of powder counts only where the glaze was mixed after it was glazed', () => {
    const powderLots = [{ powder: 'Silica', lot: 'K7', glazeIds: ['ash'] }];
    expect(kinds({ powderLots })).toEqual([]);
    expect(kinds({ powderLots, buckets: [{ ...same, id: 'B2', createdAt: LATER }] })).toEqual(['powderLot', 'otherBucket']);
  });

  it('its shelf: gone, or hotter by its last cone', () => {
    expect(kinds({ hasShelf: false })).toEqual(['shelfGone']);
    expect(kinds({ shelfCone: '7' })).toEqual(['shelfCone']);
    expect(kinds({ shelfCone: '6' })).toEqual([]);
  });

  it('goes to the bucket with the version that was used before a newer one', () => {
    const buckets: KeptIn[] = [
      { ...same, isGone: true },
      { ...same, id: 'B2', recipeVersion: 3, createdAt: LATER },
      { ...same, id: 'B3', createdAt: '2026-02-01T00:00:00.000Z' },
    ];
    expect(bucketNow(keeper.glazes[0]!, buckets)?.id).toBe('B3');
    expect(bucketNow(keeper.glazes[0]!, buckets.slice(0, 2))?.id).toBe('B2');
    expect(bucketNow(keeper.glazes[0]!, [])).toBeUndefined();
  });

  it('its plan takes the new bucket everywhere, also in the order of its steps', () => {
    const plan = {
      ...planOf({ outside: [coat('B1', 0.6)], inside: [coat('other', 0.4)] }, { waxFootMm: 12 }),
      order: ['dip B1 outside', 'pour other'],
      pins: [{ before: 'dip B1 outside', after: 'pour other' }],
      gumIn: ['B1'],
      thinned: [{ bucketId: 'B1', sg: 1.4 }],
      versions: [{ bucketId: 'B1', recipeVersionId: 'v', number: 2 }],
    };
    const again = planAgain(plan, keeper, [
      { ...same, isGone: true },
      { ...same, id: 'B2', createdAt: LATER },
    ]);
    expect(again.zones.outside[0]!.bucketId).toBe('B2');
    expect(again.zones.inside[0]!.bucketId).toBe('other');
    expect(JSON.stringify(again)).not.toContain('"bucketId":"B1"');
    expect([again.gumIn, again.thinned![0]!.bucketId]).toEqual([['B2'], 'B2']);
    expect(again.order[0]).toBe('dip B2 outside');
    expect(again.versions).toBeUndefined();
    expect(planAgain(plan, keeper, [same])).toBe(plan);
  });
});

describe('how far another version of a recipe runs', () => {
  const powder = (id: string, oxides: Powder['oxides']): Powder => ({
    id,
    name: id,
    role: 'flux',
    densityGMl: 2.6,
    rawClay: 0,
    shrinkWeight: 0,
    oxides,
    loiPercent: 0,
    hazards: [],
  });
  const powders = [powder('flux', { CaO: 100 }), powder('clay', { Al2O3: 40, SiO2: 60 }), powder('glass', { B2O3: 100 })];
  const line = (powderId: string, percent: number) => ({ id: powderId, powderId, part: 'base', percent }) as const;

  it('more boron runs further, more clay less far, and the same as far', () => {
    const before = [line('flux', 30), line('clay', 70)];
    expect(versionFlowRatio({ before, after: [...before, line('glass', 10)], powders })).toBeGreaterThan(1.2);
    expect(versionFlowRatio({ before, after: [line('flux', 25), line('clay', 75)], powders })).toBeLessThan(1);
    expect(versionFlowRatio({ before, after: before, powders })).toBe(1);
  });
});
