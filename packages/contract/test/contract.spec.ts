import type * as z from 'zod';
import {
  coatDipsCreateSchema,
  batchCreateSchema,
  batchFinishSchema,
  benchEventSchema,
  bucketBodySchema,
  bucketSplitSchema,
  colourSchema,
  coneSchema,
  dayStepSchema,
  enteredSchema,
  eventsSendSchema,
  firingBodySchema,
  idSchema,
  LIMITS,
  nameSchema,
  piecePlanSchema,
  PROBLEM_CODES,
  problemSchema,
  recipeBodySchema,
  resultBodySchema,
  sgSchema,
  studioUpdateSchema,
  timeSchema,
  vesselSchema,
} from '../src/index';

const ID = '0198c0de-0000-7000-8000-000000000001';
const AT = '2026-03-10T10:00:00.000Z';
const head = { id: ID, at: AT, by: 'Inés' };
const refusal = (schema: z.ZodType, value: unknown): string => {
  const read = schema.safeParse(value);
  return read.success ? 'fits' : read.error.issues.map((issue) => issue.message).join(' ');
};

describe('a name', () => {
  it.each([
    ['ﬁne Glaze', 'fine Glaze'],
    ['Mar\u200bisma', 'Marisma'],
    ['\u202eamsiraM', 'amsiraM'],
    ['two\nlines', 'two lines'],
    ['  Humo\ufeff ', 'Humo'],
    ['Ñandú 🏺', 'Ñandú 🏺'],
  ])('%j is kept as %j', (typed, kept) => {
    expect(nameSchema.parse(typed)).toBe(kept);
  });

  it('of nothing that can be seen is none', () => {
    expect(nameSchema.safeParse('\u200b\u2060').success).toBe(false);
  });
});

describe('an id', () => {
  it('is one id, however its letters are written', () => {
    expect(idSchema.parse('0198C0DE-0000-7000-8000-00000000ABCD')).toBe('0198c0de-0000-7000-8000-00000000abcd');
  });
});

describe('a time', () => {
  it.each(['0001-01-01T00:00:00.000Z', '1970-01-01T00:00:00.000Z', '2290-01-01T00:00:00.000Z'])('%s is of a clock gone wrong', (at) => {
    expect(timeSchema.safeParse(at).error?.issues[0]?.message).toContain('set the clock');
  });
});

describe('every refusal says what to type instead', () => {
  it.each([
    [sgSchema, 1, 'above 1.00'],
    [sgSchema, 145, 'above 2.20'],
    [coneSchema, '11', '06 and 6 are different cones'],
    [nameSchema, '   ', 'Give it a name'],
    [nameSchema, 'x'.repeat(LIMITS.nameLength + 1), `at most ${LIMITS.nameLength} characters`],
    [colourSchema, 'greenish', 'looks like #7FA08C'],
    [timeSchema, '10 March', 'UTC'],
    [idSchema, 'bucket-1', 'UUID'],
    [vesselSchema, { id: ID, name: 'Cup', tareGrams: 1, volumeMl: 0, markMl: 1 }, 'holds more than 0 mL'],
  ])('%#: %p', (schema, value, words) => {
    expect(refusal(schema, value)).toContain(words);
  });
});

