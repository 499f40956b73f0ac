import { importCommitSchema, importRowsSchema } from '@cazuela/formats';
import { route, type Route } from '../../http/route';
import { exportBatches, exportJson, exportPowders, exportRecipes } from './export-files';
import { exportChanges, exportResults } from './export-results';
import { exportDips, exportRunners } from './export-measured';
import { importStudioFile, receiveStudioFile } from './studio-file/receive-studio-file';
import { sendStudioFile } from './studio-file/write-studio-file';
import { requireStudio } from '../photos/receive-photo';
import { commitImport, stageRows, stopImport } from './import-files';

export const fileRoutes: readonly Route[] = [
  route({ method: 'get', path: '/files/cazuela.json', handle: exportJson }),
  route({ method: 'get', path: '/files/powders.csv', handle: exportPowders }),
  route({ method: 'get', path: '/files/recipes.csv', handle: exportRecipes }),
  route({ method: 'get', path: '/files/batches.csv', handle: exportBatches }),
  route({ method: 'get', path: '/files/dips.csv', handle: exportDips }),
  route({ method: 'get', path: '/files/runner-tiles.csv', handle: exportRunners }),
  route({ method: 'get', path: '/files/results.csv', handle: exportResults }),
  route({ method: 'get', path: '/files/changes.csv', handle: exportChanges }),
  route({ method: 'get', path: '/files/studio.zip', handle: sendStudioFile }),
  route({ method: 'post', path: '/files/studio', before: [requireStudio, receiveStudioFile], handle: importStudioFile }),
  route({ method: 'post', path: '/imports/:id/rows', body: importRowsSchema, handle: stageRows }),
  route({ method: 'post', path: '/imports/:id/commit', body: importCommitSchema, handle: commitImport }),
  route({ method: 'post', path: '/imports/:id/stop', handle: stopImport }),
];
