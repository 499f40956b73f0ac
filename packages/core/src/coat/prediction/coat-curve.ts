import type { CoatKnowledge } from './knowledge';
import { coatPredictor, type CoatSituation } from './predict';

export interface CoatCurvePoint {
  seconds: number;
  coatMm: number;
  lowMm: number;
  highMm: number;
}

/** Coat against seconds with its 80 % band, for a chart. Empty when the bucket is too thick to dip. */
export function coatCurve(
  { points, mostSeconds, ...situation }: CoatSituation & { points: number; mostSeconds: number },
  knowledge?: CoatKnowledge,
): CoatCurvePoint[] {
  const predict = coatPredictor(situation, knowledge);
  const curve: CoatCurvePoint[] = [];
  for (let i = 0; i < points; i++) {
    // Close together where it rises steeply, as it does with the root of the time.
    const seconds = mostSeconds * (i / (points - 1)) ** 2;
    const { coat, lowMm, highMm } = predict(seconds);
    if (coat.kind === 'ok') curve.push({ seconds, coatMm: coat.coatMm, lowMm: lowMm ?? coat.coatMm, highMm: highMm ?? coat.coatMm });
  }
  return curve;
}