describe('events of the bench', () => {
  const batch = (event: object): string => refusal(benchEventSchema, { stream: 'batch', streamId: ID, event: { ...head, ...event } });
  const bucket = (event: object): string => refusal(benchEventSchema, { stream: 'bucket', streamId: ID, event: { ...head, ...event } });

  it.each([
    [{ type: 'respiratorOn' }],
    [{ type: 'lineWeighed', lineId: ID, grams: 12.5, entered: { value: 12.5, unit: 'g' } }],
    [{ type: 'lineSkipped', lineId: ID }],
    [{ type: 'waterPoured', grams: 0 }],
    [{ type: 'noted', text: 'new sack' }],
    [{ type: 'undone', eventId: ID }],
  ])('a batch takes %p', (event) => {
    expect(batch(event)).toBe('fits');
  });

  it.each([
    [{ type: 'sgMeasured', sg: 1.45, sgSd: 0.006 }],
    [{ type: 'waterAdded', grams: 300, entered: { value: 300, unit: 'mL' } }],
    [{ type: 'powderAdded', reason: 'stain', parts: [{ powderId: ID, name: 'Stain', part: 'stain', grams: 40, density: 4.5 }] }],
    [{ type: 'glazeTaken', millilitres: 200, reason: 'dips' }],
    [{ type: 'swirlTimed', seconds: 8 }],
    [{ type: 'stirred' }],
  ])('a bucket takes %p', (event) => {
    expect(bucket(event)).toBe('fits');
  });

  it.each([
    ['no water', { type: 'waterAdded', grams: 0 }],
    ['an SG of water', { type: 'sgMeasured', sg: 1, sgSd: 0.01 }],
    ['an SG without its error', { type: 'sgMeasured', sg: 1.45, sgSd: 0 }],
    ['no powder', { type: 'powderAdded', reason: 'stain', parts: [] }],
    ['an empty note', { type: 'noted', text: '' }],
    ['a day’s tick', { type: 'stepDone', stepId: ID }],
    ['something more', { type: 'stirred', twice: true }],
  ])('a bucket refuses %s', (_name, event) => {
    expect(bucket(event)).not.toBe('fits');
  });

  it('a send holds one to two hundred events', () => {
    const one = { stream: 'batch', streamId: ID, event: { ...head, type: 'respiratorOn' } };
    expect(refusal(eventsSendSchema, { events: [] })).not.toBe('fits');
    expect(refusal(eventsSendSchema, { events: Array.from({ length: LIMITS.eventsInOneSend }, () => one) })).toBe('fits');
    expect(refusal(eventsSendSchema, { events: Array.from({ length: LIMITS.eventsInOneSend + 1 }, () => one) })).not.toBe('fits');
  });

  it('what was typed is kept with its unit, and only with a unit we know', () => {
    expect(refusal(enteredSchema, { value: 1.5, unit: 'US gal' })).toBe('fits');
    expect(refusal(enteredSchema, { value: 1.5, unit: 'spoon' })).not.toBe('fits');
    expect(refusal(enteredSchema, { value: Number.NaN, unit: 'g' })).not.toBe('fits');
  });
});

