import { handleMask, handleStrip, type Layer, type PiecePlan } from '@cazuela/core';

/** Colour for a bucket that is gone. */
const UNKNOWN_COLOUR = '#999999';

/** Colour of the bucket or decorating colour of a layer. */
export const colourOf = (layer: Layer, plan: PiecePlan, colours: ReadonlyMap<string, string>): string =>
  colours.get(layer.bucketId) ?? plan.decoratingColours?.find((decoratingColour) => decoratingColour.id === layer.bucketId)?.colour ?? UNKNOWN_COLOUR;

/** A handle looks like its uppermost coat: its own where it is glazed apart, else that of the outside; bare where it is left out. */
export function handleColourOf(plan: PiecePlan, colours: ReadonlyMap<string, string>, clay: string): string {
  const top = handleMask(plan) ? undefined : (handleStrip(plan)?.layers.at(-1) ?? plan.zones.outside.at(-1));
  return top ? colourOf(top, plan, colours) : clay;
}
