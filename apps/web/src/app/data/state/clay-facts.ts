import { bisqueOf, lightnessOf, type BodyFacts } from '@cazuela/core';
import type { ClayBody } from '@cazuela/contract';

/** What a fired, glazed wall still takes up, %: nearly nothing. */
const REFIRED_ABSORPTION_PERCENT = 0.2;

/** What the rules need of a clay body and its bisque lot; of a refired piece, what its wall still drinks. */
export function clayFactsOf(clay: ClayBody, lotId: string | undefined, isRefire: boolean): BodyFacts {
  const { lot: _lot, wallMm: _wall, ...bisque } = bisqueOf(clay, lotId);
  return {
    ...bisque,
    ...(isRefire ? { absorptionPercent: REFIRED_ABSORPTION_PERCENT, firedUnder: true } : {}),
    name: clay.name,
    lightness: lightnessOf(clay.colour),
    shrinkagePercent: clay.shrinkagePercent,
    speckled: clay.speckled,
    groggy: clay.groggy,
    expansion: clay.expansion,
    lowCone: clay.lowCone,
    highCone: clay.highCone,
  };
}
