import { v7 as uuid } from 'uuid';
import { predictCoat, PRIOR_KNOWLEDGE, replayBucket, type BucketEvent, type CoatKnowledge, seededUniform } from '@cazuela/core';
import type { ClayBody, CoatDipBody } from '@cazuela/contract';
import { eventsOf } from '../apps/server/src/features/events/append-events';
import type { DemoLoad } from './demo-load';
import type { LoadedBuckets } from './load-buckets';

interface DipStory {
  glaze: string;
  clay: string;
  by: string;
  daysAgo: number;
  wallMm: number;
  /** How this glaze on this body really is, against the starting guesses. */
  truth: CoatKnowledge['shift'];
  /** Seconds of a step tile read with a needle, or of pots weighed before and after. */
  tile?: number[];
  weighedPots?: number[];
}

const STORIES: readonly DipStory[] = [
  { glaze: 'Leche de Higo', clay: 'Barro Claro', by: 'Maia', daysAgo: 64, wallMm: 6, truth: [0.25, -0.2, -0.15], tile: [1, 2, 4] },
  { glaze: 'Leche de Higo', clay: 'Barro Claro', by: 'Inés', daysAgo: 20, wallMm: 5, truth: [0.25, -0.2, -0.15], weighedPots: [1.5, 2, 3] },
  { glaze: 'Tinaja', clay: 'Barro Tostado', by: 'Inés', daysAgo: 41, wallMm: 5, truth: [-0.2, 0.3, 0.1], weighedPots: [2, 3] },
  { glaze: 'Marisma', clay: 'Barro Claro', by: 'Bruno', daysAgo: 33, wallMm: 5, truth: [0.1, -0.2, 0.25], tile: [1, 2, 3] },
];
const NEEDLE_MM = 0.1;

const WINDOWS = [
  {
    glaze: 'Leche de Higo',
    clay: 'Barro Claro',
    thinMm: 0.45,
    thickMm: 0.8,
    looks: { thin: 'the clay shows through', right: 'white, soft', thick: 'crawls at the rim' },
  },
  {
    glaze: 'Marisma',
    clay: 'Barro Claro',
    thinMm: 0.5,
    thickMm: 0.75,
    looks: { thin: 'grey and dry', right: 'sea-green', thick: 'breaks to blue and runs' },
  },
  { glaze: 'Tinaja', clay: 'Barro Tostado', thinMm: 0.4, thickMm: 0.7, looks: { thin: 'brown and dull', right: 'amber', thick: 'dark, pools' } },
];

/** Dips measured over the months: a step tile or two, pots weighed before and after; one that slipped and was left out. */
export async function loadCoats(load: DemoLoad, buckets: LoadedBuckets): Promise<void> {
  const random = seededUniform(41);
  const { context, studioId, transaction } = load;
  const rows = await context.models.bodies.findAll({ where: { studioId }, transaction });
  const clays = rows.map((row): ClayBody => ({ id: row.get().id, version: row.get().version, name: row.get().name, ...row.get().body }));
  for (const { glaze, clay, ...window } of WINDOWS) {
    const glazeId = buckets.get(glaze)!.recipe!.id;
    const bodyId = clays.find((one) => one.name === clay)!.id;
    const change = { at: load.clock.ago({ days: 60 }), by: 'Maia', reason: 'from the step tile', window };
    await context.models.coatWindows.create({ id: uuid(), studioId, version: 1, glazeId, bodyId, changes: [change] }, { transaction });
  }
  for (const story of STORIES) {
    const bucket = buckets.get(story.glaze)!;
    const clay = clays.find((one) => one.name === story.clay)!;
    const stream = { studioId: load.studioId, stream: 'bucket', streamId: bucket.id } as const;
    const replay = replayBucket({ events: await eventsOf<BucketEvent>(load.context, stream, load.transaction) });
    if (replay.kind === 'empty') continue;
    const { density } = replay.contents;
    const sg = (bucket.recipe!.body.sgLow + bucket.recipe!.body.sgHigh) / 2;
    const bisque = { bisqueCone: clay.bisqueCone, earthenware: clay.earthenware };
    const situation = { sg, density, state: 'normal' as const, ...bisque, wallMm: story.wallMm, faces: 1 as const };
    const coatAfter = (seconds: number): number => {
      const { coat } = predictCoat({ ...situation, seconds }, { ...PRIOR_KNOWLEDGE, shift: story.truth });
      return coat.kind === 'ok' ? coat.coatMm : 0.5;
    };
    const head = { bucketId: bucket.id, glazeId: bucket.recipe!.id, bodyId: clay.id, by: story.by, ...situation };
    const add = async (minutes: number, body: Pick<CoatDipBody, 'seconds' | 'reading' | 'leftOut'>): Promise<void> => {
      const at = load.clock.ago({ days: story.daysAgo, minutes: -minutes });
      const row = { id: uuid(), studioId: load.studioId, version: 1, body: { ...head, ...body, at }, createdAt: new Date(at) };
      await load.context.models.coatDips.create(row, { transaction: load.transaction });
    };
    for (const [index, seconds] of (story.tile ?? []).entries()) {
      const coatMm = Number((coatAfter(seconds) + (random() - 0.5) * NEEDLE_MM).toFixed(2));
      await add(4 * index, { seconds, reading: { kind: 'thickness', coatMm } });
    }
    for (const [index, seconds] of (story.weighedPots ?? []).entries()) {
      const areaCm2 = 180 + 20 * index;
      const dryGrams = (coatAfter(seconds) * 0.5 * density * areaCm2 * (1 + 0.1 * (random() - 0.5))) / 10;
      const gainGrams = Number(((dryGrams * sg * (density - 1)) / (density * (sg - 1))).toFixed(1));
      await add(6 * index, { seconds, reading: { kind: 'wetWeight', gainGrams, areaCm2, divisionGrams: 0.1 } });
    }
    if (story.weighedPots?.length === 3) {
      await add(40, {
        seconds: 2,
        reading: { kind: 'wetWeight', gainGrams: 61, areaCm2: 180, divisionGrams: 0.1 },
        leftOut: 'a spill in the tray was weighed along',
      });
    }
  }
}
