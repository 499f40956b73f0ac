import type * as z from 'zod';
import type { powderCreateSchema, PowderBody, powderUpdateSchema, StudioPowder } from '@cazuela/contract';
import type { Context } from '../../context';
import type { PowderRow } from '../../db/rows';
import { createOnce, updateVersioned } from '../../db/versioned';
import type { Call } from '../../http/route';
import { ProblemError } from '../../http/problem-error';
import { powderFromRow } from './list-powders';
import { stockOf } from './stock';

export async function createPowder({ context, studioId, body }: Call<z.infer<typeof powderCreateSchema>>): Promise<StudioPowder> {
  await requireNewName(context, studioId, body.body.name, body.id);
  const row = await createOnce(context.models.powders, { id: body.id, studioId, version: 1, ...columns(body.body) });
  return withStock(context, row);
}

export async function updatePowder({ context, studioId, id, body }: Call<z.infer<typeof powderUpdateSchema>>): Promise<StudioPowder> {
  await requireNewName(context, studioId, body.body.name, id);
  const row = await updateVersioned({
    table: context.models.powders,
    where: { id, studioId },
    version: body.version,
    values: columns(body.body),
    missing: 'There is no such powder.',
    toContract: powderFromRow,
  });
  return withStock(context, row);
}

/** Two powders of one name could not be told apart on a weigh sheet. */
async function requireNewName({ models }: Context, studioId: string, name: string, id: string): Promise<void> {
  const there = await models.powders.findOne({ where: { studioId, name } });
  if (there && there.get().id !== id) {
    throw new ProblemError(
      'checkInput',
      `There is a powder “${there.get().name}” already: give this one another name, so that they are not mistaken.`,
    );
  }
}

const columns = ({ name, ...rest }: PowderBody): Pick<PowderRow, 'name' | 'body'> => ({ name, body: rest });

async function withStock(context: Context, row: PowderRow): Promise<StudioPowder> {
  const stockGrams = (await stockOf(context, row.studioId)).get(row.id);
  return { ...powderFromRow(row), ...(stockGrams === undefined ? {} : { stockGrams }) };
}
