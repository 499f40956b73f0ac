import { requirePositive } from '../../checks/require';
import type { ContactMethod } from './equal-coats';
import { PRIOR_KNOWLEDGE, type CoatKnowledge } from '../prediction/knowledge';
import { predictCoat, predictSeconds, type CoatPrediction, type CoatSituation } from '../prediction/predict';
import { sgForCoat } from '../prediction/sg-for-coat';

/** Shortest time in the glaze that hands can do, s: under and out, poured in, rolled round and out, once round with the ladle. */
export const SHORTEST_SECONDS: Readonly<Record<ContactMethod, number>> = { dip: 1, pour: 3, ladle: 1 };

/** Seconds are told to a tenth: what is told as the shortest time is not too short. */
const SHOWN_SECONDS = 0.05;

export interface ShortestTime {
  shortestSeconds: number;
  /** What the shortest time gives in this bucket. */
  atShortest: CoatPrediction;
  /** SG at which the wanted coat takes the shortest time, and the water that makes the bucket so, mL, 0 when it is thinner already. */
  thinner?: { sg: number; waterMl: number };
}

/**
 * Returns what would make a coat possible that would take less time than hands can do; undefined where hands have time enough, or where no time
 * gives the coat at all.
 *
 * @param question - the situation, with `coatMm` above 0, `method`, and the `bucket` as it stands, whatever SG is asked about
 * @param knowledge - what is known of this glaze on this body; starting guesses when left out
 * @throws PotterError for a situation that no wall can have
 * @example
 * tooShortForHands({ sg: 1.45, density: 2.6, state: 'normal', bisqueCone: '05', wallMm: 6, faces: 2, coatMm: 0.9, method: 'dip', bucket: { sg: 1.45, volumeMl: 8000 } })
 * // undefined
 */
export function tooShortForHands(
  { method, bucket, coatMm, ...situation }: CoatSituation & { coatMm: number; method: ContactMethod; bucket: { sg: number; volumeMl: number } },
  knowledge: CoatKnowledge = PRIOR_KNOWLEDGE,
): ShortestTime | undefined {
  requirePositive('volumeMl', bucket.volumeMl);
  const wanted = predictSeconds({ ...situation, coatMm }, knowledge);
  const shortestSeconds = SHORTEST_SECONDS[method];
  if (wanted.kind !== 'ok' || wanted.seconds >= shortestSeconds - SHOWN_SECONDS) return undefined;
  const { sg: _asked, ...anySg } = situation;
  const thinner = sgForCoat({ ...anySg, seconds: shortestSeconds, coatMm }, knowledge);
  return {
    shortestSeconds,
    atShortest: predictCoat({ ...situation, seconds: shortestSeconds }, knowledge),
    ...(thinner.kind === 'ok'
      ? { thinner: { sg: thinner.sg, waterMl: Math.max(0, bucket.volumeMl * ((bucket.sg - 1) / (thinner.sg - 1) - 1)) } }
      : {}),
  };
}
