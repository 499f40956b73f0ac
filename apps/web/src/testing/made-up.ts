import type { Batch, Bucket, BucketSummary, ClayBody, Day, Firing, Piece, Recipe, Result, StudioPowder } from '@cazuela/contract';
import { firingFromPeak, NO_PLANNING, planBatch, replayBucket, type BucketEvent } from '@cazuela/core';
import { AT } from './records';

let count = 0;
/** A UUID that sorts by age, the same in every run. */
export const id = (): string => `0198c0de-0000-7000-8000-${String(++count).padStart(12, '0')}`;
export const ago = (minutes: number): string => new Date(AT.getTime() - minutes * 60_000).toISOString();

const powder = (name: string, role: string, change: Partial<StudioPowder> = {}): StudioPowder => ({
  id: id(),
  version: 1,
  name,
  role,
  densityGMl: 2.6,
  rawClay: 0,
  shrinkWeight: 0,
  oxides: { SiO2: 60, CaO: 30, Al2O3: 10 },
  loiPercent: 5,
  sieveMesh: 60,
  hazards: [],
  ...change,
});
export const KAOLIN = powder('Kaolin', 'clay', { rawClay: 1, shrinkWeight: 1, hazards: ['silica dust'] });
export const SILICA = powder('Silica', 'glass former', { hazards: ['silica dust'] });
export const TIN = powder('Tin oxide', 'opacifier', { densityGMl: 6.95, sieveMesh: 100 });
export const STAIN = powder('Stain (zircon type)', 'colourant', { densityGMl: 4.5, hazards: ['read its data sheet'] });
export const POWDERS = [KAOLIN, SILICA, TIN, STAIN];

export const RECIPE: Recipe = {
  id: id(),
  version: 2,
  versionId: id(),
  reason: 'a little more tin',
  changedAt: ago(9000),
  fired: true,
  body: {
    name: 'Leche de Higo',
    lines: [
      { id: id(), powderId: SILICA.id, part: 'base', percent: 60 },
      { id: id(), powderId: KAOLIN.id, part: 'base', percent: 40 },
      { id: id(), powderId: TIN.id, part: 'addition', percent: 5 },
    ],
    coneLow: '5',
    coneHigh: '6',
    atmosphere: 'oxidation',
    surface: 'gloss',
    colour: '#ECE2CC',
    sgLow: 1.43,
    sgHigh: 1.47,
    movement: 'stays',
    foodTested: true,
    notes: '',
  },
};

export function batch(change: Partial<Batch> = {}): Batch {
  const plan = planBatch({ lines: RECIPE.body.lines, powders: POWDERS, size: { kind: 'base', baseGrams: 1000 }, water: { kind: 'toSg', sg: 1.45 } });
  return {
    id: id(),
    recipeId: RECIPE.id,
    recipeVersionId: RECIPE.versionId,
    recipeVersion: 2,
    recipeName: 'Leche de Higo',
    colour: '#ECE2CC',
    plan,
    createdAt: ago(60),
    bucketId: null,
    linesDone: 0,
    lastAt: null,
    lastBy: null,
    setAside: false,
    events: [],
    ...change,
  };
}

/** 10 L of a white liner at an SG, measured unless told otherwise. */
export function bucket({ sg = 1.45, measured = true, ...change }: Partial<Bucket> & { sg?: number; measured?: boolean } = {}): Bucket {
  const parts = [
    { powderId: SILICA.id, name: 'Silica', part: 'base' as const, grams: 4000, density: 2.6 },
    { powderId: KAOLIN.id, name: 'Kaolin', part: 'base' as const, grams: 3300, density: 2.6 },
  ];
  const events: BucketEvent[] = [
    { id: id(), at: ago(600), by: 'Inés', type: 'filled', parts, waterGrams: 7192, from: 'batch' },
    ...(measured ? [{ id: id(), at: ago(60), by: 'Inés', type: 'sgMeasured' as const, sg, sgSd: 0.006 }] : []),
  ];
  const replay = replayBucket({ events });
  return {
    id: id(),
    code: 'B1',
    version: 1,
    body: { name: 'Leche de Higo', sgLow: 1.43, sgHigh: 1.47, capacityMl: 16_000, colour: '#ECE2CC', notes: '' },
    recipeId: RECIPE.id,
    recipeVersionId: RECIPE.versionId,
    recipeVersion: 2,
    createdAt: ago(600),
    contents: replay.kind === 'ok' ? replay.contents : null,
    events,
    ...change,
  };
}

export function summaryOf({ events: _events, ...summary }: Bucket): BucketSummary {
  return summary;
}

export const CLAY: ClayBody = { id: id(), version: 1, name: 'Barro Claro', colour: '#E4D8C2', bisqueCone: '05', earthenware: false };

export function piece(change: Partial<Piece['body']['plan']> = {}): Piece {
  const plan = {
    shapeId: 'cup',
    zones: { inside: [], outside: [], rim: [], foot: [] },
    waxFootMm: 10,
    rimBandMm: 20,
    order: [],
    putAside: [],
    ...change,
  };
  return { id: id(), version: 1, createdAt: ago(500), body: { name: 'Cup', bodyId: CLAY.id, count: 20, plan } };
}

export function day(of: Piece, change: Partial<Day> = {}): Day {
  const itemId = id();
  const step = (words: string, more: object = {}) => ({
    id: id(),
    itemId,
    kind: 'layer' as const,
    words,
    laborSeconds: 30,
    waitMinutes: 10,
    ...more,
  });
  const steps = [
    step('Check edges and dust', { kind: 'check' }),
    step('Dip the outside in Leche de Higo, 2.4 s', { seconds: 2.4, coatMm: 0.5 }),
    step('Wipe the foot and check it', { kind: 'wipeFoot', waitMinutes: 0 }),
  ];
  return {
    id: id(),
    version: 1,
    date: '2026-03-10',
    createdAt: ago(200),
    items: [{ id: itemId, pieceId: of.id, name: 'Cup', count: 20, steps }],
    planning: NO_PLANNING,
    events: [],
    ...change,
  };
}

export function firing(hoursAgo: number, change: Partial<Firing['body']> = {}): Firing {
  return {
    id: id(),
    version: 1,
    body: {
      kiln: 'Abuela',
      startedAt: ago(hoursAgo * 60),
      wantedCone: '6',
      witnessCone: null,
      points: firingFromPeak({ peakCelsius: 1206, hoursUp: 9.5, holdMinutes: 10 }),
      ...change,
    },
  };
}

export function result(of: Piece, from: Firing, change: Partial<Result['body']> = {}): Result {
  return {
    id: id(),
    version: 1,
    pieceName: 'Cup',
    kiln: 'Abuela',
    firedAt: from.body.startedAt,
    createdAt: ago(30),
    body: { pieceId: of.id, firingId: from.id, coneReached: '6', stars: 4, faults: [], note: 'just as drawn', photoId: null, ...change },
    glazedWith: [
      {
        words: 'Dip the outside in Leche de Higo',
        bucketId: id(),
        bucketName: 'Leche de Higo',
        bucketCode: 'B1',
        sg: 1.46,
        coatMm: 0.5,
        seconds: 2.4,
        doneAt: ago(900),
      },
    ],
  };
}
