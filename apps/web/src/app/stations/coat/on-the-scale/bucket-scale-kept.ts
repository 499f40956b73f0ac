import type { Asked } from '@cazuela/core';
import * as z from 'zod';

const dipSchema = z.object({ id: z.number(), atMs: z.number(), lossGrams: z.number(), dripsBackGrams: z.number(), seconds: z.number().optional() });
const askedSchema = z.object({ id: z.number(), atMs: z.number(), lossGrams: z.number(), guess: z.enum(['spilled', 'tooLittle', 'added', 'lifted']) });
/** Dips not yet saved, and changes nobody has explained: there again after a reload. */
export const bucketScaleSchema = z.object({
  bucketId: z.string(),
  areaCm2: z.number().nullable(),
  dips: z.array(dipSchema).max(60),
  asked: z.array(askedSchema).max(20),
  count: z.number(),
});
export type BucketScaleKept = z.infer<typeof bucketScaleSchema>;

/** What the scale asks about an unexplained change; `grams` formats as the scale shows. */
export function askedWords({ lossGrams, guess }: Asked, grams: string): string {
  switch (guess) {
    case 'spilled':
      return `${grams} less at once: more than a coat. Spilled, poured out, or several pieces?`;
    case 'tooLittle':
      return `${grams} less: less than a coat. A drop on the floor?`;
    case 'added':
      return `${grams} more: something was put in.`;
    case 'lifted':
      return `Back on the scale it weighs ${grams} ${lossGrams > 0 ? 'less' : 'more'} than before.`;
  }
}
