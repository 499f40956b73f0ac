import { coatingKindOf, type Layer } from '../plan/layer';
import type { PiecePlan } from '../plan/piece-plan';

/** A glaze on the clay, or over another one. Two orders of a pair are two combinations. */
export interface Combination {
  /** Undefined on the bare clay. */
  lowerId?: string | undefined;
  upperId: string;
}

/**
 * Returns how a combination is called among cells.
 *
 * @param combination - by the ids of its glazes
 * @example
 * combinationKey({ lowerId: 'white', upperId: 'ash' }) // 'white/ash'
 */
export const combinationKey = ({ lowerId = '', upperId }: Combination): string => `${lowerId}/${upperId}`;

/**
 * Returns which glazes can be seen on a piece, each as it lies on the one below it, each combination once: inside, outside, the rim over the outside
 * unless the two part there, strips over what they lie on. Slips and colours are none.
 *
 * @param plan - of the piece
 * @param glazeIdOf - the glaze that is in a bucket; undefined for what is none of the studio's
 * @example
 * seenCombinations({ zones: { inside: [], outside: [{ id: 'a', bucketId: 'b', method: 'dip', coatMm: 0.5 }], rim: [], foot: [] } }, () => 'white')
 * // [{ upperId: 'white' }]
 */
export function seenCombinations(
  { zones, strips = [], rimFirst }: Pick<PiecePlan, 'zones' | 'strips' | 'rimFirst'>,
  glazeIdOf: (bucketId: string) => string | undefined,
): Combination[] {
  const glazes = (layers: readonly Layer[]): string[] =>
    layers.flatMap((layer) => (coatingKindOf(layer) === 'glaze' ? (glazeIdOf(layer.bucketId) ?? []) : []));
  const [inside, outside, rim] = [glazes(zones.inside), glazes(zones.outside), glazes(zones.rim)];
  const stacks = [inside, outside, rim.length > 0 ? [...(rimFirst ? [] : outside), ...rim] : []];
  for (const strip of strips) stacks.push([...(strip.face === 'inside' ? inside : outside), ...glazes(strip.layers)]);
  const found = stacks.flatMap((stack): Combination[] => {
    const [upperId, lowerId] = [stack.at(-1), stack.at(-2)];
    if (upperId === undefined) return [];
    // Two coats of one glaze are one glaze.
    const below = lowerId === upperId ? stack.findLast((id) => id !== upperId) : lowerId;
    return [below === undefined ? { upperId } : { lowerId: below, upperId }];
  });
  return [...new Map(found.map((one) => [combinationKey(one), one])).values()];
}
