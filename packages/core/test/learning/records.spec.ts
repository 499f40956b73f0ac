import {
  bisqueOf,
  coatObservations,
  feetSeen,
  glazeIdOf,
  knowledgeOf,
  learnCoats,
  learnFromRunners,
  passReadings,
  runnerReadings,
  wallObservations,
  withFeet,
  type FiredPiece,
  type MeasuredDip,
  type PiecePlan,
} from '../../src/index';
import { glazeOf } from '../glaze-facts';

const THIRST = { dryGrams: 100, afterGrams: 104, soakedGrams: 112, seconds: 3, faceCm2: 50, faces: 2, divisionGrams: 0.01 } as const;
const CLAY = { id: 'clay', bisqueCone: '05', earthenware: false, absorptionPercent: 14, wallMm: 6 };

describe('the bisque a dip meets', () => {
  it('is the lot’s own, and the card’s where the lot says nothing', () => {
    const lots = [
      { id: 'spring', bisqueCone: '06', wallMm: 5 },
      { id: 'autumn', bisqueCone: '04' },
    ];
    expect(bisqueOf({ ...CLAY, lots })).toMatchObject({ bisqueCone: '04', wallMm: 6, absorptionPercent: 14 });
    expect(bisqueOf({ ...CLAY, lots }, 'spring')).toMatchObject({ bisqueCone: '06', wallMm: 5 });
    expect(bisqueOf(CLAY).lot).toBeUndefined();
  });

  it('drinks what its thirst test weighed, not what somebody typed', () => {
    const soaked = bisqueOf({ ...CLAY, lots: [{ id: 'a', bisqueCone: '05', absorptionPercent: 20, thirst: THIRST }] });
    expect(soaked.absorptionPercent).toBeCloseTo(12, 9);
  });

  it('a thirst test becomes an observation of the wall; one that cannot be says nothing', () => {
    const [wall, ...more] = wallObservations([
      { ...CLAY, lots: [{ id: 'a', bisqueCone: '05', thirst: THIRST }] },
      { ...CLAY, id: 'other', lots: [{ id: 'b', bisqueCone: '05', thirst: { ...THIRST, afterGrams: 90 } }] },
    ]);
    expect(wall).toMatchObject({ bodyId: 'clay' });
    expect(Number.isFinite(wall!.lnWall)).toBe(true);
    expect(more).toEqual([]);
  });
});

describe('measured dips', () => {
  const dip = (id: string, more: Partial<MeasuredDip['body']> = {}): MeasuredDip => ({
    id,
    body: {
      glazeId: 'white',
      bodyId: 'clay',
      at: '2026-03-01T09:00:00.000Z',
      seconds: 3,
      sg: 1.45,
      density: 2.6,
      state: 'normal',
      bisqueCone: '05',
      earthenware: false,
      wallMm: 6,
      faces: 2,
      reading: { kind: 'thickness', coatMm: 0.6 },
      ...more,
    },
  });

  it('are learnt from oldest first; what was left out, cannot be read or was timed by nobody is not among them', () => {
    const observations = coatObservations([
      dip('late', { at: '2026-03-02T09:00:00.000Z' }),
      dip('early'),
      dip('slipped', { leftOut: 'it slipped' }),
      dip('lighter', { reading: { kind: 'wetWeight', gainGrams: -1, areaCm2: 100, divisionGrams: 0.1 } }),
      dip('brushed', { method: 'brushLoaded', passes: 3, seconds: 0 }),
      dip('untimed', { secondsPlanned: true }),
    ]);
    expect(observations.map((one) => one.id)).toEqual(['early', 'late']);
    const knowledge = knowledgeOf(learnCoats({ observations }), { glazeId: 'white', bodyId: 'clay' });
    expect(knowledge.basis).toEqual({ kind: 'learnt', pair: 2, glaze: 2, body: 2 });
  });

  it('put on in passes are kept apart, by glaze', () => {
    const dips = [
      dip('a', { method: 'spray', passes: 4, seconds: 0 }),
      dip('b', { method: 'spray', passes: 4, seconds: 0, glazeId: 'blue' }),
      dip('c'),
    ];
    expect(passReadings(dips, 'white')).toEqual([{ method: 'spray', passes: 4, coatMm: 0.6, lnSd: expect.closeTo(0.1 / 0.6, 9) }]);
  });
});

