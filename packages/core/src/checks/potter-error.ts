/** Why a core function refused its input: one code for each remedy, so that screens can act on it. */
export type RefusalCode = 'notANumber' | 'tooSmall' | 'tooLarge' | 'wrongSide' | 'emptyList' | 'unknownName' | 'impossible';

/**
 * The only error the core throws: input that no formula can answer.
 * `message` is a sentence for the potter; `field` and `value` name what was refused.
 */
export class PotterError extends Error {
  override readonly name = 'PotterError';
  constructor(
    readonly code: RefusalCode,
    readonly field: string,
    readonly value: unknown,
    message: string,
  ) {
    super(message);
  }
}

export type Attempt<T> = { kind: 'ok'; value: T } | { kind: 'refused'; error: PotterError };

/**
 * Returns what a core function computes, or its refusal as a value. For screens that compute at every keystroke.
 *
 * @param compute - the call
 * @throws whatever is no PotterError
 * @example
 * attempt(() => requirePositive('sg', 1.45)) // { kind: 'ok', value: 1.45 }
 */
export function attempt<T>(compute: () => T): Attempt<T> {
  try {
    return { kind: 'ok', value: compute() };
  } catch (error) {
    if (error instanceof PotterError) return { kind: 'refused', error };
    throw error;
  }
}
