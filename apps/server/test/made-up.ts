import { v7 as uuid } from 'uuid';
import type { Batch, BatchCreate, Bucket, Recipe, RecipeBody } from '@cazuela/contract';
import type { BatchEvent, Powder } from '@cazuela/core';
import type { ServerUnderTest } from './server-under-test';

export const NOW = '2026-03-10T10:00:00.000Z';
export const head = (by = 'Inés'): { id: string; at: string; by: string } => ({ id: uuid(), at: NOW, by });

/** A small white liner from the studio's own powders. */
export async function recipeBody({ get }: Pick<ServerUnderTest, 'get'>, change: Partial<RecipeBody> = {}): Promise<RecipeBody> {
  const powders = (await get('/powders')).body as Powder[];
  const line = (name: string, part: 'base' | 'addition', percent: number) => ({
    id: uuid(),
    powderId: powders.find((powder) => powder.name === name)!.id,
    part,
    percent,
  });
  return {
    name: 'Leche de Higo',
    lines: [line('Silica', 'base', 40), line('Kaolin', 'base', 30), line('Whiting', 'base', 30), line('Tin oxide', 'addition', 5)],
    coneLow: '5',
    coneHigh: '6',
    atmosphere: 'oxidation',
    surface: 'gloss',
    colour: '#ECE2CC',
    sgLow: 1.43,
    sgHigh: 1.47,
    movement: 'stays',
    foodTested: false,
    notes: '',
    ...change,
  };
}

export async function aRecipe(server: Pick<ServerUnderTest, 'get' | 'post'>, change: Partial<RecipeBody> = {}): Promise<Recipe> {
  return (await server.post('/recipes', { id: uuid(), body: await recipeBody(server, change) }).expect(201)).body as Recipe;
}

export async function aBatch(server: Pick<ServerUnderTest, 'get' | 'post'>, change: Partial<BatchCreate> = {}): Promise<Batch> {
  const recipe = await aRecipe(server);
  const batch: BatchCreate = {
    id: uuid(),
    recipeVersionId: recipe.versionId,
    size: { kind: 'base', baseGrams: 1000 },
    water: { kind: 'toSg', sg: 1.45 },
    order: 'clayFirst',
    ...change,
  };
  return (await server.post('/batches', batch).expect(201)).body as Batch;
}

/** Everything a batch needs to become a bucket. */
export function weighAll(batch: Batch): BatchEvent[] {
  return [
    { ...head(), type: 'respiratorOn' },
    { ...head(), type: 'waterPoured', grams: Math.round(batch.plan.waterGrams) },
    ...batch.plan.lines.map((line): BatchEvent => ({ ...head(), type: 'lineWeighed', lineId: line.lineId, grams: line.targetGrams })),
  ];
}

export const sendBatchEvents = (server: Pick<ServerUnderTest, 'post'>, batchId: string, events: BatchEvent[]) =>
  server.post('/events', { events: events.map((event) => ({ stream: 'batch', streamId: batchId, event })) });

export const finishOf = (name = 'Leche de Higo') => ({ bucketId: uuid(), filledEventId: uuid(), finishedEventId: uuid(), at: NOW, by: 'Inés', name });

export async function aBucket(server: Pick<ServerUnderTest, 'get' | 'post'>): Promise<Bucket> {
  const batch = await aBatch(server);
  await sendBatchEvents(server, batch.id, weighAll(batch)).expect(201);
  return (await server.post(`/batches/${batch.id}/bucket`, finishOf()).expect(201)).body as Bucket;
}