describe('a glaze is known', () => {
  it.each([
    ['by its recipe in any bucket', { id: 'B1', recipeId: 'white', contents: { glazes: ['White'] } }, 'white'],
    ['by its bucket when it is a mixture', { id: 'B1', recipeId: 'white', contents: { glazes: ['White', 'Blue'] } }, 'B1'],
    ['by its bucket when it was bought', { id: 'B1', recipeId: null, contents: null }, 'B1'],
  ])('%s', (_, bucket, id) => {
    expect(glazeIdOf(bucket)).toBe(id);
  });
});

const BUCKET = { id: 'ash', recipeId: 'recipe', recipeVersionId: 'v1', contents: { glazes: ['Ash'] } };

describe('runner tiles', () => {
  const tile = (runMm?: number) => ({
    body: { layers: [{ glazeId: 'recipe', coatMm: 0.8, meltsTo: 0.5 }], bandMm: 20, ...(runMm === undefined ? {} : { runMm }) },
  });

  it('only planned say nothing; a measured one makes its glaze’s flow surer', () => {
    expect(runnerReadings([tile()])).toEqual([]);
    const glaze = glazeOf('ash');
    const { facts: learnt } = learnFromRunners({ tiles: [tile(), tile(10)], facts: [glaze], buckets: [BUCKET] });
    expect(learnt[0]!.flow).toMatchObject({ basis: 'runnerTile' });
    expect(learnt[0]!.flow.lnSd).toBeLessThan(glaze.flow.lnSd);
  });
});

describe('fired feet', () => {
  const plan: PiecePlan = {
    shapeId: 'cup',
    zones: { inside: [], outside: [{ id: 'a', bucketId: 'ash', method: 'dip', coatMm: 0.6 }], rim: [], foot: [] },
    waxFootMm: 12,
    rimBandMm: 0,
    order: [],
    putAside: [],
    versions: [{ bucketId: 'ash', recipeVersionId: 'v1', number: 1 }],
  };
  const fired = (faults: FiredPiece['body']['faults'], foot?: 'clean' | 'touched'): FiredPiece => ({
    firedAt: '2026-03-01',
    body: { pieceId: 'p', coneReached: '6', faults, foot },
  });
  const seen = (results: readonly FiredPiece[], bucket = BUCKET) =>
    feetSeen({ results, pieces: [{ id: 'p', body: { plan } }], facts: [glazeOf('ash')], buckets: [bucket] });

  it('a stuck foot says that its glaze flows more, a clean one that it flows less', () => {
    const flowAfter = (feet: ReturnType<typeof seen>) => withFeet({ facts: [glazeOf('ash')], feet, buckets: [BUCKET] })[0]!.flow.flow;
    const before = glazeOf('ash').flow.flow;
    expect(flowAfter(seen([fired([{ fault: 'stuck', where: 'foot' }])]))).toBeGreaterThan(before);
    expect(flowAfter(seen([fired([], 'clean')]))).toBeLessThan(before);
    expect(flowAfter(seen([fired([], 'touched')]))).toBeGreaterThan(before);
  });

  it('say nothing of a bucket that holds another recipe by now', () => {
    expect(seen([fired([], 'clean')], { ...BUCKET, recipeVersionId: 'v2' })).toEqual([]);
  });

  it('a foot of which nobody said a word says nothing: it is not a clean one', () => {
    expect(seen([fired([])])).toEqual([]);
    expect(seen([fired([{ fault: 'dull', where: 'inside' }])])).toEqual([]);
  });
});
