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

/** A combination that is seen on a piece, with the coats of its upper glaze, bottom up. */
export interface SeenCoats extends Combination {
  coats: Layer[];
}

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
  plan: Pick<PiecePlan, 'zones' | 'strips' | 'rimFirst'>,
  glazeIdOf: (bucketId: string) => string | undefined,
): Combination[] {
  return seenCoats(plan, glazeIdOf).map(({ coats: _coats, ...combination }) => combination);
}

/**
 * Returns which glazes can be seen on a piece, as `seenCombinations` does, each with the coats of its upper glaze.
 *
 * @param plan - of the piece
 * @param glazeIdOf - the glaze that is in a bucket; undefined for what is none of the studio's
 * @example
 * seenCoats({ zones: { inside: [], outside: [{ id: 'a', bucketId: 'b', method: 'dip', coatMm: 0.5 }], rim: [], foot: [] } }, () => 'white')[0].coats[0].coatMm
 * // 0.5
 */
export function seenCoats(
  { zones, strips = [], rimFirst }: Pick<PiecePlan, 'zones' | 'strips' | 'rimFirst'>,
  glazeIdOf: (bucketId: string) => string | undefined,
): SeenCoats[] {
  const glazes = (layers: readonly Layer[]): GlazeLayer[] =>
    layers.flatMap((layer): GlazeLayer[] => {
      const id = coatingKindOf(layer) === 'glaze' ? glazeIdOf(layer.bucketId) : undefined;
      return id === undefined ? [] : [{ id, layer }];
    });
  const [inside, outside, rim] = [glazes(zones.inside), glazes(zones.outside), glazes(zones.rim)];
  const stacks = [inside, outside, rim.length > 0 ? [...(rimFirst ? [] : outside), ...rim] : []];
  for (const strip of strips) stacks.push([...(strip.face === 'inside' ? inside : outside), ...glazes(strip.layers)]);
  const found = stacks.flatMap((stack): SeenCoats[] => {
    const upper = stack.at(-1);
    if (!upper) return [];
    // Two coats of one glaze are one glaze.
    const at = stack.findLastIndex(({ id }) => id !== upper.id);
    const coats = stack.slice(at + 1).map(({ layer }) => layer);
    return [{ ...(at < 0 ? {} : { lowerId: stack[at]!.id }), upperId: upper.id, coats }];
  });
  // The first place counts: inside before outside before rim.
  const firstOf = new Map<string, SeenCoats>();
  for (const one of found) if (!firstOf.has(combinationKey(one))) firstOf.set(combinationKey(one), one);
  return [...firstOf.values()];
}

interface GlazeLayer {
  id: string;
  layer: Layer;
}
