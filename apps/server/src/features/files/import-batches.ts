import { v7 as uuid } from 'uuid';
import { densityOfPowders, type BatchEvent, type BatchPlan } from '@cazuela/core';
import type { ImportOutcome, PortableBatch } from '@cazuela/formats';
import { ProblemError } from '../../http/problem-error';
import type { FileImport } from './file-import';

const key = (name: string): string => name.trim().toLowerCase();

/**
 * Batches weighed elsewhere become records of this studio. They are set aside, so that they are not open, and take nothing from its shelf. The
 * same batch, by recipe and time, is left alone.
 */
export async function importBatches(
  { context, studioId, transaction }: FileImport,
  batches: readonly PortableBatch[],
  powderIds: ReadonlyMap<string, string>,
  outcome: ImportOutcome,
): Promise<void> {
  if (batches.length === 0) return;
  const { models } = context;
  const recipes = (await models.recipes.findAll({ where: { studioId }, transaction })).map((row) => row.get());
  const versions = (await models.recipeVersions.findAll({ where: { studioId }, transaction })).map((row) => row.get());
  const powders = new Map((await models.powders.findAll({ where: { studioId }, transaction })).map((row) => [row.get().id, row.get()]));
  const there = new Set(
    (await models.batches.findAll({ where: { studioId }, attributes: ['recipeId', 'createdAt'], transaction })).map(
      (row) => `${row.get().recipeId} ${row.get().createdAt.toISOString()}`,
    ),
  );
  for (const batch of batches) {
    const recipe = recipes.find((one) => key(one.name) === key(batch.recipe));
    if (!recipe) throw new ProblemError('checkInput', `A batch names the recipe “${batch.recipe}”, which is not here. Nothing was taken in.`);
    const mark = `${recipe.id} ${new Date(batch.weighedAt).toISOString()}`;
    if (there.has(mark)) {
      outcome.left += 1;
      continue;
    }
    there.add(mark);
    const of = versions.filter((version) => version.recipeId === recipe.id);
    const version = of.find((one) => one.number === batch.version) ?? of.at(-1)!;
    const plan = planOf(batch, (name) => {
      const powder = powders.get(powderIds.get(key(name)) ?? '');
      if (!powder) throw new ProblemError('checkInput', `A batch names the powder “${name}”, which is not here. Nothing was taken in.`);
      return powder;
    });
    const id = uuid();
    const lastAt = new Date(batch.weighedAt);
    await models.batches.create(
      {
        id,
        studioId,
        recipeId: recipe.id,
        recipeVersionId: version.id,
        question: { size: { kind: 'base', baseGrams: plan.baseGrams }, water: { kind: 'toSg', sg: batch.expectedSg }, order: 'recipe' },
        plan,
        bucketId: null,
        linesDone: plan.lines.length,
        lastAt,
        lastBy: batch.by,
        setAside: true,
        createdAt: lastAt,
      },
      { transaction },
    );
    const events = eventsOf(batch, plan);
    await models.benchEvents.bulkCreate(
      events.map((event) => ({ studioId, stream: 'batch', streamId: id, id: event.id, body: event, receivedAt: context.now() })),
      { transaction },
    );
    outcome.batches += 1;
  }
}

type KnownPowder = { id: string; name: string; body: { densityGMl: number; hazards: string[]; sieveMesh?: number | undefined } };

function planOf(batch: PortableBatch, powderOf: (name: string) => KnownPowder): BatchPlan {
  const lines = batch.lines.map(({ powder: name, part, targetGrams }) => {
    const { id, body, ...powder } = powderOf(name);
    const mesh = body.sieveMesh === undefined ? {} : { sieveMesh: body.sieveMesh };
    return { lineId: uuid(), powderId: id, name: powder.name, part, density: body.densityGMl, targetGrams, hazards: body.hazards, ...mesh };
  });
  const sum = (of: typeof lines): number => of.reduce((grams, line) => grams + line.targetGrams, 0);
  const totalGrams = sum(lines);
  if (totalGrams <= 0) throw new ProblemError('checkInput', `A batch of “${batch.recipe}” weighs nothing. Nothing was taken in.`);
  const density = densityOfPowders({ parts: lines.map((line) => ({ grams: line.targetGrams, density: line.density })) });
  return {
    baseGrams: sum(lines.filter((line) => line.part === 'base')),
    totalGrams,
    density,
    waterGrams: batch.waterGrams,
    expectedSg: batch.expectedSg,
    expectedMl: totalGrams / density + batch.waterGrams,
    lines,
  };
}

function eventsOf(batch: PortableBatch, plan: BatchPlan): BatchEvent[] {
  const head = (): { id: string; at: string; by: string } => ({ id: uuid(), at: new Date(batch.weighedAt).toISOString(), by: batch.by });
  const weighed = plan.lines.map((line, index): BatchEvent => {
    const grams = batch.lines[index]!.inGrams;
    return grams === null ? { ...head(), type: 'lineSkipped', lineId: line.lineId } : { ...head(), type: 'lineWeighed', lineId: line.lineId, grams };
  });
  const water: BatchEvent[] = batch.waterInGrams === null ? [] : [{ ...head(), type: 'waterPoured', grams: batch.waterInGrams }];
  return [{ ...head(), type: 'respiratorOn' }, ...water, ...weighed, { ...head(), type: 'setAside' }];
}
