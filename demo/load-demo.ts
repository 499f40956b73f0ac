import { v7 as uuid } from 'uuid';
import type { Context } from '../apps/server/src/context';
import { createStudio } from '../apps/server/src/features/studios/ensure-studio';
import { DemoClock } from './clock';
import { loadBuckets } from './load-buckets';
import { loadCoats } from './load-coats';
import { loadDays } from './load-days';
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
  if ((await context.models.studios.count()) > 0) return;
  await context.sequelize.transaction(async (transaction) => {
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
    const load: DemoLoad = { context, transaction, studioId, clock };
    const recipes = await loadRecipes(load);
    const buckets = await loadBuckets(load, recipes);
    const pieces = await loadPieces(load, buckets);
    await loadCoats(load, buckets);
    await loadTiles(load, buckets);
    await loadRunners(load, buckets);
    await loadDays(load, pieces, buckets);
    await loadResults(load, pieces, buckets);
    await loadShelf(load);
  });
}
