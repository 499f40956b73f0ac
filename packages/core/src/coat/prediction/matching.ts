import { PRIOR_KNOWLEDGE, type CoatKnowledge } from './knowledge';
import { predictSeconds, type CoatSituation } from './predict';

/** Pieces whose coats differ by no more than this look alike: a rule of the bench. */
export const ALIKE_SHARE = 0.1;
/** After so many pieces the bucket has lost enough water and powder to be measured again. */
export const MEASURE_EVERY = 10;

export interface Matching {
  seconds: number;
  /** Seconds within which the coat stays alike. */
  fromSeconds: number;
  toSeconds: number;
  /** SG within which the same seconds give a coat alike. */
  lowSg: number;
  highSg: number;
}

/**
 * Returns within what seconds and SG a dip stays alike, so that pieces match; undefined where no dip gives the coat.
 *
 * @param question - the situation, with `coatMm`
 * @param knowledge - what is known of this glaze on this body; starting guesses when left out
 * @throws PotterError for a situation that no bucket or wall can have
 * @example
 * matchingDip({ sg: 1.45, density: 2.6, state: 'normal', bisqueCone: '05', wallMm: 6, faces: 2, coatMm: 0.5 }).seconds < 3 // true
 */
export function matchingDip(
  { coatMm, ...situation }: CoatSituation & { coatMm: number },
  knowledge: CoatKnowledge = PRIOR_KNOWLEDGE,
): Matching | undefined {
  const secondsAt = (mm: number, sg = situation.sg): number | undefined => {
    const asked = predictSeconds({ ...situation, sg, coatMm: mm }, knowledge);
    return asked.kind === 'ok' ? asked.seconds : undefined;
  };
  const [seconds, fromSeconds, toSeconds] = [coatMm, coatMm * (1 - ALIKE_SHARE), coatMm * (1 + ALIKE_SHARE)].map((mm) => secondsAt(mm));
  if (seconds === undefined || toSeconds === undefined) return undefined;
  // The coat grows with the solids nearly as they do: the SG at which the thinner coat takes as long as the wanted one does now.
  const stepSg = 0.005;
  let [lowSg, highSg] = [situation.sg, situation.sg];
  while (situation.sg - lowSg < 0.1 && (secondsAt(coatMm * (1 - ALIKE_SHARE), lowSg - stepSg) ?? Infinity) <= seconds) lowSg -= stepSg;
  while (highSg - situation.sg < 0.1 && (secondsAt(coatMm * (1 + ALIKE_SHARE), highSg + stepSg) ?? 0) >= seconds) highSg += stepSg;
  return { seconds, fromSeconds: fromSeconds ?? 0, toSeconds, lowSg, highSg };
}
