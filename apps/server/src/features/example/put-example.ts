import { v7 as uuid } from 'uuid';
import type { Transaction } from 'sequelize';
import { contentsIfMixed, STARTING_RECIPES, startingLines, type BucketEvent, type Layer, type PiecePlan } from '@cazuela/core';
import type { RecipeBody, RecordKind } from '@cazuela/contract';
import type { Context } from '../../context';
import { ProblemError } from '../../http/problem-error';
import { createBucketRow } from '../buckets/create-bucket-row';
import { appendToStream } from '../events/append-events';

const SG = 1.455;
const LITRES = 8;
/** A pail, mm. */
const PAIL = { kind: 'cylinder', acrossMm: 280, highMm: 300 } as const;
const CLAY = { name: 'Example clay', colour: '#E7DECB', bisqueCone: '05', earthenware: false };

/** Makes the example's records, each marked as such: a clay, the white starting recipe, eight litres of it that were measured, and twelve cups. */
export async function putExample(
  context: Context,
  { studioId, at, by }: { studioId: string; at: string; by: string },
  transaction: Transaction,
): Promise<void> {
  const { models } = context;
  const recipe = STARTING_RECIPES.find((one) => one.key === 'white')!;
  const powders = (await models.powders.findAll({ where: { studioId }, transaction })).map((row) => {
    const { id, name, body } = row.get();
    return { id, name, ...body };
  });
  const { lines, missing } = startingLines({ recipe, powders, newId: uuid });
  if (missing.length > 0) throw new ProblemError('checkInput', `The example needs ${missing.join(', ')}, which this studio does not have.`);

  const bodyId = uuid();
  const { name: clayName, ...clay } = CLAY;
  await models.bodies.create({ id: bodyId, studioId, version: 1, name: clayName, body: clay }, { transaction });

  const body: RecipeBody = {
    name: 'Example white',
    lines,
    coneLow: '5',
    coneHigh: '6',
    atmosphere: 'oxidation',
    surface: recipe.surface,
    colour: recipe.colour,
    sgLow: 1.44,
    sgHigh: 1.47,
    movement: 'unknown',
    foodTested: false,
    notes: 'Part of the example.',
  };
  const [recipeId, versionId, now] = [uuid(), uuid(), new Date(at)];
  await models.recipes.create({ id: recipeId, studioId, version: 1, name: body.name, createdAt: now }, { transaction });
  const version = { id: versionId, studioId, recipeId, number: 1, reason: 'Part of the example', body, changedAt: now };
  await models.recipeVersions.create(version, { transaction });

  const bucketId = uuid();
  await createBucketRow(context, {
    id: bucketId,
    studioId,
    body: { name: 'Example white', sgLow: body.sgLow, sgHigh: body.sgHigh, capacityMl: 18_000, colour: body.colour, notes: '', shape: PAIL },
    recipeId,
    recipeVersionId: versionId,
    transaction,
  });
  const kilo = contentsIfMixed({ lines, powders, sg: SG });
  const times = (1000 * LITRES) / kilo.volumeMl;
  const parts = kilo.parts.map((part) => ({ ...part, grams: part.grams * times }));
  const head = (): { id: string; at: string; by: string } => ({ id: uuid(), at, by });
  const events: BucketEvent[] = [
    { ...head(), type: 'filled', from: 'shelf', parts, waterGrams: kilo.waterGrams * times, glazes: [body.name] },
    { ...head(), type: 'sgMeasured', sg: SG, sgSd: 0.006 },
  ];
  await appendToStream(context, { studioId, stream: 'bucket', streamId: bucketId }, events, transaction);

  const coat = (): Layer => ({ id: uuid(), bucketId, method: 'dip', coatMm: 0.6 });
  const plan: PiecePlan = {
    shapeId: 'cup',
    zones: { inside: [coat()], outside: [coat()], rim: [], foot: [] },
    waxFootMm: 8,
    rimBandMm: 20,
    order: [],
    putAside: [],
  };
  const pieceId = uuid();
  const piece = { name: 'Example cup', bodyId, count: 12, plan };
  await models.pieces.create(
    { id: pieceId, studioId, version: 1, name: piece.name, clayBodyId: bodyId, body: piece, createdAt: now },
    { transaction },
  );

  const marks: [RecordKind, string][] = [
    ['piece', pieceId],
    ['bucket', bucketId],
    ['recipe', recipeId],
    ['body', bodyId],
  ];
  await models.exampleRecords.bulkCreate(
    marks.map(([kind, recordId]) => ({ kind, recordId, studioId })),
    { transaction },
  );
}
