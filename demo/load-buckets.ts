import { v7 as uuid } from 'uuid';
import {
  brimMl,
  planBatch,
  replayBucket,
  splitBucket,
  waterPerDryGram,
  waterToThin,
  type BatchEvent,
  type BucketShape,
  type BatchPlan,
  type BucketEvent,
  type BucketPart,
  seededUniform,
} from '@cazuela/core';
import { appendToStream, eventsOf } from '../apps/server/src/features/events/append-events';
import { createBucketRow } from '../apps/server/src/features/buckets/create-bucket-row';
import type { DemoLoad, LoadedRecipe } from './demo-load';

export type LoadedBuckets = Map<string, { id: string; colour: string; recipe?: LoadedRecipe }>;

interface BucketStory {
  name: string;
  daysOld: number;
  baseGrams: number;
  /** SG at the last measurement, its sd, and litres then. */
  last: { sg: number; sgSd: number; litres: number; daysAgo: number };
  by: string;
  extra?: (clock: DemoLoad['clock']) => BucketEvent[];
  /** SG it gains in a day by itself; a lid that is off is recorded. */
  perDay: number;
  lidOff?: boolean;
}

/** A tapered pail of sixteen litres, and a straight pot of ten. */
const PAIL: BucketShape = { kind: 'cone', bottomMm: 250, topMm: 290, highMm: 280 };
const POT: BucketShape = { kind: 'cylinder', acrossMm: 240, highMm: 225 };

const event = (at: string, by: string): { id: string; at: string; by: string } => ({ id: uuid(), at, by });

const STORIES: readonly BucketStory[] = [
  { name: 'Leche de Higo', daysOld: 150, baseGrams: 9000, last: { sg: 1.452, sgSd: 0.006, litres: 11.6, daysAgo: 2 }, perDay: 0.0006, by: 'Maia' },
  {
    name: 'Marisma',
    daysOld: 96,
    baseGrams: 8000,
    last: { sg: 1.53, sgSd: 0.008, litres: 10, daysAgo: 1 },
    perDay: 0.0019,
    lidOff: true,
    by: 'Inés',
  },
  {
    name: 'Ceniza Clara',
    daysOld: 60,
    baseGrams: 4200,
    last: { sg: 1.334, sgSd: 0.007, litres: 6.3, daysAgo: 4 },
    perDay: 0.0008,
    by: 'Oriol',
    extra: (clock) => [
      {
        ...event(clock.ago({ days: 4 }), 'Oriol'),
        type: 'noted',
        text: 'Hard pan on the bottom again: drilled up, sieved. Stir before every piece.',
      },
    ],
  },
  { name: 'Retama', daysOld: 44, baseGrams: 3200, last: { sg: 1.471, sgSd: 0.006, litres: 4.3, daysAgo: 3 }, perDay: 0.001, by: 'Bruno' },
  { name: 'Tinaja', daysOld: 120, baseGrams: 9000, last: { sg: 1.458, sgSd: 0.006, litres: 12.1, daysAgo: 2 }, perDay: 0.0007, by: 'Inés' },
  {
    name: 'Humo',
    daysOld: 80,
    baseGrams: 6000,
    last: { sg: 1.408, sgSd: 0.006, litres: 8.2, daysAgo: 6 },
    perDay: 0.0009,
    by: 'Bruno',
    extra: (clock) => [
      // Fifteen drops at a time: twice nothing, then it turns.
      ...[14, 13.8, 14.1, 9.2, 5.6, 4.3, 4].flatMap((seconds, step): BucketEvent[] => [
        ...(step > 0 ? [{ ...event(clock.ago({ days: 6, minutes: -10 * step }), 'Bruno'), type: 'dropsAdded', drops: 15 } as const] : []),
        { ...event(clock.ago({ days: 6, minutes: -10 * step - 4 }), 'Bruno'), type: 'swirlTimed', seconds },
      ]),
    ],
  },
];

