import { v7 as uuid } from 'uuid';
import { SEAT_MASK_ID, type Layer, type PiecePlan, type ApplicationMethod } from '@cazuela/core';
import type { ClayBody, PieceBody } from '@cazuela/contract';
import { demoBodies } from './bodies';
import type { DemoLoad } from './demo-load';
import type { LoadedBuckets } from './load-buckets';

export interface LoadedPiece {
  id: string;
  body: PieceBody;
  clay: ClayBody;
}

type Coat = [glaze: string, method: ApplicationMethod, coatMm: number];

interface PieceStory {
  name: string;
  shapeId: string;
  clay: 'Barro Claro' | 'Barro Tostado';
  count: number;
  inside: Coat[];
  outside: Coat[];
  rim?: Coat[];
  waxFootMm: number;
  rimBandMm?: number;
  /** Further fields of the plan. */
  also?: Partial<PiecePlan>;
  /** Each one different: which glazes take turns, and where. */
  turns?: { glazes: string[]; places: string[] };
}

const [NIEVE_ID, AZUL_ID] = [uuid(), uuid()];

const STORIES: readonly PieceStory[] = [
  {
    name: 'Cazuela for soup',
    shapeId: 'cazuela',
    clay: 'Barro Tostado',
    count: 36,
    inside: [['Leche de Higo', 'pour', 0.6]],
    outside: [['Tinaja', 'dip', 0.5]],
    waxFootMm: 14,
  },
  {
    name: 'Lidded pot, tall',
    shapeId: 'liddedPot',
    clay: 'Barro Claro',
    count: 12,
    inside: [['Leche de Higo', 'pour', 0.6]],
    outside: [['Tinaja', 'dip', 0.5]],
    rim: [['Ceniza Clara', 'pour', 0.35]],
    waxFootMm: 12,
    rimBandMm: 70,
    also: { lid: true, masks: [{ id: SEAT_MASK_ID, kind: 'wax', where: 'band', fromMm: 194, toMm: 200 }] },
  },
  {
    name: 'Platter, one of eight',
    shapeId: 'platter',
    clay: 'Barro Claro',
    count: 8,
    inside: [['Marisma', 'pour', 0.7]],
    outside: [['Marisma', 'dip', 0.45]],
    rim: [['Tinaja', 'brush', 0.25]],
    waxFootMm: 9,
    rimBandMm: 12,
    turns: { glazes: ['Marisma', 'Tinaja', 'Retama', 'Leche de Higo'], places: ['inside', 'outside', 'rim'] },
  },
  {
    name: 'Cup with a blue lip',
    shapeId: 'cup',
    clay: 'Barro Claro',
    count: 20,
    inside: [['Leche de Higo', 'dip', 0.4]],
    outside: [['Leche de Higo', 'dip', 0.4]],
    rim: [['Marisma', 'dip', 0.35]],
    waxFootMm: 6,
    rimBandMm: 30,
  },
  {
    name: 'Oil bottle',
    shapeId: 'bottle',
    clay: 'Barro Tostado',
    count: 6,
    inside: [['Leche de Higo', 'pour', 0.6]],
    outside: [['Humo', 'dip', 0.55]],
    waxFootMm: 10,
  },
  {
    name: 'Planter with a drain hole',
    shapeId: 'planter',
    clay: 'Barro Tostado',
    count: 4,
    inside: [],
    outside: [['Ceniza Clara', 'pour', 0.4]],
    rim: [['Retama', 'brush', 0.3]],
    waxFootMm: 16,
    rimBandMm: 40,
    also: { masks: [{ id: uuid(), kind: 'tape', where: 'hole', fromMm: 0, toMm: 0 }] },
  },
  {
    name: 'Vase with a white strip',
    shapeId: 'vase',
    clay: 'Barro Tostado',
    count: 1,
    inside: [['Leche de Higo', 'pour', 0.6]],
    outside: [['Tinaja', 'dip', 0.45]],
    waxFootMm: 14,
    also: {
      decoratingColours: [
        { id: NIEVE_ID, name: 'Nieve', colour: '#F1EDE2', coatingKind: 'slip', shrinkagePercent: 10.4 },
        { id: AZUL_ID, name: 'Azul painted', colour: '#2B3F78', coatingKind: 'underglaze', colourant: 'other' },
      ],
      strips: [
        {
          id: uuid(),
          fromMm: 70,
          toMm: 120,
          edge: { kind: 'waving', riseMm: 10, waves: 6 },
          layers: [
            { id: uuid(), bucketId: NIEVE_ID, method: 'brush', coatMm: 0.2, coatingKind: 'slip' },
            { id: uuid(), bucketId: AZUL_ID, method: 'brush', coatMm: 0.1, coatingKind: 'underglaze' },
          ],
          first: true,
        },
      ],
    },
  },
];

/** The autumn fair's pieces with their plans, and the two clay bodies. */
export async function loadPieces(load: DemoLoad, buckets: LoadedBuckets): Promise<LoadedPiece[]> {
  const clays = new Map(demoBodies(load.clock).map((body) => [body.name, body]));
  for (const { id, version, name, ...rest } of clays.values())
    await load.context.models.bodies.create({ id, studioId: load.studioId, version, name, body: rest }, { transaction: load.transaction });
  const pieces: LoadedPiece[] = [];
  for (const [index, story] of STORIES.entries()) {
    const clay = clays.get(story.clay)!;
    const body: PieceBody = { name: story.name, bodyId: clay.id, count: story.count, plan: planOf(story, buckets), ...setOf(story, buckets) };
    const createdAt = new Date(load.clock.ago({ days: 40 - 3 * index }));
    const id = uuid();
    await load.context.models.pieces.create(
      { id, studioId: load.studioId, version: 1, name: body.name, clayBodyId: clay.id, body, createdAt },
      { transaction: load.transaction },
    );
    pieces.push({ id, body, clay });
  }
  return pieces;
}

function planOf(story: PieceStory, buckets: LoadedBuckets): PiecePlan {
  const layers = (coats: Coat[] = []): Layer[] =>
    coats.map(([glaze, method, coatMm]) => ({ id: uuid(), bucketId: buckets.get(glaze)!.id, method, coatMm }));
  return {
    shapeId: story.shapeId,
    zones: { inside: layers(story.inside), outside: layers(story.outside), rim: layers(story.rim), foot: [] },
    waxFootMm: story.waxFootMm,
    rimBandMm: story.rimBandMm ?? 20,
    order: [],
    putAside: [],
    ...story.also,
  };
}

/** Only the rule is stored: the pieces follow from it when the plan is opened. */
function setOf({ turns }: PieceStory, buckets: LoadedBuckets): Pick<PieceBody, 'variations'> {
  return turns ? { variations: { rule: { palette: turns.glazes.map((glaze) => buckets.get(glaze)!.id), places: turns.places }, pieces: [] } } : {};
}
