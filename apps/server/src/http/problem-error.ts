import type { Problem, ProblemCode } from '@cazuela/contract';

const STATUS: Record<ProblemCode, number> = {
  checkInput: 422,
  notFound: 404,
  stale: 409,
  conflict: 409,
  tooLarge: 413,
  notAPhoto: 415,
  tooMany: 429,
  wrongOrigin: 403,
  databaseAway: 503,
  broken: 500,
};

const TITLE: Record<ProblemCode, string> = {
  checkInput: 'Something typed cannot be right',
  notFound: 'Not here',
  stale: 'Changed meanwhile',
  conflict: 'Already taken',
  tooLarge: 'Too large',
  notAPhoto: 'Not a photo',
  tooMany: 'Too many at once',
  wrongOrigin: 'Not from this page',
  databaseAway: 'The records cannot be reached',
  broken: 'Something went wrong',
};

/** The one way a handler says no. */
export class ProblemError extends Error {
  override readonly name = 'ProblemError';
  constructor(
    readonly code: ProblemCode,
    readonly detail: string,
    readonly extra: Pick<Problem, 'errors' | 'current'> = {},
  ) {
    super(detail);
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
