import * as z from 'zod';
import { CHANGE_KINDS, FIRED_FAULTS } from '@cazuela/core';
import { idSchema, nameSchema, noteSchema, timeSchema, versionSchema } from '../common/basics';

const chanceSchema = z.number().min(0).max(1);

/** What somebody did, or did not want to do, about a fault: an entry of the studio's ledger of changes. */
export const resultChangeBodySchema = z.strictObject({
  resultId: idSchema,
  /** The plan that it is for. */
  pieceId: idSchema,
  fault: z.enum(FIRED_FAULTS),
  where: z.enum(['inside', 'outside', 'rim', 'foot']),
  kind: z.enum(CHANGE_KINDS),
  from: z.number().optional(),
  to: z.number().optional(),
  chanceBefore: chanceSchema,
  chanceAfter: chanceSchema,
  decision: z.enum(['made', 'refused']),
  /** Why it was refused, or a word with it. */
  reason: noteSchema,
  /** The new version that it became; left out for a habit. */
  became: z.strictObject({ what: z.enum(['plan', 'window', 'recipe', 'schedule', 'kiln']), id: idSchema, version: versionSchema }).optional(),
  at: timeSchema,
  by: nameSchema,
});
export type ResultChangeBody = z.infer<typeof resultChangeBodySchema>;
export const resultChangeSchema = z.strictObject({ id: idSchema, body: resultChangeBodySchema });
export type ResultChangeEntry = z.infer<typeof resultChangeSchema>;
export const resultChangeCreateSchema = z.strictObject({ id: idSchema, body: resultChangeBodySchema });
