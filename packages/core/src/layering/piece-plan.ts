import type { FlowGuess } from '../chemistry/flow-guess';
import type { BucketState } from '../coat/predict';
import type { PieceForm } from '../geometry/piece-form';
import type { Texture } from '../run/wall-texture';
import type { EdgeLine } from './edge-line';

export const ZONES = ['inside', 'outside', 'rim', 'foot'] as const;
export type Zone = (typeof ZONES)[number];
export const APPLICATION_METHODS = ['dip', 'pour', 'brush', 'spray', 'sponge', 'rub'] as const;
/** How a coat goes on. Rubbed is a wash worked into texture and wiped back. */
export type ApplicationMethod = (typeof APPLICATION_METHODS)[number];
export const COATING_KINDS = ['glaze', 'slip', 'underglaze', 'stain'] as const;
/** What a coat is of. Only glaze melts and runs. */
export type CoatingKind = (typeof COATING_KINDS)[number];

/** A coat wanted on a zone. Layers are listed bottom up. */
export interface Layer {
  id: string;
  /** The bucket, or the pot of the plan, it comes from. */
  bucketId: string;
  method: ApplicationMethod;
  coatMm: number;
  /** Glaze where nothing is said. */
  coatingKind?: CoatingKind | undefined;
}

export const coatingKindOf = (layer: Pick<Layer, 'coatingKind'>): CoatingKind => layer.coatingKind ?? 'glaze';

/** A small pot of colour, slip or wash that is no bucket of the studio: told by name. */
export interface DecoratingColour {
  id: string;
  name: string;
  colour: string;
  coatingKind: Exclude<CoatingKind, 'glaze'>;
  /** Of a slip, wet to fired, %: compared with the body's. */
  shrinkagePercent?: number | undefined;
  /** What gives it its colour, where that can quarrel with a glaze. */
  colourant?: 'chromeGreen' | 'chromeTinPink' | 'encapsulated' | 'other' | undefined;
}

/** Part of the way round, from and to in shares of the turn. */
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
  /** Of the clay there; as the rest of the outside where nothing is said. */
  texture?: Texture | undefined;
  layers: Layer[];
  /** Glazed first on bare clay and waxed over: the outside stops at its edges. */
  first?: boolean | undefined;
}

/** What keeps glaze off a place, or takes it off again. */
export interface Mask {
  id: string;
  kind: 'wax' | 'tape' | 'scrape' | 'sponge';
  where: 'hole' | 'band' | 'panel';
  /** Of a band or panel, mm above the shelf. A thin band is a line. */
  fromMm: number;
  toMm: number;
  turn?: Turn | undefined;
  /** Put on over this layer; on bare clay where nothing is said. */
  overLayerId?: string | undefined;
}

/** How the foot is kept bare. Soaked in water it is wiped clean by a finger; its water counts. */
export type FootBy = 'wax' | 'soak' | 'tape' | 'sponge';

/** What a way there does otherwise than drawn. */
export const PLAN_CHANGES = [
  'gum',
  'rimFirst',
  'stripFirst',
  'thinner',
  'brush',
  'pour',
  'dip',
  'oneDip',
  'insideFirst',
  'higherWax',
  'wax',
  'tape',
  'sponge',
  'overlap',
] as const;
export type PlanChange = (typeof PLAN_CHANGES)[number];

/** A step that nobody wants, as it would be done: by its way, or its kind. */
export interface UnwantedStep {
  key: string;
  by: string;
}

export const MOST_LAYERS = 3;
export const MOST_STRIPS = 6;
export const MOST_MASKS = 6;

export interface PiecePlan {
  shapeId: string;
  /** The form where it was drawn otherwise than the one it started from. */
  form?: PieceForm | undefined;
  zones: Record<Zone, Layer[]>;
  strips?: Strip[] | undefined;
  masks?: Mask[] | undefined;
  decoratingColours?: DecoratingColour[] | undefined;
  /** Kept bare from the shelf up the outside, mm; 0 for nothing. */
  waxFootMm: number;
  footBy?: FootBy | undefined;
  /** Height of the rim band, mm: its layers lie over those of the outside. */
  rimBandMm: number;
  edges?: { wax?: EdgeLine | undefined; rim?: EdgeLine | undefined } | undefined;
  /** Of the clay; the rim band as the outside where nothing is said. */
  textures?: { inside?: Texture | undefined; outside?: Texture | undefined; rim?: Texture | undefined } | undefined;
  /** How it stands in the kiln. Bare on the shelf where nothing is said. */
  setting?: KilnSetting | undefined;
  lid?: boolean | undefined;
  /** Fired and glazed once before. */
  refire?: boolean | undefined;
  /** Cone it will be fired to; 6 where nothing is said. */
  cone?: string | undefined;
  /** Step keys in the order the potter chose; empty for the safe order. */
  order: string[];
  /** Steps wanted one before the other, whatever it costs. */
  pins?: { before: string; after: string }[] | undefined;
  /** What no way there may do. */
  unwanted?: { changes?: PlanChange[] | undefined; steps?: UnwantedStep[] | undefined } | undefined;
  /** The rim band's glaze goes on first, on bare clay, and is waxed: the outside ends below it and they never lie on one another. */
  rimFirst?: boolean | undefined;
  /** Buckets with gum in them for this plan, so that their coat holds another. */
  gumIn?: string[] | undefined;
  /** Recipe versions its glazes had when it was planned, by bucket. */
  versions?: { bucketId: string; recipeVersionId: string; number: number }[] | undefined;
  /** Rules put aside, with the reason kept. */
  putAside: { rule: string; reason: string }[];
}

export const KILN_SETTINGS = ['shelf', 'plate', 'stilts', 'upsideDown'] as const;
export type KilnSetting = (typeof KILN_SETTINGS)[number];

/** Whether rim and outside part at the band's edge instead of lying on one another. */
export const rimIsApart = ({ rimFirst, zones }: Pick<PiecePlan, 'rimFirst' | 'zones'>): boolean =>
  rimFirst === true && zones.rim.length > 0 && zones.outside.length > 0;

/** Every layer of a plan, wherever it lies. */
export const layersOf = ({ zones, strips = [] }: Pick<PiecePlan, 'zones' | 'strips'>): Layer[] => [
  ...ZONES.flatMap((zone) => zones[zone]),
  ...strips.flatMap((strip) => strip.layers),
];

/** A plan with every layer changed. */
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

/** What ordering and warnings need to know of the glaze in a bucket. */
export interface GlazeFacts {
  bucketId: string;
  name: string;
  /** 0 black – 1 white, from the recipe's own stated colour. */
  lightness: number;
  sg: number;
  density: number;
  packing: number;
  filmMm: number;
  /** The slurry by the user's swirl: decides film and packing of a dip. */
  slurryState: BucketState;
  shrinkShare: number;
  loiPercent: number;
  flow: FlowGuess;
  surface: string;
  foodTested: boolean;
  /** Fired oxides, percent by weight, and unity; empty when unknown (a jar, a bought base). */
  firedPercent: Record<string, number>;
  unity: Record<string, number>;
  /** Cones its recipe is for, where one is known. */
  coneLow?: string | undefined;
  coneHigh?: string | undefined;
}

/** The body and bisque lot a piece is made of. */
export interface BodyFacts {
  name: string;
  bisqueCone: string;
  earthenware: boolean;
  absorptionPercent?: number | undefined;
  /** Wet to fired, %. */
  shrinkagePercent?: number | undefined;
  speckled?: boolean | undefined;
  /** 0 black – 1 white. */
  lightness?: number | undefined;
  lowCone?: string | undefined;
  highCone?: string | undefined;
}
