import * as z from 'zod';
import { colourSchema, nameSchema } from '../common/basics';

/** Characters of all paths together: a pot with every strip and mask has about a tenth of it. */
const MOST_DRAWN = 200_000;

const pathSchema = z.strictObject({
  /** Straight lines and curves between plain numbers: nothing else reaches the page, and nothing takes long to draw. */
  d: z
    .string()
    .max(20_000)
    .regex(/^(?:[MLHVCSQTZmlhvcsqtz]|[+-]?\d{1,5}(?:\.\d{0,16})?|\.\d{1,16}|[\s,])*$/, 'A path holds only lines, curves and plain numbers.'),
  fill: colourSchema.optional(),
  stroke: colourSchema.optional(),
  width: z.number().min(0).max(60).optional(),
});

/** What the screen shows of a plan, to be printed as it is: the server draws it and adds nothing. */
export const stepSheetSchema = z.strictObject({
  title: nameSchema,
  lines: z.array(z.string().max(400)).max(12),
  drawing: z.strictObject({
    left: z.number().min(-2000).max(2000),
    top: z.number().min(-2000).max(2000),
    wide: z.number().min(1).max(4000),
    high: z.number().min(1).max(4000),
    paths: z
      .array(pathSchema)
      .max(120)
      .refine((paths) => paths.reduce((sum, path) => sum + path.d.length, 0) <= MOST_DRAWN, 'The drawing is too large for a sheet of paper.'),
    note: z.string().max(200),
  }),
  steps: z.array(z.strictObject({ words: z.string().max(400), wait: z.string().max(200), caution: z.string().max(400).optional() })).max(60),
  warnings: z.array(z.string().max(600)).max(40),
});
export type StepSheet = z.infer<typeof stepSheetSchema>;
