import type * as z from 'zod';
import type { Bucket, bucketPourSchema } from '@cazuela/contract';
import { inTransaction } from '../../db/in-transaction';
import { holdCodes } from '../../db/next-code';
import type { Call } from '../../http/route';
import { ProblemError } from '../../http/problem-error';
import { bucketById } from './read-buckets';
import { createBucketRow } from './create-bucket-row';
import { isPouredAlready, moveGlaze } from './move-glaze';

/** The studio's bucket for leftovers has this name; it is made when it is first wanted. */
const SCRAPS = {
  name: 'Scraps',
  sgLow: 1.4,
  sgHigh: 1.5,
  capacityMl: 20_000,
  colour: '#8A7F6E',
  notes: 'Leftovers of known average. Test before use.',
};

/**
 * Pours glaze from one bucket into another, or into the scraps, in one transaction. It stays known, powder by powder, what the mixture is made of.
 * Sent twice it counts once.
 */
export async function pourIntoBucket({ context, studioId, id, body }: Call<z.infer<typeof bucketPourSchema>>): Promise<Bucket> {
  const { models, sequelize } = context;
  const pouredInto = await inTransaction(sequelize, async (transaction) => {
    if ((await models.buckets.count({ where: { id, studioId }, transaction })) === 0) throw new ProblemError('notFound', 'There is no such bucket.');
    // The codes first: two requests that make the first scraps bucket at once make one.
    if (!body.toId) await holdCodes(context, studioId, 'B', transaction);
    const scraps = body.toId ? undefined : await models.buckets.findOne({ where: { studioId, name: SCRAPS.name, recipeId: null }, transaction });
    const toId = body.toId ?? scraps?.get().id ?? body.scrapsId;
    if (toId === id) throw new ProblemError('checkInput', 'That is the same bucket: choose another one to pour into.');
    if (body.toId && (await models.buckets.count({ where: { id: toId, studioId }, transaction })) === 0) {
      throw new ProblemError('notFound', 'There is no such bucket to pour into.');
    }
    if (await isPouredAlready(context, { studioId, fromId: id, toId: body.toId ?? undefined, takenEventId: body.takenEventId }, transaction))
      return toId;
    if (!body.toId && !scraps)
      await createBucketRow(context, { id: toId, studioId, body: SCRAPS, recipeId: null, recipeVersionId: null, transaction });
    await moveGlaze(context, { ...body, studioId, fromId: id, toId, reason: 'other' }, transaction);
    return toId;
  });
  return bucketById(context, studioId, pouredInto);
}
