import type { Route } from './http/route';
import { batchRoutes } from './features/batches/routes';
import { bodyRoutes } from './features/bodies/routes';
import { bucketRoutes } from './features/buckets/routes';
import { coatRoutes } from './features/coats/routes';
import { dayRoutes } from './features/days/routes';
import { eventRoutes } from './features/events/routes';
import { exampleRoutes } from './features/example/routes';
import { fileRoutes } from './features/files/routes';
import { kilnRoutes } from './features/kiln/routes';
import { photoRoutes } from './features/photos/routes';
import { pieceRoutes } from './features/pieces/routes';
import { printRoutes } from './features/print/routes';
import { powderRoutes } from './features/powders/routes';
import { recordRoutes } from './features/records/routes';
import { recipeRoutes } from './features/recipes/routes';
import { seriesRoutes } from './features/series/routes';
import { searchRoutes } from './features/search/routes';
import { runnerRoutes } from './features/runners/routes';
import { tileRoutes } from './features/tiles/routes';
import { studioDocumentRoutes } from './features/studios/routes';

/** Everything under /api/studios/:studioId. */
export const studioRoutes: readonly Route[] = [
  ...studioDocumentRoutes,
  ...powderRoutes,
  ...bodyRoutes,
  ...recipeRoutes,
  ...batchRoutes,
  ...bucketRoutes,
  ...coatRoutes,
  ...tileRoutes,
  ...runnerRoutes,
  ...printRoutes,
  ...seriesRoutes,
  ...eventRoutes,
  ...pieceRoutes,
  ...dayRoutes,
  ...kilnRoutes,
  ...photoRoutes,
  ...searchRoutes,
  ...fileRoutes,
  ...recordRoutes,
  ...exampleRoutes,
];
