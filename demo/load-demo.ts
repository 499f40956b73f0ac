import type { Transaction } from 'sequelize';
import { v7 as uuid } from 'uuid';
import type { Context } from '../apps/server/src/context';
import { withLease } from '../apps/server/src/db/lease';
import { createStudio, FIRST_STUDIO } from '../apps/server/src/features/studios/ensure-studio';
import { DemoClock } from './clock';
import { loadBuckets } from './load-buckets';
import { loadCoats } from './load-coats';
import { loadDays } from './load-days';
import { loadKilnLoad } from './load-kiln-load';
import type { LoadedKiln } from './load-kilns';
import { loadOpening } from './load-opening';
import { loadPieces } from './load-pieces';
import { loadRecipes } from './load-recipes';
import { loadResults } from './load-results';
import { loadShelf, scaleChecks } from './load-shelf';
import { loadRunners } from './load-runners';
import { loadTiles } from './load-tiles';
import { OWN_POWDERS } from './recipes';
import type { DemoLoad } from './demo-load';

/** Loads the demo studio into an empty database, all of it or nothing. A database with a studio is left alone. */
export async function loadDemo(context: Context): Promise<void> {
  await withLease(context.sequelize, FIRST_STUDIO, async () => {
    if ((await context.models.studios.count()) === 0) await context.sequelize.transaction((transaction) => load(context, transaction));
  });
}

async function load(context: Context, transaction: Transaction): Promise<void> {
  const studioId = uuid();
  const clock = new DemoClock(context.now());
  const vessels = [
    { id: uuid(), name: 'Cylinder 100 mL', tareGrams: 62.4, volumeMl: 100, markMl: 1 },
    { id: uuid(), name: 'Blue cup, to the line', tareGrams: 118, volumeMl: 503, markMl: 6 },
    { id: uuid(), name: 'Syringe 60 mL', tareGrams: 24.1, volumeMl: 60, markMl: 1 },
  ];
  const body = {
    name: 'Taller La Perdiz',
    members: ['Inés', 'Bruno', 'Oriol', 'Maia'],
    vessels,
    scales: [
      { id: uuid(), name: 'Bench scale', divisionGrams: 0.1, capacityGrams: 6000, checks: scaleChecks(clock) },
      { id: uuid(), name: 'Floor scale', divisionGrams: 1, capacityGrams: 30_000, checks: [] },
      { id: uuid(), name: 'Fine scale', divisionGrams: 0.01, capacityGrams: 300, checks: [] },
    ],
    currency: '€',
  };
  await createStudio(context, { id: studioId, body, demo: true, transaction });
  const own = OWN_POWDERS.map(({ name, ...rest }) => ({ id: uuid(), studioId, version: 1, name, body: rest }));
  await context.models.powders.bulkCreate(own, { transaction });
  const job: DemoLoad = { context, transaction, studioId, clock };
  const recipes = await loadRecipes(job);
  const buckets = await loadBuckets(job, recipes);
  const pieces = await loadPieces(job, buckets);
  await loadCoats(job, buckets);
  await loadTiles(job, buckets);
  await loadRunners(job, buckets);
  const days = await loadDays(job, pieces, buckets);
  const { kilns, schedules } = await loadResults(job, pieces, buckets);
  const [abuela, grillo] = kilns as [LoadedKiln, LoadedKiln];
  await loadKilnLoad(job, days, abuela);
  await loadOpening(job, { pieces, buckets, kiln: grillo, schedule: schedules[0]! });
  await loadShelf(job);
}
