import type { Layer, PiecePlan } from '@cazuela/core';

/** Colour for a bucket that is gone. */
const UNKNOWN_COLOUR = '#999999';

/** Colour of the bucket or decorating colour of a layer. */
export const colourOf = (layer: Layer, plan: PiecePlan, colours: ReadonlyMap<string, string>): string =>
  colours.get(layer.bucketId) ?? plan.decoratingColours?.find((decoratingColour) => decoratingColour.id === layer.bucketId)?.colour ?? UNKNOWN_COLOUR;
