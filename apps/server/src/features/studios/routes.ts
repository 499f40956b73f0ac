import { studioUpdateSchema } from '@cazuela/contract';
import { route, type Route } from '../../http/route';
import { updateStudio } from './update-studio';

export const studioDocumentRoutes: readonly Route[] = [route({ method: 'put', path: '/', body: studioUpdateSchema, handle: updateStudio })];
