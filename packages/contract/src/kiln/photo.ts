import * as z from 'zod';
import { idSchema } from '../common/basics';

const oklabSchema = z.tuple([z.number().min(0).max(1.1), z.number().min(-0.6).max(0.6), z.number().min(-0.6).max(0.6)]);
const gainSchema = z.number().positive().max(100);

/** The main colours of a photo in OKLab, the largest first, with the grey patch that they were made comparable by. */
export const photoColoursSchema = z.strictObject({
  id: idSchema,
  colours: z.array(z.strictObject({ oklab: oklabSchema, share: z.number().min(0).max(1) })).max(3),
  /** By which red, green and blue are multiplied, linear; null where nobody tapped a grey patch. */
  gains: z.tuple([gainSchema, gainSchema, gainSchema]).nullable(),
});
export type PhotoColours = z.infer<typeof photoColoursSchema>;

/** Where on a photo something grey is, as shares of its width and height; null takes it back. */
export const greyPatchSchema = z.strictObject({
  at: z.strictObject({ across: z.number().min(0).max(1), down: z.number().min(0).max(1) }).nullable(),
});
export type GreyPatch = z.infer<typeof greyPatchSchema>;
