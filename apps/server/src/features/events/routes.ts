import { eventsSendSchema } from '@cazuela/contract';
import { route, type Route } from '../../http/route';
import { sendEvents } from './send-events';

export const eventRoutes: readonly Route[] = [route({ method: 'post', path: '/events', body: eventsSendSchema, handle: sendEvents })];
