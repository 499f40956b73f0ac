import { tallMm, type PieceShape } from '../geometry/piece-form';
import type { PiecePlan } from '../plan/piece-plan';
import { STUCK_FILM_MM } from './run-solver';
import type { WallStrip } from './wall-strip';
import type { RunSide } from './run-path';
import { isOutside, type Strip } from '../plan/strip';
import { type Texture, SMOOTH } from '../plan/texture';

/**
 * Returns what of the melt a texture keeps where it is, mm: the stuck film, and a third of the depth of a groove. A rule of the bench.
 *
 * @param texture - of the clay
 * @example
 * heldMm({ kind: 'grooves', depthMm: 0.6 }) // 0.25
 */
export const heldMm = (texture: Texture): number => STUCK_FILM_MM + ('depthMm' in texture ? texture.depthMm / 3 : 0);

/**
 * Returns how many times as thick the melt lies in the valleys of flutes; 1 for other textures.
 *
 * @param texture - of the clay
 * @example
 * gathersIn({ kind: 'flutes', pitchMm: 8, valleyMm: 4 }) // 2
 */
export const gathersIn = (texture: Texture): number =>
  texture.kind === 'flutes' ? Math.max(1, texture.pitchMm / Math.max(0.1, texture.valleyMm)) : 1;

export interface WallSurface {
  /** For each cell of the strip, from its top. */
  stuckMm: Float64Array;
  gathers: Float64Array;
}

/**
 * Returns the surface of a wall from its top down. The texture of a strip counts before that of the rim, and that of the rim before that of
 * the outside. A handle or lug itself is smooth.
 *
 * @param question - plan, shape, side and strip; the panel; a texture for the whole side in place of the plan's
 * @example
 * wallSurface({ plan: { shapeId: 'cup', zones: { inside: [], outside: [{ id: 'a', bucketId: 'ash', method: 'dip', coatMm: 0.5 }], rim: [], foot: [] }, waxFootMm: 10, rimBandMm: 0, order: [], putAside: [] }, shape: shapeOf({ shapeId: 'cup' }), side: 'outside', strip: uprightStrip({ lengthMm: 2, cellMm: 1 }) }).gathers[0]
 * // 1
 */
export function wallSurface(question: {
  plan: PiecePlan;
  shape: PieceShape;
  side: RunSide;
  strip: WallStrip;
  /** The panel, when this is its path down. */
  panel?: Strip | undefined;
  /** For the whole side, in place of what the plan says of it. */
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
  // Later strips lie over earlier ones.
  const own = strips.filter((strip) => isOutside(strip) && strip.texture && (strip.turn === undefined || strip === panel)).reverse();
  return (heightMm) => {
    if (heightMm > joinedMm) return SMOOTH;
    const strip = own.find(({ fromMm, toMm }) => heightMm >= fromMm && heightMm <= toMm);
    return strip?.texture ?? (heightMm >= rimFromMm ? textures?.rim : undefined) ?? textures?.outside ?? SMOOTH;
  };
}
