import * as z from 'zod';

const KEY = 'cazuela.here.bucket-rest';
const restSchema = z.record(z.string(), z.object({ grams: z.number(), at: z.iso.datetime() }));
type Rests = z.infer<typeof restSchema>;

/** What a bucket last weighed on a scale of this device: tomorrow the difference is water. */
export function restOf(scaleId: string, bucketId: string): Rests[string] | undefined {
  return rests()[`${scaleId} ${bucketId}`];
}

export function keepRest(scaleId: string, bucketId: string, rest: Rests[string]): void {
  localStorage.setItem(KEY, JSON.stringify({ ...rests(), [`${scaleId} ${bucketId}`]: rest }));
}

function rests(): Rests {
  try {
    return restSchema.parse(JSON.parse(localStorage.getItem(KEY) ?? '{}'));
  } catch {
    return {};
  }
}
