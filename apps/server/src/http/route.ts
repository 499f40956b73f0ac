import { Router, type Request, type RequestHandler, type Response } from 'express';
import type * as z from 'zod';
import { idSchema } from '@cazuela/contract';
import type { Context } from '../context';
import { ProblemError } from './problem-error';

/** What a handler is called with: everything is checked already. */
export interface Call<Body> {
  context: Context;
  studioId: string;
  /** The id in the path; empty when the path has none. */
  id: string;
  body: Body;
  query: Record<string, unknown>;
  request: Request;
  response: Response;
}

export interface Route<Body = unknown> {
  method: 'get' | 'post' | 'put' | 'delete';
  path: string;
  body?: z.ZodType<Body>;
  /** Runs before the body is checked, e.g. to receive a file. */
  before?: readonly ((context: Context) => RequestHandler)[];
  handle: (call: Call<Body>) => Promise<unknown>;
}

/** Keeps the type of the body inside one row of a routes table. */
export const route = <Body>(row: Route<Body>): Route => row as unknown as Route;

/** Turns a routes table into a router under one studio. */
export function routerFor(context: Context, routes: readonly Route[]): Router {
  const router = Router({ mergeParams: true });
  for (const row of routes) {
    router[row.method](row.path, ...(row.before ?? []).map((make) => make(context)), async (request: Request, response: Response) => {
      const params = request.params as Record<string, string>;
      const call: Call<unknown> = {
        context,
        studioId: pathId(params['studioId']),
        id: params['id'] === undefined ? '' : pathId(params['id']),
        body: row.body ? row.body.parse(request.body) : undefined,
        query: request.query,
        request,
        response,
      };
      const answer = await row.handle(call);
      if (!response.headersSent) response.status(row.method === 'post' ? 201 : 200).json(answer);
    });
  }
  return router;
}

function pathId(text: string | undefined): string {
  const id = idSchema.safeParse(text);
  if (!id.success) throw new ProblemError('notFound', 'There is nothing at this address.');
  return id.data;
}
