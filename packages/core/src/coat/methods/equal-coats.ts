import { requirePositive } from '../../checks/require';
import { passCoatOf, type PassCoat, type PassReading } from './pass-coats';
import { PRIOR_KNOWLEDGE, type CoatKnowledge } from '../prediction/knowledge';
import { PASS_METHODS, type PassMethod } from './pass-methods';
import { predictSeconds, type CoatSituation } from '../prediction/predict';
import type { SecondsForCoat } from '../prediction/seconds-for-coat';
import { STATE_GUESSES } from '../prediction/state-guesses';
import { EIGHTY_PERCENT_Z } from '../../math/normal';
import { WASTE_SHARE } from './application-method';

/** Labor for one piece, seconds. A ladle round the outside takes as long as a pour. */
const LABOR_SECONDS = { dip: 25, pour: 35, ladle: 35 } as const;

export type ContactMethod = keyof typeof LABOR_SECONDS;
export type CoatMethod = ContactMethod | PassMethod;

export interface EqualCoat {
  method: CoatMethod;
  /** Seconds in the glaze: of a dip, of a pour's contact, of the stream of a ladle. */
  seconds?: SecondsForCoat;
  /** Number of passes, and the coat that so many whole ones give with its 80 % band. */
  passes?: number;
  givesMm: number;
  lowMm?: number;
  highMm?: number;
  /** How many readings of this glaze and method the pass rests on. */
  readings?: number;
  laborSeconds?: number;
  waitMinutes: number;
  /** Wet glaze it takes, with waste, mL. */
  glazeMl: number;
}

/**
 * Returns the same coat by each method of putting it on, computed for this glaze on this wall: no rule says that one dip is so many brushed
 * coats.
 *
 * @param question - `coatMm` and `areaCm2`, above 0; the situation; `volumeMlPerDryGram` of the bucket; `passReadings`, measured passes of
 * this glaze
 * @param knowledge - what is known of this glaze on this body; starting guesses when left out
 * @throws PotterError for what lies outside
 * @example
 * equalCoats({ coatMm: 0.5, areaCm2: 300, situation: { sg: 1.45, density: 2.6, state: 'normal', bisqueCone: '05', wallMm: 6, faces: 2 }, volumeMlPerDryGram: 1.4 }).length
 * // 7
 */
export function equalCoats(
  question: { coatMm: number; areaCm2: number; situation: CoatSituation; volumeMlPerDryGram: number; passReadings?: readonly PassReading[] },
  knowledge: CoatKnowledge = PRIOR_KNOWLEDGE,
): EqualCoat[] {
  const { situation, volumeMlPerDryGram, passReadings = [] } = question;
  const coatMm = requirePositive('coatMm', question.coatMm);
  const { packing } = STATE_GUESSES[situation.state];
  const millilitres = (givesMm: number, waste: number): number =>
    requirePositive('areaCm2', question.areaCm2) *
    givesMm *
    0.1 *
    packing *
    situation.density *
    requirePositive('volumeMl', volumeMlPerDryGram) *
    (1 + waste);
  const seconds = predictSeconds({ ...situation, coatMm }, knowledge);
  const inContact = (method: ContactMethod): EqualCoat => {
    const waste = method === 'dip' ? WASTE_SHARE.dip : WASTE_SHARE.pour;
    return { method, seconds, givesMm: coatMm, laborSeconds: LABOR_SECONDS[method], waitMinutes: 0, glazeMl: millilitres(coatMm, waste) };
  };
  const inPasses = (method: PassMethod): EqualCoat => {
    const one = passCoatOf(method, passReadings);
    const passes = passesFor(one, coatMm);
    const givesMm = passes * one.perPassMm;
    const spread = Math.exp(EIGHTY_PERCENT_Z * one.lnSd);
    const { laborSeconds, betweenMinutes, waste } = PASS_METHODS[method];
    return {
      method,
      passes,
      givesMm,
      lowMm: givesMm / spread,
      highMm: givesMm * spread,
      readings: one.readings,
      ...(laborSeconds === undefined ? {} : { laborSeconds: passes * laborSeconds }),
      waitMinutes: (passes - 1) * betweenMinutes,
      glazeMl: millilitres(givesMm, waste),
    };
  };
  return [...(['dip', 'pour', 'ladle'] as const).map(inContact), ...(['brushLoaded', 'brushDry', 'sponge', 'spray'] as const).map(inPasses)];
}

const passesFor = ({ perPassMm }: PassCoat, coatMm: number): number => Math.max(1, Math.round(coatMm / perPassMm));

/**
 * Returns what a jar's label promises against what this glaze wants: the coat of so many brushed ones, and how many the wanted coat takes.
 *
 * @param question - `coats` on the label and the wanted `coatMm`, above 0
 * @param readings - measured passes of this glaze
 * @throws PotterError for 0 or less
 * @example
 * labelCoats({ coats: 3, coatMm: 0.5 }).wantsCoats // 4
 */
export function labelCoats(
  { coats, coatMm }: { coats: number; coatMm: number },
  readings: readonly PassReading[] = [],
): { givesMm: number; lowMm: number; highMm: number; wantsCoats: number } {
  const one = passCoatOf('brushLoaded', readings);
  const givesMm = requirePositive('coats', coats) * one.perPassMm;
  const spread = Math.exp(EIGHTY_PERCENT_Z * one.lnSd);
  return { givesMm, lowMm: givesMm / spread, highMm: givesMm * spread, wantsCoats: passesFor(one, requirePositive('coatMm', coatMm)) };
}
