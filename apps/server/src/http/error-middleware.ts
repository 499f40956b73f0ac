import type { ErrorRequestHandler } from 'express';
import { ForeignKeyConstraintError, UniqueConstraintError } from 'sequelize';
import * as z from 'zod';
import { PotterError } from '@cazuela/core';
import type { Context } from '../context';
import { isAway, ProblemError } from './problem-error';

/** Mounted last: every error leaves as problem details; an unexpected error reveals nothing more. */
export function errorMiddleware({ log }: Pick<Context, 'log'>): ErrorRequestHandler {
  return (error, request, response, next) => {
    if (response.headersSent) {
      next(error);
      return;
    }
    const problem = toProblem(error);
    if (problem.code === 'broken') log.error({ err: error, path: request.path }, 'a request broke');
    const body = problem.toProblem();
    response.status(body.status).type('application/problem+json').send(JSON.stringify(body));
  };
}

function toProblem(error: unknown): ProblemError {
  if (error instanceof ProblemError) return error;
  if (error instanceof PotterError) return new ProblemError('checkInput', error.message, { errors: [{ path: error.field, message: error.message }] });
  if (error instanceof z.ZodError) return fromZod(error);
  if (error instanceof ForeignKeyConstraintError)
    return new ProblemError('checkInput', 'This points at something that is not there any more. Reload and try again.');
  if (error instanceof UniqueConstraintError) return new ProblemError('conflict', 'This is taken already. Reload to see by what, then try again.');
  if (isAway(error)) {
    return new ProblemError(
      'databaseAway',
      'The studio’s records cannot be reached just now. What you do at the bench is kept here and sent when they are back.',
    );
  }
  const status = (error as { status?: unknown }).status;
  const type = (error as { type?: unknown }).type;
  if (type === 'entity.too.large') return new ProblemError('tooLarge', 'That is too much in one go.');
  if (status === 415) return new ProblemError('notReadable', 'The message is written in a way this server does not read: send JSON in UTF-8.');
  if (typeof status === 'number' && status >= 400 && status < 500) return new ProblemError('checkInput', 'The message could not be read.');
  return new ProblemError('broken', 'Something went wrong on our side. Nothing was half written; try again.');
}

function fromZod(error: z.ZodError): ProblemError {
  const errors = error.issues.map((issue) => ({ path: issue.path.join('.'), message: issue.message }));
  return new ProblemError('checkInput', errors[0]?.message ?? 'Something typed cannot be right.', { errors });
}
