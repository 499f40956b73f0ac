import { BaseError, ConnectionError } from 'sequelize';
import type { Problem, ProblemCode } from '@cazuela/contract';

const STATUS: Record<ProblemCode, number> = {
  checkInput: 422,
  notFound: 404,
  stale: 409,
  conflict: 409,
  tooLarge: 413,
  notAPhoto: 415,
  notReadable: 415,
  tooMany: 429,
  wrongOrigin: 403,
  databaseAway: 503,
  busy: 503,
  broken: 500,
};

const TITLE: Record<ProblemCode, string> = {
  checkInput: 'Something typed cannot be right',
  notFound: 'Not here',
  stale: 'Changed meanwhile',
  conflict: 'Already taken',
  tooLarge: 'Too large',
  notAPhoto: 'Not a photo',
  notReadable: 'Not readable',
  tooMany: 'Too many at once',
  wrongOrigin: 'Not from this page',
  databaseAway: 'The records cannot be reached',
  busy: 'Many are writing',
  broken: 'Something went wrong',
};

/** How a handler refuses. */
export class ProblemError extends Error {
  override readonly name = 'ProblemError';
  constructor(
    readonly code: ProblemCode,
    readonly detail: string,
    readonly extra: Pick<Problem, 'errors' | 'current'> = {},
    options: ErrorOptions = {},
  ) {
    super(detail, options);
  }

  toProblem(): Problem {
    return {
      type: `about:blank#${this.code}`,
      title: TITLE[this.code],
      status: STATUS[this.code],
      code: this.code,
      detail: this.detail,
      ...this.extra,
    };
  }
}

/** Whether the same request may succeed later: the database is away or overloaded. */
export function isAway(error: unknown): boolean {
  if (error instanceof ProblemError) return error.code === 'databaseAway' || error.code === 'busy';
  if (error instanceof ConnectionError) return true;
  if (!(error instanceof BaseError)) return false;
  // The driver's words for a server that went away in the middle of a query, is read-only, full, or a cluster node without its cluster.
  const cause = (error as { original?: { code?: string; errno?: number; fatal?: boolean } }).original;
  return (
    cause?.fatal === true ||
    /ECONN|EPIPE|ETIMEDOUT|CONNECTION|SOCKET|SHUTDOWN|READ_ONLY|TOO_MANY|DISK_FULL|RECORD_FILE_FULL|WSREP/i.test(cause?.code ?? '') ||
    AWAY_NUMBERS.has(cause?.errno ?? 0)
  );
}

/** Out of memory or threads, disk full, too many connections, refused because read-only, node without its cluster. */
const AWAY_NUMBERS: ReadonlySet<number> = new Set([1021, 1037, 1040, 1041, 1047, 1053, 1114, 1135, 1203, 1290, 1792, 1836]);
