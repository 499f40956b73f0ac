import type { BodyFacts } from '../plan/facts';
import type { PieceRunQuestion } from '../run/piece-run';
import type { RunForecast } from '../run/run-forecast';
import type { SafeLine } from '../run/safe-line';

/** A plan that is looked at for what speaks against it. */
export interface PieceQuestion extends PieceRunQuestion {
  body?: BodyFacts;
  /** How far it runs; a quick look is taken when left out. */
  forecast?: RunForecast | undefined;
  /** The lowest line from which it may run; not known when left out. */
  safeLine?: SafeLine | undefined;
}
