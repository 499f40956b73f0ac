import { dryGramsOfCoat } from '../../coat/weight/glaze-in-coat';
import { STATE_GUESSES } from '../../coat/prediction/state-guesses';
import type { SlurryState } from '../../slurry/slurry-state';
import type { PieceShape } from '../../geometry/piece-form';
import { areaCm2 } from '../../geometry/profile';
import { bisect } from '../../math/bisect';
import type { BucketShape } from '../../geometry/bucket-shape';
import { dipReach, piecesCovered, type DipInBucket } from './dip-depth';

/** The level at which a piece still goes under is found this closely, mL. */
const LEVEL_ML = 5;

/**
 * Returns the slurry that a coat over the outside of a piece takes, mL.
 *
 * @param question - piece and bucket
 * @param question.piece - the form; its outside counts, without handles and lugs
 * @param question.coatMm - dry thickness, mm
 * @param question.contents - what is in the bucket: `volumeMl`, `dryGrams`, the powder's `density`, g/mL, and how the slurry stands
 * @throws PotterError for a negative thickness
 * @example
 * coatSlurryMl({ piece: shapeOf({ shapeId: 'cup' }), coatMm: 0, contents: { volumeMl: 1000, dryGrams: 700, density: 2.6 } }) // 0
 */
export function coatSlurryMl({
  piece,
  coatMm,
  contents,
}: {
  piece: Pick<PieceShape, 'outside'>;
  coatMm: number;
  contents: { volumeMl: number; dryGrams: number; density: number; slurryState?: SlurryState | undefined };
}): number {
  const { packing } = STATE_GUESSES[contents.slurryState ?? 'normal'];
  const grams = dryGramsOfCoat({ coatMm, areaCm2: areaCm2({ profile: piece.outside }), packing, density: contents.density });
  return (grams * contents.volumeMl) / contents.dryGrams;
}

export interface BucketCover {
  /** Whole pieces that its powder is enough for. */
  pieces: number;
  /** Whole pieces that can be dipped before the glaze stands too low. Left out where a piece does not go under whole even now. */
  byDipping?: number;
}

/**
 * Returns how many pieces a bucket covers. By dipping only what stands above the depth a piece needs can be used; the rest must be poured.
 *
 * @param question - piece and bucket
 * @param question.bucket - inner sizes, mm; left out where nobody measured them
 * @param question.contents - what is in the bucket
 * @param question.gramsPerPiece - dry powder one piece takes, g, above 0
 * @throws PotterError for a piece that takes nothing
 * @example
 * bucketCover({ contents: { volumeMl: 1000, dryGrams: 700 }, piece: shapeOf({ shapeId: 'cup' }), inside: 'air', gramsPerPiece: 20 }) // { pieces: 35 }
 */
export function bucketCover({
  bucket,
  contents: { volumeMl, dryGrams },
  piece,
  inside,
  gramsPerPiece,
}: {
  bucket?: BucketShape | undefined;
  contents: { volumeMl: number; dryGrams: number };
  piece: DipInBucket['piece'];
  inside: DipInBucket['inside'];
  gramsPerPiece: number;
}): BucketCover {
  const pieces = piecesCovered({ dryGrams, stayShare: 0, gramsPerPiece });
  const goesUnder = (glazeMl: number): boolean => bucket !== undefined && dipReach({ bucket, glazeMl, piece, inside }).kind === 'whole';
  if (!goesUnder(volumeMl)) return { pieces };
  const stayMl = bisect({ low: 0, high: volumeMl, width: LEVEL_ML, isPast: goesUnder }).high;
  return { pieces, byDipping: piecesCovered({ dryGrams, stayShare: Math.min(1, stayMl / volumeMl), gramsPerPiece }) };
}
