import type { BucketSummary } from '@cazuela/contract';
import type { CoatKnowledge, Face, PieceTreatment } from '@cazuela/core';
import * as z from 'zod';

export const FACES = ['outside', 'inside', 'both'] as const;
export const COMPARISONS = ['sg', 'second', 'walls'] as const;
const minutesSchema = z.number().min(0).max(30_000);

/** What was done to the piece before, as it was typed: there again after a reload. */
export const treatmentSchema = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('wiped') }),
  z.object({ kind: z.literal('wetted'), share: z.number().min(0).max(1) }),
  z.object({ kind: z.literal('dipped'), face: z.enum(FACES), seconds: z.number().min(0).max(600), bucketId: z.string() }),
  z.object({ kind: z.literal('waited'), minutes: minutesSchema, air: z.enum(['damp', 'usual', 'draught']) }),
]);
export type Treatment = z.infer<typeof treatmentSchema>;

export const questionSchema = z.object({
  bucketId: z.string(),
  bodyId: z.string(),
  lotId: z.string(),
  /** Null: as the body's card says. */
  wallMm: z.number().nullable(),
  face: z.enum(FACES),
  seconds: z.number().nullable(),
  coatMm: z.number().nullable(),
  sg: z.number().nullable(),
  treatments: z.array(treatmentSchema).max(20),
  firedUnder: z.boolean(),
  also: z.array(z.enum(COMPARISONS)),
  view: z.enum(['curve', 'map']),
});
export type Question = z.infer<typeof questionSchema>;

export const START: Question = {
  bucketId: '',
  bodyId: '',
  lotId: '',
  wallMm: null,
  face: 'outside',
  seconds: 3,
  coatMm: 0.6,
  sg: null,
  treatments: [],
  firedUnder: false,
  also: [],
  view: 'curve',
};

export const facesOf = (face: Question['face']): Face[] => (face === 'both' ? ['inside', 'outside'] : [face]);

/** Treatments for the core; a dip in a bucket that is gone counts as one in the bucket that is asked about. */
export function pieceTreatments(
  treatments: readonly Treatment[],
  buckets: readonly BucketSummary[],
  asked: BucketSummary,
  knowledgeOfBucket: (bucket: BucketSummary) => CoatKnowledge,
): PieceTreatment[] {
  return treatments.map((treatment): PieceTreatment => {
    if (treatment.kind !== 'dipped') return treatment;
    const bucket = buckets.find((one) => one.id === treatment.bucketId) ?? asked;
    const { sg, density, slurryState: state } = bucket.contents!;
    return {
      kind: 'dipped',
      faces: facesOf(treatment.face),
      seconds: treatment.seconds,
      glaze: { sg, density, state },
      knowledge: knowledgeOfBucket(bucket),
    };
  });
}
