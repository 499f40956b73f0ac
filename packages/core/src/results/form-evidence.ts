import { tallMm, widestMm, type PieceShape } from '../geometry/piece-form';
import { stainQuarrels } from '../layering/rules/body';
import type { GlazeFacts } from '../plan/facts';
import { coatingKindOf } from '../plan/layer';
import type { PiecePlan } from '../plan/piece-plan';
import type { FaultRecord } from './fault-record';
import type { FaultPlace } from './fired-coat';

/** What the plan, the form and the clay of a piece tell of its faults. */
export interface FormQuestion {
  plan: PiecePlan;
  shape: PieceShape;
  glazes: readonly GlazeFacts[];
  where: FaultPlace;
  /** Its wall, mm, and what its bisque and the card of its clay take up, %; left out where nobody measured it. */
  clay?: { wallMm?: number | undefined; absorptionPercent?: number | undefined; cardAbsorptionPercent?: number | undefined } | undefined;
}

/** A wall under this has little room for the water of two coats, mm. */
const THIN_WALL_MM = 4;
/** Wider than so many times its height, and wider than this, it cools unevenly. Our own figures: the rule names none. */
const FLAT_RATIO = 4;
const WIDE_MM = 200;
/** A bisque that takes up so much less, or more, than its card says is another bisque. */
const OTHER_BISQUE_SHARE = 0.15;

/**
 * Returns what plan, form and clay say of a piece at the place of a fault. What nobody measured is left out.
 *
 * @param question - plan, form, glazes and clay
 * @example
 * formEvidence({ plan: { shapeId: 'platter', zones: { inside: [], outside: [], rim: [], foot: [] }, waxFootMm: 10, rimBandMm: 0, order: [], putAside: [] }, shape: shapeOf({ shapeId: 'platter' }), glazes: [], where: 'inside' }).wideAndFlat
 * // true
 */
export function formEvidence({ plan, shape, glazes, where, clay = {} }: FormQuestion): FaultRecord {
  const wideMm = 2 * widestMm(shape);
  const isOnBoth = plan.zones.inside.length > 0 && plan.zones.outside.length > 0;
  const layers = plan.zones[where].length > 0 || where === 'inside' ? plan.zones[where] : plan.zones.outside;
  const underglazes = layers.filter((layer) => coatingKindOf(layer) === 'underglaze');
  const { wallMm, absorptionPercent: bisque, cardAbsorptionPercent: card } = clay;
  const ofCard = bisque === undefined || card === undefined || card <= 0 ? undefined : bisque / card;
  const record: FaultRecord = {
    wideAndFlat: wideMm >= WIDE_MM && wideMm >= FLAT_RATIO * tallMm(shape),
    bothFacesOfThinWall: wallMm === undefined ? undefined : isOnBoth && wallMm < THIN_WALL_MM,
    underglazeMm: underglazes.reduce((sum, { coatMm }) => sum + coatMm, 0),
    soakedPartNear: plan.footBy === 'soak' && plan.waxFootMm > 0 && (where === 'outside' || where === 'foot'),
    bisqueDenser: ofCard === undefined ? undefined : ofCard < 1 - OTHER_BISQUE_SHARE,
    bisqueThirstier: ofCard === undefined ? undefined : ofCard > 1 + OTHER_BISQUE_SHARE,
    stainAgainstChemistry: plan.decoratingColours?.some(({ colourant }) => colourant !== undefined)
      ? stainQuarrels({ plan, shape, glazes }).length > 0
      : undefined,
  };
  return Object.fromEntries(Object.entries(record).filter(([, value]) => value !== undefined)) as FaultRecord;
}
