import * as z from 'zod';
import { colourSchema, nameSchema } from './basics';

const pathSchema = z.strictObject({
  /** Only what a path may hold: nothing else reaches the page. */
  d: z
    .string()
    .max(20_000)
    .regex(/^[MLHVCSQTAZmlhvcsqtaz0-9eE\s,.+-]*$/, 'A path holds only path commands and numbers.'),
  fill: colourSchema.optional(),
  stroke: colourSchema.optional(),
  width: z.number().min(0).max(60).optional(),
});

/** What the screen tells of a plan, to be put on paper as it stands there: the server draws it and adds nothing. */
export const stepSheetSchema = z.strictObject({
  title: nameSchema,
  lines: z.array(z.string().max(400)).max(12),
  drawing: z.strictObject({
    left: z.number().min(-2000).max(2000),
    top: z.number().min(-2000).max(2000),
    wide: z.number().gt(0).max(4000),
    high: z.number().gt(0).max(4000),
    paths: z.array(pathSchema).max(120),
    note: z.string().max(200),
  }),
  steps: z.array(z.strictObject({ words: z.string().max(400), wait: z.string().max(200), caution: z.string().max(400).optional() })).max(60),
  warnings: z.array(z.string().max(600)).max(40),
});
export type StepSheet = z.infer<typeof stepSheetSchema>;
