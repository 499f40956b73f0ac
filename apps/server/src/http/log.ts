import type { RequestHandler } from 'express';
import { pino, type Logger } from 'pino';
import { BaseError } from 'sequelize';
import type { Config } from '../config';

/** Lines of JSON to stderr, as service managers keep them; stdout says only where the server listens. */
export function makeLog({ logLevel }: Pick<Config, 'logLevel'>, to: NodeJS.WritableStream = process.stderr): Logger {
  return pino({ level: logLevel, base: null, timestamp: pino.stdTimeFunctions.isoTime, serializers: { err: describeError } }, to);
}

/** What helps to mend it: kind, code and place. No statement with its values, and no names that people gave: MariaDB's messages quote both. */
export function describeError(error: unknown): Record<string, unknown> {
  if (!(error instanceof Error)) return { type: typeof error };
  const frames = (error.stack ?? '')
    .split('\n')
    .filter((line) => /^\s+at /.test(line))
    .map((line) => line.trim());
  const original = error instanceof BaseError ? (error as { original?: { code?: string; errno?: number } }).original : undefined;
  return {
    type: error.name,
    ...(error instanceof BaseError ? { code: original?.code, number: original?.errno } : { message: error.message }),
    stack: frames.slice(0, 12),
    ...(error.cause === undefined ? {} : { cause: describeError(error.cause) }),
  };
}

/** One line for each request, with its path and without its query. */
export function logRequests(log: Logger): RequestHandler {
  return (request, response, next) => {
    const started = process.hrtime.bigint();
    const { method, path } = request;
    response.once('close', () => {
      const ms = Number((process.hrtime.bigint() - started) / 1_000_000n);
      log.info({ method, path, status: response.writableFinished ? response.statusCode : 'cut off', ms }, 'request');
    });
    next();
  };
}
