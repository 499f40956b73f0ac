import { batchCreateSchema, batchFinishSchema } from '@cazuela/contract';
import { route, type Route } from '../../http/route';
import { createBatch } from './create-batch';
import { finishBatch } from './finish-batch';
import { listBatches, readBatch } from './read-batches';

export const batchRoutes: readonly Route[] = [
  route({ method: 'get', path: '/batches', handle: listBatches }),
  route({ method: 'get', path: '/batches/:id', handle: readBatch }),
  route({ method: 'post', path: '/batches', body: batchCreateSchema, handle: createBatch }),
  route({ method: 'post', path: '/batches/:id/bucket', body: batchFinishSchema, handle: finishBatch }),
];
