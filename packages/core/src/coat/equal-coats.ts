import { requirePositive } from '../checks/require';
import { passCoatOf, type PassCoat, type PassReading } from '../learning/pass-coats';
import { WASTE_SHARE } from '../weighing/for-pieces';
import { PRIOR_KNOWLEDGE, type CoatKnowledge } from './knowledge';
import { PASS_WAYS, type PassWay } from './pass-ways';
import { EIGHTY_PERCENT_Z, predictSeconds, STATE_GUESSES, type CoatSituation } from './predict';
import type { SecondsForCoat } from './seconds-for-coat';

/** Hands for one piece, seconds. A ladle round the outside takes as long as a pour. */
const HANDS = { dip: 25, pour: 35, ladle: 35 } as const;

export type ContactWay = keyof typeof HANDS;
export type EqualWay = ContactWay | PassWay;

export interface EqualCoat {
  way: EqualWay;
  /** Seconds in the glaze: of a dip, of a pour's contact, of the stream of a ladle. */
  seconds?: SecondsForCoat;
  /** Passes, and the coat that so many whole ones give with its 80 % band. */
  passes?: number;
  givesMm: number;
  lowMm?: number;
  highMm?: number;
  /** Readings of this glaze by this way that the pass rests on. */
  readings?: number;
  handSeconds?: number;
  waitMinutes: number;
  /** Wet glaze it takes with its waste, mL. */
  glazeMl: number;
}

/** The same coat by each way of putting it on: computed for this glaze on this wall, never "one dip is so many coats". */
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
  const inContact = (way: ContactWay): EqualCoat => {
    const waste = way === 'dip' ? WASTE_SHARE.dip : WASTE_SHARE.pour;
    return { way, seconds, givesMm: coatMm, handSeconds: HANDS[way], waitMinutes: 0, glazeMl: millilitres(coatMm, waste) };
  };
  const inPasses = (way: PassWay): EqualCoat => {
    const one = passCoatOf(way, passReadings);
    const passes = passesFor(one, coatMm);
    const givesMm = passes * one.perPassMm;
    const spread = Math.exp(EIGHTY_PERCENT_Z * one.lnSd);
    const { handSeconds, betweenMinutes, waste } = PASS_WAYS[way];
    return {
      way,
      passes,
      givesMm,
      lowMm: givesMm / spread,
      highMm: givesMm * spread,
      readings: one.readings,
      ...(handSeconds === undefined ? {} : { handSeconds: passes * handSeconds }),
      waitMinutes: (passes - 1) * betweenMinutes,
      glazeMl: millilitres(givesMm, waste),
    };
  };
  return [...(['dip', 'pour', 'ladle'] as const).map(inContact), ...(['brushLoaded', 'brushDry', 'sponge', 'spray'] as const).map(inPasses)];
}

const passesFor = ({ perPassMm }: PassCoat, coatMm: number): number => Math.max(1, Math.round(coatMm / perPassMm));

/** What a jar's label promises against what this glaze wants: the coat of so many brushed ones, and how many the wanted coat takes. */
export function labelCoats(
  { coats, coatMm }: { coats: number; coatMm: number },
  readings: readonly PassReading[] = [],
): { givesMm: number; lowMm: number; highMm: number; wantsCoats: number } {
  const one = passCoatOf('brushLoaded', readings);
  const givesMm = requirePositive('coats', coats) * one.perPassMm;
  const spread = Math.exp(EIGHTY_PERCENT_Z * one.lnSd);
  return { givesMm, lowMm: givesMm / spread, highMm: givesMm * spread, wantsCoats: passesFor(one, requirePositive('coatMm', coatMm)) };
}
