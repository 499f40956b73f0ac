import type { Layer, PiecePlan } from '@cazuela/core';

/** For a bucket that is gone. */
const UNKNOWN_COLOUR = '#999999';

/** Of the bucket or the small pot a layer comes from. */
export const colourOf = (layer: Layer, plan: PiecePlan, colours: ReadonlyMap<string, string>): string =>
  colours.get(layer.bucketId) ?? plan.decoratingColours?.find((decoratingColour) => decoratingColour.id === layer.bucketId)?.colour ?? UNKNOWN_COLOUR;
