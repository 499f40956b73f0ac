import { requirePositive } from '../../checks/require';
import { bisect } from '../../math/bisect';
import { checkedDipCoat, TOO_THICK_SHARE } from './dip-coat';
import { PRIOR_KNOWLEDGE, type CoatKnowledge } from './knowledge';
import { dipsFor, type CoatSituation } from './predict';
import { STATE_GUESSES } from './state-guesses';

export type SgForCoat =
  | { kind: 'ok'; sg: number }
  /** Even the thickest bucket that can be dipped in does not give it in that time. */
  | { kind: 'outOfReach'; mostSg: number; mostMm: number };

/**
 * Returns the SG at which a dip of so many seconds gives the wanted coat, or the thickest bucket that can be dipped in and its coat.
 *
 * @param question - the situation without its SG; `seconds` and `coatMm`, above 0
 * @param knowledge - what is known of this glaze on this body; starting guesses when left out
 * @throws PotterError for a situation that no wall can have
 * @example
 * sgForCoat({ sg: 1.45, density: 2.6, state: 'normal', bisqueCone: '05', wallMm: 6, faces: 2, seconds: 3, coatMm: 0.5 }).kind // 'ok'
 */
export function sgForCoat(
  { seconds, coatMm, ...situation }: Omit<CoatSituation, 'sg'> & { seconds: number; coatMm: number },
  knowledge: CoatKnowledge = PRIOR_KNOWLEDGE,
): SgForCoat {
  requirePositive('coatMm', coatMm);
  requirePositive('seconds', seconds);
  const dipAt = dipsFor(situation, knowledge.shift);
  const coatAt = (solids: number): number => {
    const coat = checkedDipCoat(dipAt(1 + solids * (situation.density - 1)), seconds);
    return coat.kind === 'ok' ? coat.coatMm : Infinity;
  };
  const most = mostSolids(situation);
  const mostSg = 1 + most * (situation.density - 1);
  const mostMm = coatAt(most);
  if (mostMm < coatMm) return { kind: 'outOfReach', mostSg, mostMm };
  const { middle } = bisect({ low: 1e-6, high: most, isPast: (solids) => coatAt(solids) >= coatMm });
  return { kind: 'ok', sg: 1 + middle * (situation.density - 1) };
}

/** Most solids by volume that can be dipped in, and no SG above that of a stiff paste. */
function mostSolids({ state, density }: Pick<CoatSituation, 'state' | 'density'>): number {
  const stiffestSg = 2.2;
  return Math.min(TOO_THICK_SHARE * STATE_GUESSES[state].packing * (1 - 1e-9), (stiffestSg - 1) / (density - 1));
}
