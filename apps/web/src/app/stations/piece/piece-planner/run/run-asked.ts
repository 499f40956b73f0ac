import { COOLINGS, SHELF_PLACES, USUAL_HOLD_MINUTES, type Cooling, type ShelfPlace } from '@cazuela/core';
import * as z from 'zod';

/** How this firing differs from the usual one; kept while the tab is open. */
export const firingSchema = z.object({
  holdMinutes: z.number().nullable(),
  cooling: z.enum(Object.keys(COOLINGS) as [Cooling]),
  place: z.enum(Object.keys(SHELF_PLACES) as [ShelfPlace]),
});
export type AskedFiring = z.infer<typeof firingSchema>;
export const USUAL_FIRING: AskedFiring = { holdMinutes: USUAL_HOLD_MINUTES, cooling: 'usual', place: 'middle' };

export const COOLING_WORDS: readonly (readonly [Cooling, string])[] = [
  ['fast', 'fast'],
  ['usual', 'usual'],
  ['slow', 'slow'],
];
export const PLACE_WORDS: readonly (readonly [ShelfPlace, string])[] = [
  ['cool', 'cool shelf'],
  ['middle', 'middle'],
  ['hot', 'hot shelf'],
];
