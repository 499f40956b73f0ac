import { requirePositive } from '../checks/require';
import { WASTE_SHARE } from '../weighing/for-pieces';
import { PRIOR_KNOWLEDGE, type CoatKnowledge } from './knowledge';
import { predictSeconds, STATE_GUESSES, type CoatSituation } from './predict';
import type { SecondsForCoat } from './seconds-for-coat';

/** Dry coat of one pass, mm: starting guesses for any glaze, to be learnt. */
export const COAT_PER_PASS = { brushLoaded: 0.13, brushDry: 0.08, spray: 0.05 } as const;
/** Hands for one piece, seconds, and the wait before the next pass, minutes. Spraying has no figure yet. */
const HANDS = { dip: 25, pour: 35, brush: 150 } as const;
const BETWEEN_COATS_MINUTES = 20;

export type EqualWay = 'dip' | 'pour' | 'brushLoaded' | 'brushDry' | 'spray';

export interface EqualCoat {
  way: EqualWay;
  /** Seconds in the glaze, for a dip and for a pour in and out. */
  seconds?: SecondsForCoat;
  /** Passes, and the coat that so many whole ones give. */
  passes?: number;
  givesMm: number;
  handSeconds?: number;
  waitMinutes: number;
  /** Wet glaze it takes with its waste, mL. */
  glazeMl: number;
}

/** The same coat by each way of putting it on: computed for this glaze on this wall, never "one dip is so many coats". */
export function equalCoats(
  question: { coatMm: number; areaCm2: number; situation: CoatSituation; volumeMlPerDryGram: number },
  knowledge: CoatKnowledge = PRIOR_KNOWLEDGE,
): EqualCoat[] {
  const { situation, volumeMlPerDryGram } = question;
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
  const passed = (way: 'brushLoaded' | 'brushDry' | 'spray'): EqualCoat => {
    const passes = Math.max(1, Math.round(coatMm / COAT_PER_PASS[way]));
    const givesMm = passes * COAT_PER_PASS[way];
    const brushed = way !== 'spray';
    return {
      way,
      passes,
      givesMm,
      ...(brushed ? { handSeconds: passes * HANDS.brush } : {}),
      waitMinutes: brushed ? (passes - 1) * BETWEEN_COATS_MINUTES : 0,
      glazeMl: millilitres(givesMm, brushed ? WASTE_SHARE.brush : WASTE_SHARE.spray),
    };
  };
  return [
    { way: 'dip', seconds, givesMm: coatMm, handSeconds: HANDS.dip, waitMinutes: 0, glazeMl: millilitres(coatMm, WASTE_SHARE.dip) },
    { way: 'pour', seconds, givesMm: coatMm, handSeconds: HANDS.pour, waitMinutes: 0, glazeMl: millilitres(coatMm, WASTE_SHARE.pour) },
    passed('brushLoaded'),
    passed('brushDry'),
    passed('spray'),
  ];
}

/** What a label's coats give by the brush, mm: beside what this glaze wants. */
export const coatOfLabel = ({ coats }: { coats: number }): number => requirePositive('coats', coats) * COAT_PER_PASS.brushLoaded;
