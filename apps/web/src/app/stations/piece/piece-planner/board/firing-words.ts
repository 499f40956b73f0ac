import { USUAL_HOLD_MINUTES, type Cooling, type ShelfPlace } from '@cazuela/core';

export const USUAL_FIRING: { holdMinutes: number; cooling: Cooling; place: ShelfPlace } = {
  holdMinutes: USUAL_HOLD_MINUTES,
  cooling: 'usual',
  place: 'middle',
};

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
