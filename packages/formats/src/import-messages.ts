import * as z from 'zod';
import { LIMITS } from '@cazuela/contract';
import { importRowSchema } from './portable';

/** Rows sent at once: a few hundred kilobytes, so that stopping is immediate and a slow line still shows progress. */
export const ROWS_AT_ONCE = 200;
export const BYTES_AT_ONCE = 500_000;
/** Largest message of an import: more than a single recipe with all the versions it may have. */
export const MOST_IMPORT_BYTES = 12_000_000;

export const importRowsSchema = z.strictObject({
  from: z.int().min(0).max(LIMITS.rowsInOneImport),
  rows: z.array(importRowSchema).min(1).max(ROWS_AT_ONCE),
});

/** What to do with a name that exists already. Nothing is ever overwritten: a new version keeps the old one. */
export const IMPORT_CHOICES = ['leaveMine', 'newVersion', 'keepBoth'] as const;
export const importCommitSchema = z.strictObject({
  rows: z.int().min(1).max(LIMITS.rowsInOneImport, `One file holds at most ${LIMITS.rowsInOneImport} entries.`),
  choice: z.enum(IMPORT_CHOICES),
});
export type ImportChoice = (typeof IMPORT_CHOICES)[number];

export const importOutcomeSchema = z.strictObject({
  powders: z.int(),
  recipes: z.int(),
  versions: z.int(),
  batches: z.int(),
  /** Left alone, because the studio has them. */
  left: z.int(),
});
export type ImportOutcome = z.infer<typeof importOutcomeSchema>;
export const importProgressSchema = z.strictObject({ rows: z.int() });
