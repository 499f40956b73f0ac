import {
  beginLogSchema,
  firingCreateSchema,
  firingUpdateSchema,
  kilnCreateSchema,
  kilnUpdateSchema,
  loadCreateSchema,
  loadUpdateSchema,
  scheduleCreateSchema,
  scheduleUpdateSchema,
  resultCreateSchema,
  resultUpdateSchema,
  resultChangeCreateSchema,
  logImportSchema,
  practiceStateSchema,
} from '@cazuela/contract';
import { route, type Route } from '../../http/route';
import { createFiring, getFiring, listFirings, stampOfFiring, updateFiring } from './firings';
import { importLog } from './logs/import-log';
import { beginLog, endLog, listReadings, setPractice } from './logs/run-log';
import { createKiln, listKilns, updateKiln } from './kilns';
import { createLoad, listLoads, stampOfLoad, updateLoad } from './loads';
import { createResult, listResults, updateResult } from './results';
import { createResultChange, listResultChanges } from './result-changes';
import { createSchedule, listSchedules, updateSchedule } from './schedules';

export const kilnRoutes: readonly Route[] = [
  route({ method: 'get', path: '/kilns', handle: listKilns }),
  route({ method: 'post', path: '/kilns', body: kilnCreateSchema, handle: createKiln }),
  route({ method: 'put', path: '/kilns/:id', body: kilnUpdateSchema, handle: updateKiln }),
  route({ method: 'get', path: '/loads', handle: listLoads }),
  route({ method: 'post', path: '/loads', body: loadCreateSchema, handle: createLoad }),
  route({ method: 'put', path: '/loads/:id', body: loadUpdateSchema, handle: updateLoad }),
  route({ method: 'get', path: '/loads/:id/stamp', handle: stampOfLoad }),
  route({ method: 'get', path: '/schedules', handle: listSchedules }),
  route({ method: 'post', path: '/schedules', body: scheduleCreateSchema, handle: createSchedule }),
  route({ method: 'put', path: '/schedules/:id', body: scheduleUpdateSchema, handle: updateSchedule }),
  route({ method: 'get', path: '/firings', handle: listFirings }),
  route({ method: 'post', path: '/firings', body: firingCreateSchema, handle: createFiring }),
  route({ method: 'get', path: '/firings/:id', handle: getFiring }),
  route({ method: 'get', path: '/firings/:id/stamp', handle: stampOfFiring }),
  route({ method: 'post', path: '/firings/:id/begin', body: beginLogSchema, handle: beginLog }),
  route({ method: 'post', path: '/firings/:id/end', handle: endLog }),
  route({ method: 'put', path: '/firings/:id/practice', body: practiceStateSchema, handle: setPractice }),
  route({ method: 'get', path: '/firings/:id/readings', handle: listReadings }),
  route({ method: 'post', path: '/firings/:id/readings', body: logImportSchema, handle: importLog }),
  route({ method: 'put', path: '/firings/:id', body: firingUpdateSchema, handle: updateFiring }),
  route({ method: 'get', path: '/results', handle: listResults }),
  route({ method: 'post', path: '/results', body: resultCreateSchema, handle: createResult }),
  route({ method: 'put', path: '/results/:id', body: resultUpdateSchema, handle: updateResult }),
  route({ method: 'get', path: '/changes', handle: listResultChanges }),
  route({ method: 'post', path: '/changes', body: resultChangeCreateSchema, handle: createResultChange }),
];
