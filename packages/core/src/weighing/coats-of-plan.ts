import { areaCm2, profileBetween } from '../geometry/profile';
import { insideProfile, type PieceShape } from '../geometry/shapes';
import type { PiecePlan, Zone } from '../layering/piece-plan';
import type { PiecesToCoat } from './for-pieces';

/** Glazed area of each zone of a form, cm². The foot is wiped clean and takes none. */
function zoneAreas(shape: PieceShape, plan: Pick<PiecePlan, 'rimBandMm' | 'waxFootMm'>): Record<Zone, number> {
  const topMm = Math.max(...shape.outside.map((point) => point.heightMm));
  const band = (fromMm: number, toMm: number): number => {
    const profile = profileBetween({ profile: shape.outside, fromMm, toMm });
    return profile.length > 1 ? areaCm2({ profile }) : 0;
  };
  return {
    inside: areaCm2({ profile: insideProfile(shape) }),
    outside: band(Math.min(plan.waxFootMm, topMm), topMm),
    rim: band(Math.max(0, topMm - plan.rimBandMm), topMm),
    foot: 0,
  };
}

/** The coats that a plan takes from these buckets, for so many pieces: what "enough for these pieces" is counted from. */
export function coatsOfPlan({
  plan,
  shape,
  count,
  bucketIds,
}: {
  plan: PiecePlan;
  shape: PieceShape;
  count: number;
  bucketIds: ReadonlySet<string>;
}): PiecesToCoat[] {
  const areas = zoneAreas(shape, plan);
  return (Object.keys(plan.zones) as Zone[]).flatMap((zone) =>
    plan.zones[zone]
      .filter((layer) => bucketIds.has(layer.bucketId) && areas[zone] > 0)
      .map((layer) => ({ count, areaCm2: areas[zone], coatMm: layer.coatMm, way: layer.way })),
  );
}
