import { route, type Route } from '../../http/route';
import { listPowders } from './list-powders';

export const powderRoutes: readonly Route[] = [route({ method: 'get', path: '/powders', handle: listPowders })];
