import type { IncomingHttpHeaders } from 'node:http';
import type { RequestHandler } from 'express';
import { ProblemError } from './problem-error';

/**
 * A server on loopback can be reached by any page the browser has open. The Host header must be one of ours (a foreign name that points here is
 * refused), and a write must come from our own page.
 */
export function guardOrigin({ allowedHosts }: { allowedHosts: readonly string[] }): RequestHandler {
  return (request, _response, next) => {
    const host = request.headers.host ?? '';
    if (!allowedHosts.includes(host.replace(/:\d+$/, ''))) {
      throw new ProblemError('wrongOrigin', `This app does not answer under the name “${host.slice(0, 80)}”.`);
    }
    const { origin } = request.headers;
    const site = request.headers['sec-fetch-site'];
    const isWrite = request.method !== 'GET' && request.method !== 'HEAD';
    if (isWrite && ((origin !== undefined && !sameHost(origin, host)) || site === 'cross-site')) {
      throw new ProblemError('wrongOrigin', 'Changes are only taken from Cazuela’s own pages.');
    }
    next();
  };
}

/** The same for a socket, which has no middleware: our name, and opened by our own page. */
export function isOwnOrigin({ allowedHosts }: { allowedHosts: readonly string[] }, headers: IncomingHttpHeaders): boolean {
  const host = headers.host ?? '';
  const { origin } = headers;
  return allowedHosts.includes(host.replace(/:\d+$/, '')) && (origin === undefined || sameHost(origin, host));
}

function sameHost(origin: string, host: string): boolean {
  try {
    return new URL(origin).host === host;
  } catch {
    return false;
  }
}