/** Buckets with their months of measuring and watering; one batch interrupted at its fourth line; one jar. */
export async function loadBuckets(load: DemoLoad, recipes: ReadonlyMap<string, LoadedRecipe>): Promise<LoadedBuckets> {
  const buckets: LoadedBuckets = new Map();
  for (const [index, story] of STORIES.entries()) {
    const recipe = recipes.get(story.name)!;
    const id = uuid();
    buckets.set(story.name, { id, colour: recipe.body.colour, recipe });
    const plan = planOf(recipe, story.baseGrams);
    const { sgLow, sgHigh, colour } = recipe.body;
    const shape = story.baseGrams > 5000 ? PAIL : POT;
    const capacityMl = Math.round(brimMl({ shape }));
    const body = { name: story.name, sgLow, sgHigh, capacityMl, colour, notes: '', shape, feel: { swirl: { low: 6, high: 12 } } };
    await createBucketRow(load.context, {
      id,
      studioId: load.studioId,
      body,
      recipeId: recipe.id,
      recipeVersionId: recipe.versionId,
      transaction: load.transaction,
    });
    await loadFinishedBatch(load, recipe, plan, id, story);
    const parts: BucketPart[] = plan.lines.map((line) => ({
      powderId: line.powderId,
      name: line.name,
      part: line.part,
      grams: line.targetGrams,
      density: line.density,
    }));
    const filled: BucketEvent = {
      ...event(load.clock.ago({ days: story.daysOld }), story.by),
      type: 'filled',
      parts,
      waterGrams: plan.waterGrams,
      from: 'batch',
      glazes: [`${story.name}, version ${recipe.version}`],
    };
    await append(load, id, [
      filled,
      ...monthsOfUse(load, story, (sgLow + sgHigh) / 2, seededUniform(index + 7)),
      ...(story.extra?.(load.clock) ?? []),
    ]);
  }
  await loadUnfinishedBatch(load, recipes.get('Noche Honda')!);
  await loadScraps(load, buckets);
  buckets.set('Agua Quieta', await loadJar(load, recipes.get('Agua Quieta')!));
  return buckets;
}

const planOf = (recipe: LoadedRecipe, baseGrams: number): BatchPlan =>
  planBatch({
    lines: recipe.body.lines,
    powders: recipe.powders,
    size: { kind: 'base', baseGrams },
    water: { kind: 'toSg', sg: (recipe.body.sgLow + recipe.body.sgHigh) / 2 },
  });

/** Measured every nine days or so as it thickens, felt by swirl, watered back, used; ends at the story's last reading. */
function monthsOfUse({ clock }: DemoLoad, story: BucketStory, wantedSg: number, random: () => number): BucketEvent[] {
  const events: BucketEvent[] = [];
  const members = ['Inés', 'Bruno', 'Oriol', 'Maia'];
  if (story.lidOff) events.push({ ...event(clock.ago({ days: story.daysOld, minutes: -30 }), story.by), type: 'lidSet', lid: 'open' });
  let sgNow = wantedSg - 0.004;
  let before = story.daysOld;
  for (let daysAgo = story.daysOld - 6; daysAgo > story.last.daysAgo + 3; daysAgo -= 7 + Math.floor(random() * 5)) {
    const by = members[Math.floor(random() * members.length)]!;
    const at = (minutes: number): string => clock.ago({ days: daysAgo, minutes: -minutes });
    sgNow += story.perDay * (before - daysAgo);
    before = daysAgo;
    const read = Number((sgNow + (random() - 0.5) * 0.008).toFixed(3));
    const seconds = Number((9 - (sgNow - wantedSg) * 160 + (random() - 0.5) * 1.2).toFixed(1));
    events.push({ ...event(at(0), by), type: 'stirred' });
    events.push({ ...event(at(2), by), type: 'sgMeasured', sg: read, sgSd: 0.005 });
    events.push({ ...event(at(5), by), type: 'swirlTimed', seconds });
    if (read > wantedSg + 0.01) {
      const grams = Math.round(waterToThin({ volumeMl: story.last.litres * 1000, sg: read, targetSg: wantedSg }));
      events.push({ ...event(at(8), by), type: 'waterAdded', grams, entered: { value: grams, unit: 'mL' } });
      sgNow += wantedSg - read;
    }
    events.push({ ...event(at(60), by), type: 'glazeTaken', millilitres: Math.round(80 + random() * 260), reason: 'dips' });
  }
  const { sg, sgSd, litres, daysAgo } = story.last;
  events.push({ ...event(clock.ago({ days: daysAgo, minutes: 4 }), story.by), type: 'sgMeasured', sg, sgSd });
  events.push({
    ...event(clock.ago({ days: daysAgo, minutes: 2 }), story.by),
    type: 'volumeMeasured',
    volumeMl: litres * 1000,
    entered: { value: litres, unit: 'L' },
  });
  return events;
}

async function loadFinishedBatch(load: DemoLoad, recipe: LoadedRecipe, plan: BatchPlan, bucketId: string, story: BucketStory): Promise<void> {
  const at = new Date(load.clock.ago({ days: story.daysOld }));
  await createBatchRow(load, recipe, plan, { baseGrams: story.baseGrams, bucketId, createdAt: at, id: uuid() });
}

