import { powderCreateSchema, powderUpdateSchema, stockMoveSchema } from '@cazuela/contract';
import { route, type Route } from '../../http/route';
import { listPowders } from './list-powders';
import { moveStock, readMoves } from './move-stock';
import { createPowder, updatePowder } from './write-powder';

export const powderRoutes: readonly Route[] = [
  route({ method: 'get', path: '/powders', handle: listPowders }),
  route({ method: 'post', path: '/powders', body: powderCreateSchema, handle: createPowder }),
  route({ method: 'put', path: '/powders/:id', body: powderUpdateSchema, handle: updatePowder }),
  route({ method: 'get', path: '/powders/:id/stock', handle: readMoves }),
  route({ method: 'post', path: '/powders/:id/stock', body: stockMoveSchema, handle: moveStock }),
];
