import * as z from 'zod';

/** Why the server could not do it; the code decides what the screen offers. */
export const PROBLEM_CODES = [
  'checkInput',
  'notFound',
  'stale',
  'tooLarge',
  'notAPhoto',
  'notReadable',
  'tooMany',
  'wrongOrigin',
  'databaseAway',
  'busy',
  'conflict',
  'broken',
] as const;
export type ProblemCode = (typeof PROBLEM_CODES)[number];

/** Problem details (RFC 9457) with our code; `detail` is a sentence for the potter. */
export const problemSchema = z.object({
  type: z.string(),
  title: z.string(),
  status: z.int(),
  code: z.enum(PROBLEM_CODES),
  detail: z.string(),
  errors: z.array(z.object({ path: z.string(), message: z.string() })).optional(),
  /** On a stale write: the document as it is now. */
  current: z.unknown().optional(),
});
export type Problem = z.infer<typeof problemSchema>;
