import { v7 as uuid } from 'uuid';
import type { TileBody, TileStrip } from '@cazuela/contract';
import { nextCode } from '../apps/server/src/db/next-code';
import type { DemoLoad } from './demo-load';
import type { LoadedBuckets } from './load-buckets';

type Strip = Omit<TileStrip, 'id' | 'depthMm'>;
interface TileStory {
  glaze: string;
  clay: string;
  by: string;
  daysAgo: number;
  fired: boolean;
  strips: Strip[];
}

/** One tile that was read and made a window, and one that was fired and waits to be looked at. */
const TILES: readonly TileStory[] = [
  {
    glaze: 'Marisma',
    clay: 'Barro Claro',
    by: 'Bruno',
    daysAgo: 33,
    fired: true,
    strips: [
      { wantedMm: 0.3, seconds: 0.6, expectedMm: 0.3, measuredMm: 0.34, verdict: 'thin', words: 'grey and dry' },
      { wantedMm: 0.5, seconds: 1.9, expectedMm: 0.5, measuredMm: 0.58, verdict: 'right', words: 'sea-green' },
      { wantedMm: 0.7, seconds: 3.8, expectedMm: 0.7, measuredMm: 0.71, verdict: 'right', words: 'sea-green, deeper' },
      { wantedMm: 0.9, seconds: 6.4, expectedMm: 0.9, measuredMm: 0.87, verdict: 'thick', words: 'breaks to blue and runs' },
    ],
  },
  {
    glaze: 'Retama',
    clay: 'Barro Tostado',
    by: 'Oriol',
    daysAgo: 5,
    fired: true,
    strips: [
      { wantedMm: 0.4, seconds: 1.2, expectedMm: 0.4, measuredMm: 0.36 },
      { wantedMm: 0.6, seconds: 2.8, expectedMm: 0.6, measuredMm: 0.55 },
      { wantedMm: 0.8, seconds: 5.1, expectedMm: 0.8, measuredMm: 0.74 },
    ],
  },
];
const HIGH_MM = 95;
const HELD_MM = 15;

export async function loadTiles({ context, studioId, transaction, clock }: DemoLoad, buckets: LoadedBuckets): Promise<void> {
  const clays = (await context.models.bodies.findAll({ where: { studioId }, transaction })).map((row) => row.get());
  for (const story of TILES) {
    const bucket = buckets.get(story.glaze)!;
    const stripMm = (HIGH_MM - HELD_MM) / story.strips.length;
    const body: TileBody = {
      bucketId: bucket.id,
      glazeId: bucket.recipe!.id,
      glazeName: story.glaze,
      bodyId: clays.find((one) => one.name === story.clay)!.id,
      by: story.by,
      method: 'inOneGo',
      highMm: HIGH_MM,
      sg: (bucket.recipe!.body.sgLow + bucket.recipe!.body.sgHigh) / 2,
      strips: story.strips.map((strip, at) => ({ id: uuid(), depthMm: Math.round(stripMm * (story.strips.length - at)), ...strip })),
      dippedAt: clock.ago({ days: story.daysAgo }),
      ...(story.fired ? { firedAt: clock.ago({ days: story.daysAgo - 3 }), cone: '6' } : {}),
      notes: '',
    };
    const createdAt = new Date(clock.ago({ days: story.daysAgo }));
    const code = await nextCode(context, studioId, 'T', transaction);
    await context.models.tiles.create({ id: uuid(), studioId, version: 1, code, body, createdAt }, { transaction });
  }
}
