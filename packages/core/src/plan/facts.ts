import type { FlowGuess } from '../chemistry/flow-guess';
import type { BucketShape } from '../geometry/bucket-shape';
import type { SlurryState } from '../slurry/slurry-state';

/** A bucket as it stands at the bench. */
export interface BucketNow {
  code: string;
  sg: number;
  lowSg: number;
  highSg: number;
  volumeMl: number;
  /** Whether a reading says that it is out of its range. */
  isOut: boolean;
  /** Inner sizes, where they were told. */
  shape?: BucketShape | undefined;
}

/** What ordering and warnings need to know of the glaze in a bucket. */
export interface GlazeFacts {
  bucketId: string;
  name: string;
  /** 0 black – 1 white, from the colour of its recipe. */
  lightness: number;
  /** As it will be dipped from: the middle of its range where the bucket is out of it. */
  sg: number;
  /** The bucket as it stands; left out for a glaze nobody mixed yet. */
  bucket?: BucketNow | undefined;
  density: number;
  packing: number;
  filmMm: number;
  /** The state of the slurry by the swirl test: it decides film and packing of a dip. */
  slurryState: SlurryState;
  shrinkShare: number;
  loiPercent: number;
  flow: FlowGuess;
  surface: string;
  foodTested: boolean;
  /** What got into its bucket that should not have. */
  contaminated?: readonly string[] | undefined;
  /** Fired oxides, percent by weight, and unity; empty when they are not known (a jar, a bought base). */
  firedPercent: Record<string, number>;
  unity: Record<string, number>;
  /** How much it expands, 10⁻⁶ per K, by its oxides; left out where an analysis is missing or the figure would say little. */
  expansion?: number | undefined;
  /** Cones of its recipe, where they are known. */
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
  groggy?: boolean | undefined;
  /** How much it expands, 10⁻⁶ per K, if somebody measured it. */
  expansion?: number | undefined;
  /** 0 black – 1 white. */
  lightness?: number | undefined;
  lowCone?: string | undefined;
  highCone?: string | undefined;
  /** It was glazed and fired before: it drinks nothing. */
  firedUnder?: boolean | undefined;
}
