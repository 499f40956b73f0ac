import * as z from 'zod';

/** What became of a whole studio that was taken in. */
export const studioOutcomeSchema = z.strictObject({
  /** Records that are new here, and those that were here already. */
  added: z.int().min(0),
  here: z.int().min(0),
  photos: z.int().min(0),
  /** What was left out or changed, in sentences. */
  left: z.array(z.string()),
});
export type StudioOutcome = z.infer<typeof studioOutcomeSchema>;
