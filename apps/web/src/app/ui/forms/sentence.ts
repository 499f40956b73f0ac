import type { ValidationErrors } from '@angular/forms';

/** The key under which every rule of ours leaves its sentence. */
export const SENTENCE = 'sentence';

/** Returns the sentence that stands under a field, undefined when nothing is wrong. */
export function sentenceOf(errors: ValidationErrors | null): string | undefined {
  const words: unknown = errors?.[SENTENCE];
  return typeof words === 'string' ? words : undefined;
}
