/** How a slurry moves, by the swirl test. */
export type SlurryState = 'flocculated' | 'normal' | 'deflocculated';

/** A swirl that stops within 5 s is flocculated; one that runs over 15 s is deflocculated or thin. */
export function slurryStateFromSwirl({ seconds }: { seconds: number }): SlurryState {
  return seconds < 5 ? 'flocculated' : seconds > 15 ? 'deflocculated' : 'normal';
}
