import type { EdgeLine } from './edge-line';
import type { Layer } from './layer';
import type { Texture } from './texture';

/** Part of the turn, from and to as shares of it. */
export interface Turn {
  from: number;
  to: number;
}

/** A band of its own, or a panel when it does not go all round. Its layers lie over those around it, or beneath them. */
export interface Strip {
  id: string;
  fromMm: number;
  toMm: number;
  turn?: Turn | undefined;
  edge?: EdgeLine | undefined;
  /** Texture of the clay there; as the rest of the outside when left out. */
  texture?: Texture | undefined;
  layers: Layer[];
  /** Glazed first on bare clay and waxed over: the outside stops at its edges. */
  first?: boolean | undefined;
  /** Its coats lie beneath those around them, as underglaze under a clear. */
  under?: boolean | undefined;
  /** On the inside; on the outside when left out. */
  face?: 'inside' | undefined;
  /** The handle or the lugs, as a place of their own; on the wall when left out. */
  on?: 'handle' | undefined;
  /** Trailed or painted in lines: which share of the place they cover, 0–1. All of it when left out. */
  linesShare?: number | undefined;
  /** Reaches up to the rim: dipped from there. */
  fromRim?: boolean | undefined;
}

/**
 * Returns the strip that is the handle or the lugs, as a place of their own.
 *
 * @param plan - its `strips`
 * @example
 * handleStrip({}) // undefined
 */
export const handleStrip = ({ strips = [] }: { strips?: readonly Strip[] | undefined }): Strip | undefined =>
  strips.find(({ on }) => on === 'handle');

/**
 * Returns whether a strip lies on the wall of the outside.
 *
 * @param strip - a strip or panel
 * @example
 * isOnWall({ on: 'handle' }) // false
 */
export const isOnWall = ({ face, on }: Pick<Strip, 'face' | 'on'>): boolean => face === undefined && on === undefined;

/**
 * Returns whether a strip or mask lies on the outside.
 *
 * @param part - a strip, panel or mask
 * @example
 * isOutside({ face: 'inside' }) // false
 */
export const isOutside = ({ face }: { face?: 'inside' | undefined }): boolean => face === undefined;

export const MOST_STRIPS = 6;
