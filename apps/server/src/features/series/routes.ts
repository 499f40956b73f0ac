import { seriesCreateSchema, seriesDoneSchema } from '@cazuela/contract';
import { route, type Route } from '../../http/route';
import { createSeries } from './create-series';
import { finishSeries } from './finish-series';
import { listSeries, readSeries } from './read-series';

export const seriesRoutes: readonly Route[] = [
  route({ method: 'get', path: '/series', handle: listSeries }),
  route({ method: 'get', path: '/series/:id', handle: readSeries }),
  route({ method: 'post', path: '/series', body: seriesCreateSchema, handle: createSeries }),
  route({ method: 'post', path: '/series/:id/done', body: seriesDoneSchema, handle: finishSeries }),
];
