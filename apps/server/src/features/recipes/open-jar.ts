import type * as z from 'zod';
import { waterPerDryGram, recipeDensity, dryGrams, type BucketEvent, type BucketPart } from '@cazuela/core';
import type { Bucket, jarOpenSchema } from '@cazuela/contract';
import { inTransaction } from '../../db/in-transaction';
import { holdCodes } from '../../db/next-code';
import type { Call } from '../../http/route';
import { ProblemError } from '../../http/problem-error';
import { bucketById } from '../buckets/read-buckets';
import { createBucketRow } from '../buckets/create-bucket-row';
import { appendToStream } from '../events/append-events';
import { powdersOf } from '../powders/list-powders';
import { versionName } from '../buckets/move-glaze';
import { recipeVersionById } from './repository';

/** Opens a bought jar: a small bucket with what its label says, at the middle of its SG range until somebody measures. */
export async function openJar({ context, studioId, id, body }: Call<z.infer<typeof jarOpenSchema>>): Promise<Bucket> {
  const version = await recipeVersionById(context, studioId, body.versionId);
  const { product, lines, name, sgLow, sgHigh, colour } = version.body;
  if (version.recipeId !== id) throw new ProblemError('notFound', 'There is no such version of this recipe.');
  if (product?.kind !== 'jar') throw new ProblemError('checkInput', 'This is no jar: weigh a batch of it instead.');
  const powders = await powdersOf(context, studioId);
  const sg = (sgLow + sgHigh) / 2;
  const density = recipeDensity({ lines, powders });
  const dry = dryGrams({ volumeMl: product.jarMl, sg, density });
  const sum = lines.reduce((total, line) => total + line.percent, 0);
  const parts = lines.map((line): BucketPart => {
    const powder = powders.find((candidate) => candidate.id === line.powderId)!;
    return { powderId: powder.id, name: powder.name, part: line.part, grams: (dry * line.percent) / sum, density: powder.densityGMl };
  });
  await inTransaction(context.sequelize, async (transaction) => {
    // The codes are locked: the second of two taps waits, and then sees the bucket of the first.
    await holdCodes(context, studioId, 'B', transaction);
    const there = await context.models.buckets.findOne({ where: { id: body.bucketId, studioId }, transaction });
    if (there) return;
    const notes = `Ready jar, brushed: ${product.coats} coats by its label.`;
    await createBucketRow(context, {
      id: body.bucketId,
      studioId,
      body: { name, sgLow, sgHigh, colour, capacityMl: product.jarMl, notes },
      recipeId: id,
      recipeVersionId: version.id,
      transaction,
    });
    const filled: BucketEvent = {
      id: body.filledEventId,
      at: body.at,
      by: body.by,
      type: 'filled',
      parts,
      waterGrams: dry * waterPerDryGram({ sg, density }),
      glazes: [versionName(version)],
      from: 'shelf',
    };
    await appendToStream(context, { studioId, stream: 'bucket', streamId: body.bucketId }, [filled], transaction);
  });
  return bucketById(context, studioId, body.bucketId);
}
