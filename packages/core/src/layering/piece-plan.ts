import type { FlowGuess } from '../chemistry/flow-guess';
import type { BucketState } from '../coat/predict';

export const ZONES = ['inside', 'outside', 'rim', 'foot'] as const;
export type Zone = (typeof ZONES)[number];
export type Way = 'dip' | 'pour' | 'brush';

/** A coat wanted on a zone. Layers are listed bottom up. */
export interface Layer {
  id: string;
  bucketId: string;
  way: Way;
  coatMm: number;
}

export const MOST_LAYERS = 3;

export interface PiecePlan {
  shapeId: string;
  zones: Record<Zone, Layer[]>;
  /** Wax from the shelf up the outside, mm; 0 for none. */
  waxFootMm: number;
  /** Height of the rim band, mm: its layers lie over those of the outside. */
  rimBandMm: number;
  /** Step keys in the order the potter chose; empty for the safe order. */
  order: string[];
  /** The rim band's glaze goes on first, on bare clay, and is waxed: the outside ends below it and they never lie on one another. */
  rimFirst?: boolean | undefined;
  /** Buckets with gum in them for this plan, so that their coat holds another. */
  gumIn?: string[] | undefined;
  /** Rules put aside, with the reason kept. */
  putAside: { rule: string; reason: string }[];
}

/** Whether rim and outside part at the band's edge instead of lying on one another. */
export const rimIsApart = ({ rimFirst, zones }: Pick<PiecePlan, 'rimFirst' | 'zones'>): boolean =>
  rimFirst === true && zones.rim.length > 0 && zones.outside.length > 0;

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
}

/** The body and bisque lot a piece is made of. */
export interface BodyFacts {
  name: string;
  bisqueCone: string;
  earthenware: boolean;
  absorptionPercent?: number | undefined;
}
