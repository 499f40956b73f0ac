import { PotterError } from '../checks/potter-error';
import { requireNotNegative } from '../checks/require';
import type { RecipeLine } from './recipe';

export interface PresentPowder {
  powderId: string;
  grams: number;
}

export type Conversion =
  | { kind: 'ok'; totalGrams: number; add: PresentPowder[] }
  /** Powders that are in and that the other recipe does not have: nothing that is added takes them out. */
  | { kind: 'impossible'; powderIds: string[] };

/** A lower dry weight counts as nothing, g. */
const NOTHING_GRAMS = 1e-6;

/**
 * Returns what to add to the powder that is there so that it becomes another recipe. With a_i present and b_i the wanted share, the new total
 * is M = max(a_i/b_i), and M·b_i − a_i is added of each. A powder that the wanted recipe does not have forbids it.
 *
 * @param question - `present`, powders with their grams, 0 or more; `target`, the lines of the wanted recipe
 * @throws PotterError for a negative weight, or when nothing is there
 * @example
 * convertMix({ present: [{ powderId: 'silica', name: 'Silica', grams: 300 }], target: [{ id: 'a', powderId: 'silica', part: 'base', percent: 60 }, { id: 'b', powderId: 'clay', part: 'base', percent: 40 }] }).totalGrams
 * // 500
 */
export function convertMix({ present, target }: { present: readonly PresentPowder[]; target: readonly RecipeLine[] }): Conversion {
  const have = sumById(present.map(({ powderId, grams }) => [powderId, requireNotNegative('dryGrams', grams)]));
  const want = sumById(target.map(({ powderId, percent }) => [powderId, requireNotNegative('percent', percent)]));
  const whole = [...want.values()].reduce((sum, percent) => sum + percent, 0);
  if (whole <= 0) throw new PotterError('emptyList', 'target', whole, 'The recipe to arrive at is empty.');
  if ([...have.values()].every((grams) => grams <= NOTHING_GRAMS)) {
    throw new PotterError('emptyList', 'present', 0, 'There is no powder to start from: type what the batch or the bucket holds.');
  }
  const powderIds = [...have].filter(([id, grams]) => grams > NOTHING_GRAMS && !((want.get(id) ?? 0) > 0)).map(([id]) => id);
  if (powderIds.length > 0) return { kind: 'impossible', powderIds };
  const totalGrams = Math.max(...[...have].map(([id, grams]) => (grams > 0 ? grams / (want.get(id)! / whole) : 0)));
  const add = [...want].map(([powderId, percent]) => ({
    powderId,
    grams: Math.max(0, (totalGrams * percent) / whole - (have.get(powderId) ?? 0)),
  }));
  return { kind: 'ok', totalGrams, add: add.filter(({ grams }) => grams > NOTHING_GRAMS) };
}

function sumById(entries: readonly (readonly [string, number])[]): Map<string, number> {
  const sums = new Map<string, number>();
  for (const [id, amount] of entries) sums.set(id, (sums.get(id) ?? 0) + amount);
  return sums;
}
