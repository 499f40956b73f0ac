import * as z from 'zod';
import { nameSchema, timeSchema } from '../common/basics';

/** A small example in a studio: a clay, a recipe, its bucket and a piece, to be taken out again. */
export const exampleSchema = z.strictObject({ there: z.boolean() });
export type Example = z.infer<typeof exampleSchema>;
export const exampleChangeSchema = z.strictObject({ there: z.boolean(), at: timeSchema, by: nameSchema });
/** `putAway`: what could not be deleted, because something of the studio's own needs it. */
export const exampleChangedSchema = z.strictObject({ there: z.boolean(), putAway: z.array(z.string()) });
export type ExampleChanged = z.infer<typeof exampleChangedSchema>;
