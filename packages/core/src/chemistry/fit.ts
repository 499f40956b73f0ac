import { requirePositive } from '../checks/require';

/** How a glaze lies on a clay when both are cold. */
export interface GlazeFit {
  kind: 'mayCraze' | 'fits' | 'mayShiver';
  /** Expansion of the clay less that of the glaze, 10⁻⁶ per K. */
  bodyLessGlaze: number;
}

/** A glaze pressed together by more than this may be shed, 10⁻⁶ per K. */
const MOST_PRESSED = 0.5;

/**
 * Returns how a glaze is likely to fit a clay: pulled apart where it shrinks more than the clay as it cools, pressed together where it shrinks less.
 *
 * Source: science §10, where crazing and shivering begin.
 *
 * @param question - `bodyExpansion`, measured, and `glazeExpansion`, by calculation, 10⁻⁶ per K, above 0
 * @throws PotterError for an expansion that is not above 0
 * @example
 * glazeFit({ bodyExpansion: 6, glazeExpansion: 7 }) // { kind: 'mayCraze', bodyLessGlaze: -1 }
 */
export function glazeFit({ bodyExpansion, glazeExpansion }: { bodyExpansion: number; glazeExpansion: number }): GlazeFit {
  const bodyLessGlaze = requirePositive('bodyExpansion', bodyExpansion) - requirePositive('glazeExpansion', glazeExpansion);
  return { kind: bodyLessGlaze < 0 ? 'mayCraze' : bodyLessGlaze > MOST_PRESSED ? 'mayShiver' : 'fits', bodyLessGlaze };
}
