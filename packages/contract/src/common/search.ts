import * as z from 'zod';
import { idSchema } from './basics';

export const searchHitSchema = z.strictObject({
  kind: z.enum(['recipe', 'bucket', 'piece', 'powder', 'series', 'tile', 'runner', 'body']),
  id: idSchema,
  name: z.string(),
  code: z.string().nullable(),
});
export type SearchHit = z.infer<typeof searchHitSchema>;
