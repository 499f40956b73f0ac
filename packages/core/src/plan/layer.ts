import type { ApplicationMethod } from '../coat/methods/application-method';

export const COATING_KINDS = ['glaze', 'slip', 'underglaze', 'stain', 'lustre'] as const;

/** What a coat is of. Only glaze melts and runs; lustre goes over fired glaze, in a later firing of its own. */
export type CoatingKind = (typeof COATING_KINDS)[number];

/** A coat wanted on a zone. Layers are listed bottom up. */
export interface Layer {
  id: string;
  /** The bucket, or the decorating colour of the plan, it comes from. */
  bucketId: string;
  method: ApplicationMethod;
  coatMm: number;
  /** Glaze when left out. */
  coatingKind?: CoatingKind | undefined;
}

/**
 * Returns what a coat is of: glaze where nothing is said.
 *
 * @param layer - the coat
 * @example
 * coatingKindOf({}) // 'glaze'
 */
export const coatingKindOf = (layer: Pick<Layer, 'coatingKind'>): CoatingKind => layer.coatingKind ?? 'glaze';

/** A small amount of underglaze, slip, wash or lustre that is no bucket of the studio; it has a name. */
export interface DecoratingColour {
  id: string;
  name: string;
  colour: string;
  coatingKind: Exclude<CoatingKind, 'glaze'>;
  /** Shrinkage of a slip from wet to fired, %: compared with the body's. */
  shrinkagePercent?: number | undefined;
  /** What gives it its colour, where that can quarrel with a glaze. */
  colourant?: 'chromeGreen' | 'chromeTinPink' | 'encapsulated' | 'other' | undefined;
}

export const MOST_LAYERS = 3;
