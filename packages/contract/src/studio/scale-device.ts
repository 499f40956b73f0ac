import * as z from 'zod';

/** Where the practice scale listens; a studio's own scale would be read at the same address. */
export const SCALE_SOCKET = '/api/devices/scale';

/** Commands to the practice scale. The scale itself sends plain lines of text, as real ones do: a number, a unit and a word for stable. */
export const scaleCommandSchema = z.discriminatedUnion('kind', [
  /** Powder runs at this rate until it is stopped. */
  z.strictObject({ kind: z.literal('pour'), gramsPerSecond: z.number().min(0).max(2000) }),
  /** Put on, or taken off, at once: a pan, a spoonful. */
  z.strictObject({ kind: z.literal('put'), grams: z.number().min(-50_000).max(50_000) }),
  z.strictObject({ kind: z.literal('clear') }),
  z.strictObject({ kind: z.literal('tare') }),
  z.strictObject({ kind: z.literal('plug'), in: z.boolean() }),
  /** A pour that runs by itself: a list of rates, each for some time. */
  z.strictObject({
    kind: z.literal('script'),
    steps: z.array(z.strictObject({ gramsPerSecond: z.number().min(-2000).max(2000), seconds: z.number().gt(0).max(60) })).max(50),
  }),
]);
export type ScaleCommand = z.infer<typeof scaleCommandSchema>;