async function loadUnfinishedBatch(load: DemoLoad, recipe: LoadedRecipe): Promise<void> {
  const volumeMl = 8000;
  const plan = planBatch({
    lines: recipe.body.lines,
    powders: recipe.powders,
    size: { kind: 'volume', volumeMl, sg: 1.45 },
    water: { kind: 'toSg', sg: 1.45 },
  });
  const id = uuid();
  await createBatchRow(load, recipe, plan, {
    baseGrams: plan.baseGrams,
    bucketId: null,
    createdAt: new Date(load.clock.ago({ hours: 14, minutes: 40 })),
    id,
  });
  const at = (minutes: number): string => load.clock.ago({ hours: 14, minutes: 30 - minutes });
  const events: BatchEvent[] = [
    { ...event(at(0), 'Inés'), type: 'respiratorOn' },
    { ...event(at(2), 'Inés'), type: 'waterPoured', grams: Math.round(plan.waterGrams) },
    ...plan.lines.slice(0, 3).map((line, i): BatchEvent => ({
      ...event(at(5 + 3 * i), 'Inés'),
      type: 'lineWeighed',
      lineId: line.lineId,
      grams: Number((line.targetGrams + [0.2, -0.1, 0.3][i]!).toFixed(1)),
    })),
  ];
  await appendToStream(load.context, { studioId: load.studioId, stream: 'batch', streamId: id }, events, load.transaction);
}

async function createBatchRow(
  load: DemoLoad,
  recipe: LoadedRecipe,
  plan: BatchPlan,
  row: { id: string; baseGrams: number; bucketId: string | null; createdAt: Date },
): Promise<void> {
  await load.context.models.batches.create(
    {
      id: row.id,
      studioId: load.studioId,
      recipeId: recipe.id,
      recipeVersionId: recipe.versionId,
      question: { size: { kind: 'base', baseGrams: row.baseGrams }, water: { kind: 'perBaseGram', millilitres: 1 }, order: 'clayFirst' },
      plan,
      bucketId: row.bucketId,
      linesDone: row.bucketId ? plan.lines.length : 0,
      lastAt: row.createdAt,
      lastBy: 'Inés',
      setAside: false,
      createdAt: row.createdAt,
    },
    { transaction: load.transaction },
  );
}

async function loadJar(load: DemoLoad, { id: recipeId, versionId, powders }: LoadedRecipe): Promise<{ id: string; colour: string }> {
  const id = uuid();
  const colour = '#6FA3A8';
  const powder = powders.find((candidate) => candidate.name.startsWith('Agua Quieta'))!;
  const sg = 1.5;
  const grams = 300;
  await createBucketRow(load.context, {
    id,
    studioId: load.studioId,
    body: { name: 'Agua Quieta', sgLow: 1.46, sgHigh: 1.54, capacityMl: 500, colour, notes: 'Ready jar, brushed: three coats by its label.' },
    recipeId,
    recipeVersionId: versionId,
    transaction: load.transaction,
  });
  await append(load, id, [
    {
      ...event(load.clock.ago({ days: 30 }), 'Maia'),
      type: 'filled',
      parts: [{ powderId: powder.id, name: powder.name, part: 'base', grams, density: powder.densityGMl }],
      waterGrams: grams * waterPerDryGram({ sg, density: powder.densityGMl }),
      from: 'shelf',
    },
    { ...event(load.clock.ago({ days: 12 }), 'Maia'), type: 'sgMeasured', sg: 1.502, sgSd: 0.01 },
  ]);
  return { id, colour };
}

/** Leftovers of two buckets, poured together last month: a mixture of known powders. */
async function loadScraps(load: DemoLoad, buckets: LoadedBuckets): Promise<void> {
  const id = uuid();
  const body = {
    name: 'Scraps',
    sgLow: 1.4,
    sgHigh: 1.5,
    capacityMl: 20_000,
    colour: '#8A7F6E',
    notes: 'Leftovers of known average. Test before use.',
  };
  const { context, studioId, transaction, clock } = load;
  await createBucketRow(context, { id, studioId, body, recipeId: null, recipeVersionId: null, transaction });
  for (const [index, name] of ['Tinaja', 'Retama'].entries()) {
    const from = buckets.get(name)!;
    const replay = replayBucket({ events: await eventsOf<BucketEvent>(context, { studioId, stream: 'bucket', streamId: from.id }, transaction) });
    if (replay.kind === 'empty') continue;
    const takenMl = 900;
    const poured = splitBucket({ contents: replay.contents, takenMl });
    const head = event(clock.ago({ days: 1, hours: 3 - index }), 'Maia');
    const filledId = uuid();
    const glazes = replay.contents.glazes ?? [];
    await append(load, from.id, [{ ...head, type: 'glazeTaken', millilitres: takenMl, reason: 'other', toId: id, ...poured, pairEventId: filledId }]);
    await append(load, id, [{ ...head, id: filledId, type: 'filled', ...poured, glazes, from: 'split', fromId: from.id, pairEventId: head.id }]);
  }
}

async function append(load: DemoLoad, bucketId: string, events: BucketEvent[]): Promise<void> {
  await appendToStream(load.context, { studioId: load.studioId, stream: 'bucket', streamId: bucketId }, events, load.transaction);
}
