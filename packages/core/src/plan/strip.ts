import type { EdgeLine } from './edge-line';
import type { Layer } from './layer';
import type { Texture } from './texture';

/** Part of the turn, from and to as shares of it. */
export interface Turn {
  from: number;
  to: number;
}

/** A band of its own on the outside, or a panel when it does not go all round. Its layers lie over those of the outside. */
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
}

export const MOST_STRIPS = 6;
