import { v7 as uuid } from 'uuid';
import type { RunnerTileBody } from '@cazuela/contract';
import { nextCode } from '../apps/server/src/db/next-code';
import type { DemoLoad } from './demo-load';
import type { LoadedBuckets } from './load-buckets';

interface RunnerStory {
  /** Lower one first, with its coat, mm. */
  glazes: [glaze: string, coatMm: number][];
  by: string;
  daysAgo: number;
  /** Not fired yet where nothing is said. */
  runMm?: number;
}

/** Melted share of a usual coat: packing × density × what does not burn off ÷ density of the glass. */
const MELTS_TO = 0.48;

const RUNNERS: readonly RunnerStory[] = [
  { glazes: [['Tinaja', 0.5]], by: 'Maia', daysAgo: 51, runMm: 3 },
  { glazes: [['Ceniza Clara', 0.5]], by: 'Maia', daysAgo: 51, runMm: 7 },
  {
    glazes: [
      ['Marisma', 0.5],
      ['Retama', 0.3],
    ],
    by: 'Oriol',
    daysAgo: 5,
  },
];

/** Runner tiles: two glazes measured by themselves, and a pair that waits for the kiln. */
export async function loadRunners({ context, studioId, transaction, clock }: DemoLoad, buckets: LoadedBuckets): Promise<void> {
  for (const { glazes, by, daysAgo, runMm } of RUNNERS) {
    const body: RunnerTileBody = {
      layers: glazes.map(([glazeName, coatMm]) => {
        const bucket = buckets.get(glazeName)!;
        return { bucketId: bucket.id, glazeId: bucket.recipe!.id, glazeName, coatMm, meltsTo: MELTS_TO };
      }),
      bandMm: 30,
      by,
      ...(runMm === undefined ? {} : { runMm, cone: '6', firedAt: clock.ago({ days: daysAgo - 2 }) }),
      notes: '',
    };
    const code = await nextCode(context, studioId, 'R', transaction);
    await context.models.runnerTiles.create(
      { id: uuid(), studioId, version: 1, code, body, createdAt: new Date(clock.ago({ days: daysAgo })) },
      { transaction },
    );
  }
}
