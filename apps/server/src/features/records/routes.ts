import { putAwayChangeSchema } from '@cazuela/contract';
import { route, type Route } from '../../http/route';
import { deleteRecord, readRecordUses } from './delete-record';
import { listPutAway, putAway } from './put-away';

export const recordRoutes: readonly Route[] = [
  route({ method: 'get', path: '/away', handle: listPutAway }),
  route({ method: 'put', path: '/records/:kind/:id/away', body: putAwayChangeSchema, handle: putAway }),
  route({ method: 'get', path: '/records/:kind/:id/uses', handle: readRecordUses }),
  route({ method: 'delete', path: '/records/:kind/:id', handle: deleteRecord }),
];
