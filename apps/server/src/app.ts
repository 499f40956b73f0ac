import compression from 'compression';
import express, { type Express } from 'express';
import { rateLimit } from 'express-rate-limit';
import { MOST_IMPORT_BYTES } from '@cazuela/formats';
import type { Context } from './context';
import { errorMiddleware } from './http/error-middleware';
import { guardOrigin } from './http/guard-origin';
import { ProblemError } from './http/problem-error';
import { logRequests } from './http/log';
import { routerFor } from './http/route';
import { securityHeaders } from './http/security-headers';
import { serveWeb } from './http/serve-web';
import { requireWellFormed } from './http/well-formed';
import { studioRoutes } from './routes';
import { listStudios } from './features/studios/list-studios';
import { health } from './features/studios/health';

/** The whole server, without a port. */
export function createApp(context: Context): Express {
  const app = express();
  app.disable('x-powered-by');
  app.set('query parser', 'simple');
  app.set('trust proxy', context.config.trustProxy);
  app.use(logRequests(context.log));
  app.use(guardOrigin(context.config));
  app.use(...securityHeaders());
  app.use(compression());
  const writes = rateLimit({
    windowMs: 60_000,
    limit: context.config.writesPerMinute,
    // Without a named proxy the header is not looked at: anybody could write it.
    validate: { xForwardedForHeader: false },
    skip: (request) => request.method === 'GET' || request.method === 'HEAD',
    handler: () => {
      throw new ProblemError('tooMany', 'That was a lot in one minute. What you did is kept; wait a moment and it goes on.');
    },
  });
  app.use('/api', writes);
  // A recipe with all of its versions is a large message; nothing else is.
  app.use('/api/studios/:studioId/imports', express.json({ limit: MOST_IMPORT_BYTES }));
  app.use('/api', express.json({ limit: '1mb' }), requireWellFormed);
  app.get('/api/health', health(context));
  app.get('/api/studios', listStudios(context));
  app.use('/api/studios/:studioId', routerFor(context, studioRoutes));
  app.use('/api', () => {
    throw new ProblemError('notFound', 'There is nothing at this address.');
  });
  app.use(serveWeb(context.config.webFolder));
  app.use(errorMiddleware(context));
  return app;
}
