import { attempt } from '../../checks/potter-error';
import { foretellFiring } from '../firing/foretell-firing';
import { kilnModel, type KilnToModel } from '../firing/kiln-model';
import type { FiringSchedule } from '../firing/schedule';

/** A firing of which is known what it took. */
export interface EnergyFiring {
  schedule: FiringSchedule;
  loadGrams?: number | undefined;
  kilowattHours: number;
}

/** What a kiln takes beside what its card foretells. */
export interface LearntEnergy {
  /** 1 where nothing is known. */
  factor: number;
  firings: number;
}

/** The newest tell: elements age. */
const MOST_FIRINGS = 5;
const USUAL_LOAD_GRAMS = 20_000;

/**
 * Returns how much more or less a kiln takes than its model foretells: the geometric mean over its newest firings.
 *
 * @param kiln - its card
 * @param firings - newest first
 * @example
 * learntEnergy({ chamber: { kind: 'round', diameterMm: 400, heightMm: 500 }, powerWatts: 6000 }, []) // { factor: 1, firings: 0 }
 */
export function learntEnergy(kiln: KilnToModel, firings: readonly EnergyFiring[]): LearntEnergy {
  const logs = firings.slice(0, MOST_FIRINGS).flatMap(({ schedule, loadGrams = USUAL_LOAD_GRAMS, kilowattHours }) => {
    const foretold = attempt(() => foretellFiring(schedule, kilnModel(kiln, loadGrams)).kilowattHours);
    return foretold.kind === 'ok' && foretold.value > 0 && kilowattHours > 0 ? [Math.log(kilowattHours / foretold.value)] : [];
  });
  return { factor: logs.length === 0 ? 1 : Math.exp(logs.reduce((sum, log) => sum + log, 0) / logs.length), firings: logs.length };
}
