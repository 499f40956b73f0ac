/** Why a core function refused its input. One code per remedy, so that screens can act on it. */
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

/** Runs a core function and turns its refusal into a value, for screens that recompute at every keystroke. */
export function attempt<T>(compute: () => T): Attempt<T> {
  try {
    return { kind: 'ok', value: compute() };
  } catch (error) {
    if (error instanceof PotterError) return { kind: 'refused', error };
    throw error;
  }
}
