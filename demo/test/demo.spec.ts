import { loadDemo } from '../load-demo';
import {
  batchSchema,
  bucketSchema,
  daySchema,
  firingSchema,
  loadSchema,
  pieceSchema,
  runnerTileSchema,
  recipeSchema,
  resultSchema,
  scheduleSchema,
  type Bucket,
  type Recipe,
  type Result,
  type Studio,
} from '@cazuela/contract';
import { rangeVerdict } from '@cazuela/core';
import * as z from 'zod';
import { serverUnderTest, type ServerUnderTest } from '../../apps/server/test/server-under-test';

describe('the demo studio', () => {
  let server: ServerUnderTest;
  let get: (path: string) => Promise<unknown>;
  beforeAll(async () => {
    server = await serverUnderTest();
    const { context } = server;
    // A database that knows no studio yet, as the demo finds it.
    await context.models.powders.destroy({ where: {} });
    await context.models.studios.destroy({ where: {} });
    await loadDemo(context);
    const [studio] = (await server.any.get('/api/studios').expect(200)).body as [Studio];
    expect(studio).toMatchObject({ name: 'Taller La Perdiz', demo: true, members: ['Inés', 'Bruno', 'Oriol', 'Maia'] });
    get = async (path) => (await server.any.get(`/api/studios/${studio.id}${path}`).expect(200)).body as unknown;
  }, 60_000);

  it('is right by the same contract as everything else', async () => {
    z.array(recipeSchema)
      .min(7)
      .parse(await get('/recipes'));
    z.array(pieceSchema)
      .length(7)
      .parse(await get('/pieces'));
    z.array(runnerTileSchema)
      .length(3)
      .parse(await get('/runner-tiles'));
    z.array(daySchema)
      .length(3)
      .parse(await get('/days'));
    z.array(loadSchema)
      .length(2)
      .parse(await get('/loads'));
    z.array(scheduleSchema)
      .length(2)
      .parse(await get('/schedules'));
    z.array(firingSchema)
      .min(10)
      .parse(await get('/firings'));
    z.array(resultSchema)
      .min(8)
      .parse(await get('/results'));
    for (const { id } of (await get('/buckets')) as Bucket[]) bucketSchema.parse(await get(`/buckets/${id}`));
    for (const { id } of (await get('/batches')) as { id: string }[]) batchSchema.parse(await get(`/batches/${id}`));
  });

  it('has one bucket too thick, one flocculated by drops, one that settles hard, and a batch left lying', async () => {
    const buckets = (await get('/buckets')) as Bucket[];
    const verdict = (name: string): string => {
      const { contents, body } = buckets.find((bucket) => bucket.body.name === name)!;
      return rangeVerdict({ sg: contents!.sg, sgSd: contents!.sgSd, lowSg: body.sgLow, highSg: body.sgHigh });
    };
    expect(verdict('Marisma')).toBe('tooThick');
    expect(verdict('Leche de Higo')).toBe('inRange');
    expect(buckets.find((bucket) => bucket.body.name === 'Humo')?.contents?.slurryState).toBe('flocculated');
    const batches = (await get('/batches')) as { bucketId: string | null; linesDone: number }[];
    expect(batches.filter((batch) => batch.bucketId === null).map((batch) => batch.linesDone)).toEqual([3]);
  });

  it('shows a recipe with a history and results good and bad, each with a picture', async () => {
    expect(((await get('/recipes')) as Recipe[]).find((recipe) => recipe.body.name === 'Marisma')?.version).toBe(3);
    const results = (await get('/results')) as Result[];
    expect(results.some((result) => result.body.stars === 5)).toBe(true);
    expect(results.some((result) => result.body.stars === 1)).toBe(true);
    results.forEach((result) => expect(result.body.photoId).not.toBeNull());
  });

  it('is loaded once: a database with a studio is left alone', async () => {
    await loadDemo(server.context);
    expect((await server.any.get('/api/studios')).body).toHaveLength(1);
  });
});
