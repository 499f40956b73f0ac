import type { FaultRecord } from '@cazuela/core';
import type { Units } from '../../data/units/units';

type Say = (record: FaultRecord, units: Units) => string;
interface CauseText {
  /** With the figure that was recorded. */
  text: Say;
  /** What to record next time, where nobody did. */
  worth: string;
}

const COAT: CauseText = {
  text: ({ coatMm, windowTopMm }, units) => `coat ${units.coat(coatMm ?? 0)} where ${units.coat(windowTopMm ?? 0)} is the top`,
  worth: 'the seconds, and the window of this glaze on this clay',
};
const yes = (words: string, worth: string): CauseText => ({ text: () => words, worth });
const cones = (count: number | undefined): string => `${Math.round(count ?? 0)} ${Math.round(count ?? 0) === 1 ? 'cone' : 'cones'}`;
const perHour = (units: Units, rate: number | undefined): string => units.rate(rate ?? 0);

/** Without its sign. */
const expansion = (difference: number | undefined): string => `${Math.abs(difference ?? 0).toFixed(1)} · 10⁻⁶/°C`;
const FIT_WORTH = 'the expansion of the clay, on its card; and a test in boiling and freezing water';

/** What each cause says of itself, by its id. Some have one id in several faults. */
const TEXTS: Readonly<Record<string, CauseText>> = {
  coatOverWindow: COAT,
  shrinkingGlaze: {
    text: (of) => `the glaze shrinks as it dries: ${Math.round(of.upperShrinkPercent ?? 0)} % of it is shrinking clay`,
    worth: 'the recipe in its bucket',
  },
  openHairlines: yes('topped over hairlines that were not smeared shut', 'hairlines before the second coat'),
  wipeLeftOut: yes('dust, edges or the damp wipe were left out', 'whether it was wiped'),
  denseBisque: { text: (of) => `bisque ${cones(of.bisqueConesOver04)} over cone 04`, worth: 'the cone of its bisque' },
  loadedDamp: {
    text: (of) => `loaded after ${Math.round(100 * (of.driedShare ?? 0))} % of its drying time`,
    worth: 'the day of its glazing and its load',
  },
  stiffOxides: {
    text: (of) => `${Math.round(of.stiffeningPercent ?? 0)} % tin, zircon, zinc and magnesia together`,
    worth: 'the recipe in its bucket',
  },
  thickUnderglaze: { text: (of, units) => `underglaze ${units.coat(of.underglazeMm ?? 0)}`, worth: 'how thick the underglaze was' },
  strayWax: yes('wax strayed there', 'wax that strayed'),
  softBisque: { text: (of) => `bisque ${cones(of.bisqueConesUnder05)} under cone 05`, worth: 'the cone of its bisque' },
  fastOver1000: {
    text: (of, units) => `${perHour(units, of.fastestOver1000PerHour)} over ${units.temperature(1_000)}`,
    worth: 'the log of the firing',
  },
  shortHold: { text: (of) => `held ${Math.round(of.holdMinutes ?? 0)} min at the hottest`, worth: 'the log of the firing' },
  stiffGlaze: { text: (of) => `a stiff glaze: flow figure ${Math.round(of.flowFigure ?? 0)}`, worth: 'a runner tile of this glaze' },
  darkOrGroggyBody: {
    text: (of) => (of.bodyIsGroggy ? (of.bodyIsDark ? 'a dark clay with grog' : 'a clay with grog') : 'a dark clay'),
    worth: 'colour and grog of the clay on its card',
  },
  blended: yes('beaten with a blender within the hour before', 'when the bucket was blended'),
  coneOver: { text: (of) => `${cones(of.conesOver)} over the range of its glaze`, worth: 'the cone on its shelf' },
  runnyGlaze: { text: (of) => `a runny glaze: flow figure ${Math.round(of.flowFigure ?? 0)}`, worth: 'a runner tile of this glaze' },
  fastFromPeak: { text: (of, units) => `cooled from the hottest at ${perHour(units, of.fastestFromPeakPerHour)}`, worth: 'the log of the firing' },
  darkBody: yes('a dark clay', 'the colour of the clay on its card'),
  bothFacesThin: yes('glaze on both faces of a thin wall', 'how thick the wall is'),
  sgUnder: { text: (of) => `SG ${(of.sgUnder ?? 0).toFixed(2)} under its range`, worth: 'the SG on the day' },
  sgOver: { text: (of) => `SG ${(of.sgOver ?? 0).toFixed(2)} over its range`, worth: 'the SG on the day' },
  secondsUnder: { text: (of) => `in the glaze for ${Math.round(100 * (of.secondsShare ?? 1))} % of the planned time`, worth: 'the seconds, timed' },
  secondsOver: { text: (of) => `in the glaze for ${Math.round(100 * (of.secondsShare ?? 1))} % of the planned time`, worth: 'the seconds, timed' },
  fullWall: yes('its wall was full of water', 'whether it was dry'),
  soakedPart: yes('a soaked part is near', 'what was soaked'),
  denserBisque: yes('the bisque is denser than its card', 'a thirst test of this bisque'),
  thirstierBisque: yes('the bisque is thirstier than its card', 'a thirst test of this bisque'),
  fewerCoats: yes('fewer coats than planned', 'which coats were put on'),
  moreCoats: yes('a coat more than planned', 'which coats were put on'),
  notStirred: yes('not stirred in time', 'when the bucket was stirred'),
  flocculated: yes('the slurry was flocculated', 'how the liquid stood'),
  openedHot: { text: (of, units) => `opened at ${units.temperature(of.openedCelsius ?? 0)}`, worth: 'how hot it was when it was opened' },
  fastAt570: { text: (of, units) => `${perHour(units, of.fastestAt570PerHour)} around ${units.temperature(570)}`, worth: 'the log of the firing' },
  refired: yes('fired before', 'which lot it is'),
  unlikeCoats: { text: (of) => `inside and outside differ ${(of.coatsDiffer ?? 1).toFixed(1)} times`, worth: 'the seconds inside and outside' },
  wideAndFlat: yes('wide and flat', 'its form'),
  bodyShrinksMore: {
    text: (of) => `the clay shrinks more than the glaze as it cools, by calculation ${expansion(of.bodyLessGlazeExpansion)} more`,
    worth: FIT_WORTH,
  },
  glazeShrinksMore: {
    text: (of) => `the glaze shrinks more than the clay as it cools, by calculation ${expansion(of.bodyLessGlazeExpansion)} more`,
    worth: FIT_WORTH,
  },
  softBody: { text: (of) => `${cones(of.bodyConesUnder)} under the range of its clay`, worth: 'the cones of the clay on its card' },
  coneUnder: { text: (of) => `${cones(of.conesUnder)} under the range of its glaze`, worth: 'the cone on its shelf' },
  slowCooling: {
    text: (of, units) =>
      `cooled slowly, ${perHour(units, of.from1100To900PerHour)} from ${units.temperature(1_100)}, with much calcia, magnesia or zinc`,
    worth: 'the log of the firing',
  },
  coatUnderWindow: {
    text: ({ coatMm, windowLowMm }, units) => `coat ${units.coat(coatMm ?? 0)} where ${units.coat(windowLowMm ?? 0)} is the least`,
    worth: 'the seconds, and the window of this glaze on this clay',
  },
  coneOutside: {
    text: (of) => `${cones(Math.max(of.conesOver ?? 0, of.conesUnder ?? 0))} outside the range of its glaze`,
    worth: 'the cone on its shelf',
  },
  otherAtmosphere: yes('another atmosphere than the recipe’s', 'the atmosphere of the firing'),
  otherPowderLot: yes('another lot of a powder since the last good one', 'the lots of powders'),
  recipeChanged: yes('the recipe was changed', 'the version of the recipe'),
  checkDiffered: yes('the closing weight or the sieve did not agree', 'the closing weight'),
  contaminated: yes('something got into the bucket', 'what got into the bucket'),
  coatOutside: {
    text: ({ coatMm, windowLowMm, windowTopMm }, units) =>
      `coat ${units.coat(coatMm ?? 0)} outside ${units.coat(windowLowMm ?? 0)} to ${units.coat(windowTopMm ?? 0)}`,
    worth: 'the seconds, and the window of this glaze on this clay',
  },
  untestedBody: yes('a clay it was not tested on', 'tiles of it on this clay'),
  stainAgainstChemistry: yes('a stain against the chemistry of its base', 'the recipe in its bucket'),
  unlikeShrink: {
    text: (of) => `the upper glaze shrinks by ${Math.round(of.shrinkDifference ?? 0)} points more than the one below`,
    worth: 'the recipes in both buckets',
  },
  thickCoat: { text: (of, units) => `coat ${units.coat(of.coatMm ?? 0)}`, worth: 'the seconds' },
  powderyBelow: yes('a powdery coat below, bone dry', 'how the coat below felt'),
  coat: yes('the coat', 'the seconds'),
  overlap: yes('where glazes lie on one another', 'the overlap'),
  flow: yes('how its glaze flows', 'a runner tile of this glaze'),
  cone: yes('the cone of its shelf', 'the cone on its shelf'),
  hold: yes('the hold at the hottest', 'the log of the firing'),
  edge: yes('its foot was neither kept bare nor wiped', 'whether its foot was waxed and wiped'),
  handle: yes('its handle leads more glaze down', 'its form'),
  grooves: yes('its grooves and lines lead it down', 'its form'),
};

/** A cause with what was recorded. */
export const causeWords = (id: string, record: FaultRecord, units: Units): string => TEXTS[id]?.text(record, units) ?? id;

/** What is worth recording next time, each once. */
export const worthRecording = (ids: readonly string[]): string[] => [...new Set(ids.flatMap((id) => (TEXTS[id] ? [TEXTS[id].worth] : [])))];
