import type * as z from 'zod';
import { exampleChangeSchema, type Example, type ExampleChanged } from '@cazuela/contract';
import { inTransaction } from '../../db/in-transaction';
import { holdCodes } from '../../db/next-code';
import { route, type Call, type Route } from '../../http/route';
import { putExample } from './put-example';
import { takeExampleOut } from './take-example-out';

export const exampleRoutes: readonly Route[] = [
  route({ method: 'get', path: '/example', handle: readExample }),
  route({ method: 'put', path: '/example', body: exampleChangeSchema, handle: changeExample }),
];

async function readExample({ context, studioId }: Call<unknown>): Promise<Example> {
  return { there: (await context.models.exampleRecords.count({ where: { studioId } })) > 0 };
}

/** Put in or taken out, as a whole; twice the same changes nothing. */
async function changeExample({ context, studioId, body }: Call<z.infer<typeof exampleChangeSchema>>): Promise<ExampleChanged> {
  const { there, at, by } = body;
  return inTransaction(context.sequelize, async (transaction) => {
    // Two who tap at the same time make one example.
    await holdCodes(context, studioId, 'B', transaction);
    const isThere = (await context.models.exampleRecords.count({ where: { studioId }, transaction })) > 0;
    if (there && !isThere) await putExample(context, { studioId, at, by }, transaction);
    const putAway = !there && isThere ? await takeExampleOut(context, { studioId, at, by }, transaction) : [];
    return { there, putAway };
  });
}
