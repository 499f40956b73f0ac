import { v7 as uuid } from 'uuid';
import type { Layer, PiecePlan, Way } from '@cazuela/core';
import type { ClayBody, PieceBody } from '@cazuela/contract';
import { demoBodies } from './bodies';
import type { DemoLoad } from './demo-load';
import type { LoadedBuckets } from './load-buckets';

export interface LoadedPiece {
  id: string;
  body: PieceBody;
  clay: ClayBody;
}

type Coat = [glaze: string, way: Way, coatMm: number];

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
}

const STORIES: readonly PieceStory[] = [
  {
    name: 'Cazuela for soup',
    shapeId: 'cazuela',
    clay: 'Barro Tostado',
    count: 36,
    inside: [['Leche de Higo', 'pour', 0.4]],
    outside: [['Tinaja', 'dip', 0.5]],
    waxFootMm: 14,
  },
  {
    name: 'Lidded pot, tall',
    shapeId: 'liddedPot',
    clay: 'Barro Claro',
    count: 12,
    inside: [['Leche de Higo', 'pour', 0.35]],
    outside: [['Tinaja', 'dip', 0.5]],
    rim: [['Ceniza Clara', 'pour', 0.35]],
    waxFootMm: 12,
    rimBandMm: 70,
  },
  {
    name: 'Platter, one of eight',
    shapeId: 'platter',
    clay: 'Barro Claro',
    count: 8,
    inside: [['Marisma', 'pour', 0.5]],
    outside: [['Marisma', 'dip', 0.4]],
    waxFootMm: 9,
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
    inside: [['Leche de Higo', 'pour', 0.35]],
    outside: [['Humo', 'dip', 0.5]],
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
    const body: PieceBody = { name: story.name, bodyId: clay.id, count: story.count, plan: planOf(story, buckets) };
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
    coats.map(([glaze, way, coatMm]) => ({ id: uuid(), bucketId: buckets.get(glaze)!.id, way, coatMm }));
  return {
    shapeId: story.shapeId,
    zones: { inside: layers(story.inside), outside: layers(story.outside), rim: layers(story.rim), foot: [] },
    waxFootMm: story.waxFootMm,
    rimBandMm: story.rimBandMm ?? 20,
    order: [],
    putAside: [],
  };
}
