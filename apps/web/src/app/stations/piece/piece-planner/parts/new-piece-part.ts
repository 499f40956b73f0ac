import { GLAZE_COAT_MM, lidFor, saucerFor, tallMm, withMethod, type Layer, type PiecePart, type PiecePlan, type PieceShape } from '@cazuela/core';
import { v7 as uuid } from 'uuid';

export const PART_KINDS = [
  ['lid', 'A lid'],
  ['saucer', 'A saucer'],
] as const;
export type PartKind = (typeof PART_KINDS)[number][0];

/** Height of the bare seat of a new lid, mm. */
const SEAT_MM = 5;
const SAUCER_FOOT_MM = 3;

/** A lid or saucer with the glazes of its piece: the lid is fired on its bare seat, rim down. */
export function newPiecePart(kind: PartKind, plan: PiecePlan, shape: PieceShape): PiecePart {
  const dipped = (layers: readonly Layer[]): Layer[] =>
    layers.map((layer) => ({ ...withMethod(layer, 'dip'), coatMm: GLAZE_COAT_MM, id: uuid() })).slice(0, 1);
  const { cone, firing, decoratingColours, gumIn, thinned } = plan;
  const shared = JSON.parse(JSON.stringify({ cone, firing, decoratingColours, gumIn, thinned })) as Partial<PiecePlan>;
  const form = kind === 'lid' ? lidFor(shape) : saucerFor(shape);
  const top = form.points.at(-1)!.heightMm;
  const zones = { inside: kind === 'saucer' ? dipped(plan.zones.outside) : [], outside: dipped(plan.zones.outside), rim: [], foot: [] };
  const bare = { waxFootMm: kind === 'lid' ? 0 : SAUCER_FOOT_MM, rimBandMm: Math.min(10, tallMm({ outside: form.points })), order: [], putAside: [] };
  return {
    id: uuid(),
    name: kind === 'lid' ? 'Lid' : 'Saucer',
    plan: {
      ...shared,
      ...bare,
      shapeId: kind === 'lid' ? 'bowl' : 'platter',
      form,
      zones,
      ...(kind === 'lid'
        ? { setting: 'onRim' as const, masks: [{ id: uuid(), kind: 'wax' as const, where: 'band' as const, fromMm: top - SEAT_MM, toMm: top }] }
        : {}),
    },
  };
}
