import { bisectWhole } from '../../math/bisect';
import type { CoatKnowledge } from '../prediction/knowledge';
import { predictSeconds } from '../prediction/predict';
import type { SecondsForCoat } from '../prediction/seconds-for-coat';
import type { SlurryState } from '../../slurry/slurry-state';
import { type Face, type Air, type PieceWall, type WallState, waited, faceNow } from './wall-state';

/** Longest wait that is offered, minutes. */
const LONGEST_WAIT_MINUTES = 48 * 60;

export type WaitForCoat =
  | { kind: 'now'; seconds: number }
  /** Shortest wait after which a dip gives the coat, and its seconds then. */
  | { kind: 'wait'; minutes: number; seconds: number }
  /** Even a dry wall does not give it, and why. */
  | { kind: 'never'; because: SecondsForCoat };

/**
 * Returns how long to wait until a dip of these faces gives the wanted coat, to the minute.
 *
 * @param question - `state` of the wall; `faces` that are dipped; `coatMm`, above 0; `glaze`; `wall`; `air`, usual when left out
 * @param knowledge - what is known of this glaze on this body; starting guesses when left out
 * @throws PotterError for a situation that no bucket or wall can have
 * @example
 * waitForCoat({ state: dryWall({ bisqueCone: '05', wallMm: 6 }), faces: ['outside'], coatMm: 0.5, glaze: { sg: 1.45, density: 2.6, state: 'normal' }, wall: { bisqueCone: '05', wallMm: 6 } }).kind
 * // 'now'
 */
export function waitForCoat(
  question: {
    state: WallState;
    faces: readonly Face[];
    coatMm: number;
    glaze: { sg: number; density: number; state: SlurryState };
    wall: PieceWall;
    air?: Air;
  },
  knowledge?: CoatKnowledge,
): WaitForCoat {
  const { faces, coatMm, glaze, wall, air } = question;
  const after = (minutes: number): SecondsForCoat =>
    predictSeconds({ ...glaze, ...wall, ...faceNow(waited(question.state, minutes, air), faces), coatMm }, knowledge);
  const now = after(0);
  if (now.kind === 'ok') return { kind: 'now', seconds: now.seconds };
  const last = after(LONGEST_WAIT_MINUTES);
  if (last.kind !== 'ok') return { kind: 'never', because: last };
  const minutes = bisectWhole({ low: 0, high: LONGEST_WAIT_MINUTES, isPast: (waited) => after(waited).kind === 'ok' });
  const then = after(minutes);
  return { kind: 'wait', minutes, seconds: then.kind === 'ok' ? then.seconds : 0 };
}
