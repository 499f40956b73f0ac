import * as z from 'zod';
import { idSchema, nameSchema, timeSchema } from './basics';

/** What can be put away, found again and deleted. */
export const RECORD_KINDS = [
  'recipe',
  'powder',
  'body',
  'piece',
  'tile',
  'runner',
  'window',
  'batch',
  'bucket',
  'series',
  'day',
  'kiln',
  'load',
  'schedule',
  'firing',
  'result',
  'change',
] as const;
export const recordKindSchema = z.enum(RECORD_KINDS, 'There is no such kind of record.');
export type RecordKind = z.infer<typeof recordKindSchema>;

export const putAwayChangeSchema = z.strictObject({ away: z.boolean(), at: timeSchema, by: nameSchema });
export type PutAwayChange = z.infer<typeof putAwayChangeSchema>;

/** A record that is out of the lists: kept whole, and found among what is put away. */
export const putAwaySchema = z.strictObject({
  kind: recordKindSchema,
  id: idSchema,
  name: z.string(),
  code: z.string().nullable(),
  at: timeSchema,
  by: z.string(),
});
export type PutAway = z.infer<typeof putAwaySchema>;

/** What would be lost with a record. `uses`: what hangs on it, so that it cannot be deleted. `goesWith`: what is deleted with it. */
export const recordUsesSchema = z.strictObject({ name: z.string(), uses: z.array(z.string()), goesWith: z.array(z.string()) });
export type RecordUses = z.infer<typeof recordUsesSchema>;
export const recordDeletedSchema = z.strictObject({ kind: recordKindSchema, id: idSchema });
