import { CONES } from '@cazuela/core';

/** The cones as options of a list. */
export const CONE_OPTIONS: readonly (readonly [value: string, words: string])[] = CONES.map(({ cone }) => [cone, cone]);
