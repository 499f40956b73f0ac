import type { CoatKnowledge } from './knowledge';
import { coatPredictor, type CoatSituation } from './predict';

export interface CoatCurvePoint {
  seconds: number;
  coatMm: number;
  lowMm: number;
  highMm: number;
  /** 80 % band of the mean. */
  meanLowMm: number;
  meanHighMm: number;
}

/**
 * Returns the coat against seconds with the 80 % bands of the next dip and of the mean, for a chart. Empty when the bucket is too thick to dip in.
 *
 * @param question - the situation; `points`, at least 2; `mostSeconds`, where the curve ends
 * @param knowledge - what is known of this glaze on this body; starting guesses when left out
 * @throws PotterError for a situation that no bucket or wall can have
 * @example
 * coatCurve({ sg: 1.45, density: 2.6, state: 'normal', bisqueCone: '05', wallMm: 6, faces: 2, points: 3, mostSeconds: 10 }).map(({ seconds }) => seconds)
 * // [0, 2.5, 10]
 */
export function coatCurve(
  { points, mostSeconds, ...situation }: CoatSituation & { points: number; mostSeconds: number },
  knowledge?: CoatKnowledge,
): CoatCurvePoint[] {
  const predict = coatPredictor(situation, knowledge);
  const curve: CoatCurvePoint[] = [];
  for (let i = 0; i < points; i++) {
    // Points lie close together where the curve is steep: it rises with the root of time.
    const seconds = mostSeconds * (i / (points - 1)) ** 2;
    const { coat, ...band } = predict(seconds);
    if (coat.kind !== 'ok') continue;
    const { coatMm } = coat;
    const { lowMm = coatMm, highMm = coatMm, meanLowMm = coatMm, meanHighMm = coatMm } = band;
    curve.push({ seconds, coatMm, lowMm, highMm, meanLowMm, meanHighMm });
  }
  return curve;
}
