import type { PieceForm } from '../geometry/piece-form';
import type { Cooling, ShelfPlace } from '../melt/kiln-place';
import type { EdgeLine } from './edge-line';
import type { Layer, DecoratingColour } from './layer';
import type { Strip } from './strip';
import type { Mask, FootBy } from './mask';
import type { PlanChange, UnwantedStep } from './plan-change';
import type { ThinnedBucket } from './thinned';
import type { Texture } from './texture';

export const ZONES = ['inside', 'outside', 'rim', 'foot'] as const;
export type Zone = (typeof ZONES)[number];

export interface PiecePlan {
  shapeId: string;
  /** The form, where it was drawn; else the one of `shapeId`. */
  form?: PieceForm | undefined;
  zones: Record<Zone, Layer[]>;
  strips?: Strip[] | undefined;
  masks?: Mask[] | undefined;
  decoratingColours?: DecoratingColour[] | undefined;
  /** Height that is kept bare from the shelf up the outside, mm; 0 for none. */
  waxFootMm: number;
  footBy?: FootBy | undefined;
  /** Height of the rim band, mm: its layers lie over those of the outside. */
  rimBandMm: number;
  edges?: { wax?: EdgeLine | undefined; rim?: EdgeLine | undefined } | undefined;
  /** Texture of the clay; the rim band is as the outside when left out. */
  textures?: { inside?: Texture | undefined; outside?: Texture | undefined; rim?: Texture | undefined } | undefined;
  /** How it stands in the kiln; bare on the shelf when left out. */
  setting?: KilnSetting | undefined;
  lid?: boolean | undefined;
  /** It was fired with glaze before. */
  refire?: boolean | undefined;
  /** What was fired on it, bottom up: it melts and runs again, and drinks nothing. */
  fired?: FiredCoats | undefined;
  /** Cone it will be fired to; 6 when left out. */
  cone?: string | undefined;
  /** How its firing differs from the usual one to that cone. */
  firing?: PlanFiring | undefined;
  /** How long it dries after its last coat before it is loaded, h; twelve when left out. */
  dryHours?: number | undefined;
  /** Step keys in the order the potter chose; empty for the safe order. */
  order: string[];
  /** Pairs of steps that must keep this order, whatever it costs. */
  pins?: { before: string; after: string }[] | undefined;
  /** What no alternative may do. */
  unwanted?: { changes?: PlanChange[] | undefined; steps?: UnwantedStep[] | undefined } | undefined;
  /** The glaze of the rim band goes on first, on bare clay, and is waxed: the outside ends below it and they never lie on one another. */
  rimFirst?: boolean | undefined;
  /** Buckets that get gum for this plan, so that their coat holds another one. */
  gumIn?: string[] | undefined;
  /** Buckets of which a part is thinned for this plan. */
  thinned?: ThinnedBucket[] | undefined;
  /** Recipe versions of its glazes when it was planned, by bucket. */
  versions?: { bucketId: string; recipeVersionId: string; number: number }[] | undefined;
  /** Rules that were put aside, with the reason. */
  putAside: PutAside[];
}

export type FiredCoats = Partial<Record<Exclude<Zone, 'foot'>, Layer[]>>;

/** A warning that was put aside: it comes back once it is worse than it was then. */
export interface PutAside {
  rule: string;
  reason: string;
  severity?: 'stop' | 'look' | undefined;
  badness?: number | undefined;
}

/** Hold at the peak, min, cooling, and place in the kiln; as usual where left out. */
export interface PlanFiring {
  holdMinutes?: number | undefined;
  cooling?: Cooling | undefined;
  place?: ShelfPlace | undefined;
  /** A shelf of a kiln of the studio, and how much hotter than its thermocouple cones showed it to be, °C: it counts before `place`. */
  kilnId?: string | undefined;
  shelfId?: string | undefined;
  placeCelsius?: number | undefined;
}

export const KILN_SETTINGS = ['shelf', 'plate', 'stilts', 'upsideDown', 'onRim'] as const;
export type KilnSetting = (typeof KILN_SETTINGS)[number];

/**
 * Returns whether a piece is fired with its rim down: on a post, or as a lid on its seat.
 *
 * @param plan - its `setting`
 * @example
 * isTurnedOver({ setting: 'onRim' }) // true
 */
export const isTurnedOver = ({ setting }: Pick<PiecePlan, 'setting'>): boolean => setting === 'upsideDown' || setting === 'onRim';

/**
 * Returns whether rim and outside part at the band's edge instead of lying on one another.
 *
 * @param plan - `rimFirst` and `zones`
 * @example
 * rimIsApart({ zones: { inside: [], outside: [], rim: [], foot: [] } }) // false
 */
export const rimIsApart = ({ rimFirst, zones }: Pick<PiecePlan, 'rimFirst' | 'zones'>): boolean =>
  rimFirst === true && zones.rim.length > 0 && zones.outside.length > 0;

/**
 * Returns whether one dip glazes inside and outside: the same bucket is the first coat of both, dipped.
 *
 * @param plan - `zones`
 * @example
 * isDunked({ zones: { inside: [], outside: [], rim: [], foot: [] } }) // false
 */
export function isDunked({ zones }: Pick<PiecePlan, 'zones'>): boolean {
  const [inside, outside] = [zones.inside[0], zones.outside[0]];
  return inside !== undefined && outside?.bucketId === inside.bucketId && inside.method === 'dip' && outside.method === 'dip';
}

/**
 * Returns every layer of a plan, on its zones and strips.
 *
 * @param plan - `zones` and `strips`
 * @example
 * layersOf({ zones: { inside: [], outside: [{ id: 'a', bucketId: 'ash', method: 'dip', coatMm: 0.5 }], rim: [], foot: [] }, waxFootMm: 10, rimBandMm: 0, order: [], putAside: [] }).length
 * // 1
 */
export const layersOf = ({ zones, strips = [] }: Pick<PiecePlan, 'zones' | 'strips'>): Layer[] => [
  ...ZONES.flatMap((zone) => zones[zone]),
  ...strips.flatMap((strip) => strip.layers),
];

/**
 * Returns a plan with every layer changed.
 *
 * @param plan - the plan
 * @param change - of one layer
 * @example
 * layersOf(withLayers({ zones: { inside: [], outside: [{ id: 'a', bucketId: 'ash', method: 'dip', coatMm: 0.5 }], rim: [], foot: [] }, waxFootMm: 10, rimBandMm: 0, order: [], putAside: [] }, (layer) => ({ ...layer, coatMm: 0.4 })))[0].coatMm
 * // 0.4
 */
export const withLayers = (plan: PiecePlan, change: (layer: Layer) => Layer): PiecePlan => ({
  ...plan,
  zones: {
    inside: plan.zones.inside.map(change),
    outside: plan.zones.outside.map(change),
    rim: plan.zones.rim.map(change),
    foot: plan.zones.foot.map(change),
  },
  ...(plan.strips ? { strips: plan.strips.map((strip) => ({ ...strip, layers: strip.layers.map(change) })) } : {}),
});

export const USUAL_CONE = '6';
