/** How a slurry moves, by the swirl test. */
export const SLURRY_STATES = ['flocculated', 'normal', 'deflocculated'] as const;
export type SlurryState = (typeof SLURRY_STATES)[number];

/**
 * Returns the state of a slurry from the swirl test. Stopped within 5 s it is flocculated; after more than 15 s it is deflocculated or thin.
 * A rule of the bench.
 *
 * @param question - `seconds` until the swirl stands still
 * @example
 * slurryStateFromSwirl({ seconds: 8 }) // 'normal'
 */
export function slurryStateFromSwirl({ seconds }: { seconds: number }): SlurryState {
  return seconds < 5 ? 'flocculated' : seconds > 15 ? 'deflocculated' : 'normal';
}
