import type { ChangeKind, ChangeOutcome, FiredFault } from '@cazuela/core';
import type { ResultChangeBody } from '@cazuela/contract';
import type { Units } from '../../data/units/units';

type Figures = Pick<ResultChangeBody, 'from' | 'to'>;
type Say = (figures: Figures, units: Units) => string;
const plain =
  (words: string): Say =>
  () =>
    words;
const rate =
  (words: (units: Units) => string): Say =>
  ({ from, to }, units) =>
    `${words(units)}: ${units.rate(to ?? 0)} instead of ${units.rate(from ?? 0)}`;
const coat =
  (words: string): Say =>
  ({ from, to }, units) =>
    `${words}: ${units.coat(to ?? 0)} instead of ${units.coat(from ?? 0)}`;

const asFit = (bodyLessGlaze: number): string => `${Math.abs(bodyLessGlaze).toFixed(1)} ${bodyLessGlaze < 0 ? 'less' : 'more'}`;

const TEXTS: Readonly<Record<ChangeKind, Say>> = {
  thinnerCoat: coat('A thinner coat'),
  thickerCoat: coat('A thicker coat'),
  keepSeconds: ({ from }) => `Keep to the planned seconds, by the timer: they were ${(from ?? 1).toFixed(1)} times the plan`,
  bringSg: plain('Its bucket in range first: measure, and thin or thicken it'),
  stir: plain('Stir it in time'),
  asManyCoats: plain('As many coats as planned'),
  evenCoats: plain('Inside and outside more alike'),
  otherOrder: ({ from, to }) => `The other one below: ${Math.round(to ?? 0)} % shrinks on top instead of ${Math.round(from ?? 0)} %`,
  smearHairlines: plain('Smear hairlines shut before the next coat'),
  wipe: plain('Wipe it damp and let it dry before the first coat'),
  keepWax: plain('Keep wax where it belongs; a stray drop is burnt out in the bisque'),
  higherEdge: ({ from, to }, units) => `Start higher: ${units.length(to ?? 0)} up instead of ${units.length(from ?? 0)}`,
  dryLonger: ({ from }) => `Let it dry its whole time before it is loaded: it had ${Math.round(100 * (from ?? 1))} % of it`,
  softerBisque: plain('Bisque no higher than cone 04'),
  harderBisque: plain('Bisque to cone 05'),
  coolerPlace: plain('A cooler place in the kiln'),
  hotterPlace: plain('A hotter place in the kiln'),
  slowerOver1000: rate(() => 'Slower at the end of the firing'),
  holdLonger: ({ from, to }) => `Hold at the hottest: ${Math.round(to ?? 0)} min instead of ${Math.round(from ?? 0)}`,
  slowerFromPeak: rate(() => 'Fall slower from the hottest'),
  fasterCooling: rate((units) => `Fall faster between ${units.temperature(1_100)} and ${units.temperature(900)}`),
  slowerAt570: rate((units) => `Slower around ${units.temperature(570)}`),
  openLater: ({ from, to }, units) => `Open it under ${units.temperature(to ?? 100)}: it was at ${units.temperature(from ?? 0)}`,
  calcineClay: ({ from, to }) => `Calcine a part of its clay: ${Math.round(to ?? 0)} % that shrinks instead of ${Math.round(from ?? 0)} %`,
  moveWindow: ({ from, to }, units) =>
    `Move the window of this glaze on this clay: its end at ${units.coat(to ?? 0)}${from === undefined ? '' : ` instead of ${units.coat(from)}`}`,
  closerFit: ({ from, to }) =>
    `A recipe that fits this clay: by calculation the clay shrinks ${asFit(to ?? 0)} than the glaze instead of ${asFit(from ?? 0)} (10⁻⁶/°C)`,
  cleanBucket: plain('Sieve the bucket, and find out what fell in'),
};

/** One change in a few words with its figures. */
export const changeWords = (kind: ChangeKind, figures: Figures, units: Units): string => TEXTS[kind](figures, units);

/** To … : what a fault does. */
export const TO_FAULT: Readonly<Record<FiredFault, string>> = {
  crawled: 'to crawl',
  pinholed: 'of pinholes',
  blistered: 'to blister',
  thin: 'to come out thin',
  thick: 'to come out thick',
  cracked: 'to crack',
  shivered: 'to shiver',
  crazed: 'to craze',
  dull: 'to come out dull',
  'off colour': 'of another colour',
  flaked: 'to flake',
  ran: 'to run to its shelf',
  stuck: 'to stick',
};

/** What became of a change that was made. */
export function outcomeWords(outcome: ChangeOutcome): { words: string; tone: 'good' | 'stop' | 'quiet' } {
  if (outcome.kind === 'notTried') return { words: 'not tried yet', tone: 'quiet' };
  const { pieces, faulty } = outcome;
  const told =
    pieces === 1
      ? `the next one ${faulty === 0 ? 'is without it' : 'has it too'}`
      : faulty === 0
        ? `none of the next ${pieces} has it`
        : `${faulty} of the next ${pieces} ${faulty === 1 ? 'has' : 'have'} it`;
  return outcome.kind === 'helped' ? { words: `helped: ${told}`, tone: 'good' } : { words: `did not help: ${told}`, tone: 'stop' };
}
