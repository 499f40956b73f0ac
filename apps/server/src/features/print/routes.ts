import { stepSheetSchema } from '@cazuela/contract';
import { route, type Route } from '../../http/route';
import { bucketLabelsPdf } from './bucket-labels';
import { resultPdf } from './result-pdf';
import { seriesSheetPdf } from './series-sheet-pdf';
import { stepSheetPdf } from './step-sheet-pdf';
import { tileLabelsPdf } from './tile-labels';
import { wallLabelsPdf } from './wall-labels';
import { weighSheetPdf } from './weigh-sheet';

export const printRoutes: readonly Route[] = [
  route({ method: 'get', path: '/batches/:id/sheet.pdf', handle: weighSheetPdf }),
  route({ method: 'get', path: '/buckets/:id/labels.pdf', handle: bucketLabelsPdf }),
  route({ method: 'get', path: '/series/:id/sheet.pdf', handle: seriesSheetPdf }),
  route({ method: 'get', path: '/series/:id/labels.pdf', handle: tileLabelsPdf }),
  route({ method: 'get', path: '/results/:id/page.pdf', handle: resultPdf }),
  route({ method: 'get', path: '/wall/labels.pdf', handle: wallLabelsPdf }),
  // Seconds and waits are computed on the screen, which sends what it shows.
  route({ method: 'post', path: '/pieces/:id/steps.pdf', body: stepSheetSchema, handle: stepSheetPdf }),
];