describe('documents', () => {
  const recipe = {
    name: 'Nube',
    lines: [],
    coneLow: '5',
    coneHigh: '6',
    atmosphere: 'oxidation',
    surface: 'gloss',
    colour: '#ECE2CC',
    sgLow: 1.43,
    sgHigh: 1.47,
    movement: 'unknown',
    foodTested: false,
    notes: '',
  };
  const plan = { shapeId: 'cup', zones: { inside: [], outside: [], rim: [], foot: [] }, waxFootMm: 8, rimBandMm: 20, order: [], putAside: [] };
  const layer = { id: ID, bucketId: ID, method: 'dip', coatMm: 0.5 };
  const firing = {
    kiln: 'Grillo',
    startedAt: AT,
    wantedCone: '6',
    witnessCone: null,
    points: [
      { hours: 0, celsius: 20 },
      { hours: 9, celsius: 1206 },
    ],
  };
  const result = { pieceId: ID, firingId: ID, coneReached: '6', stars: 5, faults: [], note: '', photoId: null };

  it.each([
    ['a recipe', recipeBodySchema, recipe],
    ['a plan', piecePlanSchema, { ...plan, zones: { ...plan.zones, outside: [layer, layer, layer] } }],
    ['a firing', firingBodySchema, firing],
    ['a result', resultBodySchema, result],
    ['a bucket', bucketBodySchema, { name: 'Nube', sgLow: 1.43, sgHigh: 1.47, capacityMl: 9000, colour: '#ECE2CC', notes: '' }],
    [
      'a batch by weight',
      batchCreateSchema,
      { id: ID, recipeVersionId: ID, size: { kind: 'base', baseGrams: 500 }, water: { kind: 'perBaseGram', millilitres: 1 }, order: 'clayFirst' },
    ],
    [
      'a batch by volume',
      batchCreateSchema,
      { id: ID, recipeVersionId: ID, size: { kind: 'volume', volumeMl: 5000, sg: 1.45 }, water: { kind: 'toSg', sg: 1.45 }, order: 'recipe' },
    ],
    ['a day’s step', dayStepSchema, { id: ID, itemId: ID, kind: 'wax', words: 'Wax the foot', laborSeconds: 40, waitMinutes: 20 }],
  ])('%s that is right fits', (_name, schema, value) => {
    expect(refusal(schema, value)).toBe('fits');
  });

  it.each([
    ['a recipe with its SG upside down', recipeBodySchema, { ...recipe, sgLow: 1.5 }, 'below the upper'],
    [
      'a bucket with its SG upside down',
      bucketBodySchema,
      { name: 'Nube', sgLow: 1.5, sgHigh: 1.5, capacityMl: 9000, colour: '#ECE2CC', notes: '' },
      'below the upper',
    ],
    ['a fourth coat', piecePlanSchema, { ...plan, zones: { ...plan.zones, rim: [layer, layer, layer, layer] } }, 'at most 3 coats'],
    ['a coat of nothing', piecePlanSchema, { ...plan, zones: { ...plan.zones, rim: [{ ...layer, coatMm: 0 }] } }, 'more than 0 mm'],
    ['a zone nobody has', piecePlanSchema, { ...plan, zones: { ...plan.zones, lid: [] } }, 'lid'],
    ['a firing of one point', firingBodySchema, { ...firing, points: [{ hours: 0, celsius: 20 }] }, 'at least two points'],
    ['half a star', resultBodySchema, { ...result, stars: 2.5 }, ''],
    [
      'a studio without members',
      studioUpdateSchema,
      { version: 1, name: 'S', members: [], vessels: [], scale: { name: 'S', divisionGrams: 0.1, capacityGrams: 100 } },
      'at least one member',
    ],
    [
      'pouring nothing',
      bucketSplitSchema,
      { newBucketId: ID, takenEventId: ID, filledEventId: ID, at: AT, by: 'Inés', name: 'N', takenMl: 0 },
      'more than 0',
    ],
    [
      'a bucket nobody named',
      batchFinishSchema,
      { bucketId: ID, filledEventId: ID, finishedEventId: ID, at: AT, by: 'Inés', name: '' },
      'Give it a name',
    ],
    [
      'a batch of nothing',
      batchCreateSchema,
      { id: ID, recipeVersionId: ID, size: { kind: 'base', baseGrams: 0 }, water: { kind: 'perBaseGram', millilitres: 1 }, order: 'clayFirst' },
      'cannot be weighed',
    ],
  ])('%s is refused', (_name, schema, value, words) => {
    const answer = refusal(schema, value);
    expect(answer).not.toBe('fits');
    expect(answer).toContain(words);
  });
});

describe('problem details', () => {
  it('every code of ours is one the screens know', () => {
    for (const code of PROBLEM_CODES)
      expect(refusal(problemSchema, { type: 'about:blank', title: 'No', status: 422, code, detail: 'Because.' })).toBe('fits');
    expect(refusal(problemSchema, { type: 'about:blank', title: 'No', status: 422, code: 'unheard', detail: 'Because.' })).not.toBe('fits');
  });
});

describe('a measured dip', () => {
  const id = '0198c0de-0000-7000-8000-000000000001';
  const dip = (change: object): unknown => ({
    dips: [
      {
        id,
        body: {
          ...{ bucketId: id, glazeId: id, bodyId: id, at: '2026-03-10T10:00:00.000Z', by: 'Maia', seconds: 2, sg: 1.45, density: 2.6 },
          ...{ state: 'normal', bisqueCone: '05', earthenware: false, wallMm: 5, faces: 1, reading: { kind: 'thickness', coatMm: 0.5 } },
          ...change,
        },
      },
    ],
  });

  it('takes some time; a brushed coat has passes instead', () => {
    expect(coatDipsCreateSchema.safeParse(dip({})).success).toBe(true);
    expect(coatDipsCreateSchema.safeParse(dip({ seconds: 0 })).error?.issues[0]?.message).toBe('A dip takes some time: 0 s is none.');
    expect(coatDipsCreateSchema.safeParse(dip({ seconds: 0, method: 'brushLoaded', passes: 3 })).success).toBe(true);
    const halfPass = coatDipsCreateSchema.safeParse(dip({ seconds: 0, method: 'brushLoaded', passes: 2.5 }));
    expect(halfPass.error?.issues[0]?.message).toBe('A whole number is wanted here.');
  });
});
