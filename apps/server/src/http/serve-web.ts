import { existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import express, { Router, type Response } from 'express';

/** Serves the built interface. The first page gets this response's style nonce; files with a hash in their name may be cached for ever. */
export function serveWeb(webFolder: string): Router {
  const router = Router();
  const index = join(webFolder, 'index.html');
  if (!webFolder || !existsSync(index)) return router;
  const page = readFileSync(index, 'utf8');
  router.use(
    express.static(webFolder, {
      index: false,
      setHeaders: (response, path) => {
        if (/-[A-Z0-9]{8,}\./.test(path)) response.setHeader('Cache-Control', 'public, max-age=31536000, immutable');
      },
    }),
  );
  router.get(/^\/(?!api\/).*/, (request, response: Response) => {
    if (/\.\w{2,5}$/.test(request.path)) {
      response.status(404).type('text/plain').send('Not here.');
      return;
    }
    const nonce = String(response.locals['nonce']);
    response.setHeader('Cache-Control', 'no-store');
    response.type('html').send(page.replaceAll('__NONCE__', nonce));
  });
  return router;
}
