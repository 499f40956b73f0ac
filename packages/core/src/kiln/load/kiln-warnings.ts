import { dampPots } from '../../layering/rules/drying';
import { glazedFoot, lidSeat, lustreFumes, outsideItsCone } from '../../layering/rules/kiln';
import { neighbours, running } from '../../layering/rules/running';
import type { PieceQuestion } from '../../layering/piece-question';
import type { Warning } from '../../layering/warnings';

/** What is looked at as a piece goes into the kiln: it runs, it sticks, it is for another cone, it is damp (M1, M4–M8, H3, H6). */
const CHECKS = [running, glazedFoot, outsideItsCone, lidSeat, neighbours, dampPots, lustreFumes];

/**
 * Returns what speaks against a piece in the kiln, at the heat of the shelf on which it stands.
 *
 * @param question - plan, shape, glazes and body
 * @param placeCelsius - how much hotter than the middle of the kiln its shelf is
 * @throws PotterError as `flowInFiring`
 * @example
 * kilnWarnings({ plan: { shapeId: 'cup', zones: { inside: [], outside: [], rim: [], foot: [] }, waxFootMm: 10, rimBandMm: 0, order: [], putAside: [] }, shape: shapeOf({ shapeId: 'cup' }), glazes: [] }, 8)
 * // []
 */
export function kilnWarnings(question: PieceQuestion, placeCelsius: number): Warning[] {
  const plan = { ...question.plan, firing: { ...question.plan.firing, placeCelsius } };
  return CHECKS.flatMap((check) => check({ ...question, plan }));
}
