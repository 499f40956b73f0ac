import { tallMm, type PieceShape } from '../geometry/piece-form';
import type { PiecePlan } from '../plan/piece-plan';
import { STUCK_FILM_MM } from './run-solver';
import type { WallStrip } from './wall-strip';
import type { RunSide } from './run-path';
import type { Strip } from '../plan/strip';
import { type Texture, SMOOTH } from '../plan/texture';

/** What of the melt a texture keeps where it is, mm: the stuck film, and a third of a groove's depth. */
export const heldMm = (texture: Texture): number => STUCK_FILM_MM + ('depthMm' in texture ? texture.depthMm / 3 : 0);

/** How many times as thick the melt lies in the valleys of flutes. */
export const gathersIn = (texture: Texture): number =>
  texture.kind === 'flutes' ? Math.max(1, texture.pitchMm / Math.max(0.1, texture.valleyMm)) : 1;

export interface WallSurface {
  /** For each cell of the strip, from its top. */
  stuckMm: Float64Array;
  gathers: Float64Array;
}

/** The surface of a wall from its top down: a strip's own over the rim's, the rim's over the outside's. A handle or lug itself is smooth. */
export function wallSurface(question: {
  plan: PiecePlan;
  shape: PieceShape;
  side: RunSide;
  strip: WallStrip;
  /** The panel whose way down this is. */
  panel?: Strip | undefined;
  /** The whole side, instead of what the plan says of it. */
  texture?: Texture | undefined;
}): WallSurface {
  const { strip, texture } = question;
  const at = texture ? () => texture : textureAt(question);
  const stuckMm = new Float64Array(strip.count);
  const gathers = new Float64Array(strip.count);
  for (let cell = 0; cell < strip.count; cell++) {
    const here = at(strip.heightMm[cell]!);
    stuckMm[cell] = heldMm(here);
    gathers[cell] = gathersIn(here);
  }
  return { stuckMm, gathers };
}

function textureAt({ plan, shape, side, panel }: Parameters<typeof wallSurface>[0]): (heightMm: number) => Texture {
  const { textures, strips = [], rimBandMm } = plan;
  if (side === 'inside') return () => textures?.inside ?? SMOOTH;
  const rimFromMm = tallMm(shape) - rimBandMm;
  const joinedMm = side === 'grip' && shape.grip ? shape.grip.lowerMm : Infinity;
  // The last one lies over the others.
  const own = strips.filter((strip) => strip.texture && (strip.turn === undefined || strip === panel)).reverse();
  return (heightMm) => {
    if (heightMm > joinedMm) return SMOOTH;
    const strip = own.find(({ fromMm, toMm }) => heightMm >= fromMm && heightMm <= toMm);
    return strip?.texture ?? (heightMm >= rimFromMm ? textures?.rim : undefined) ?? textures?.outside ?? SMOOTH;
  };
}
