import type { FaultRecord, FiredFault } from './fault-record';

/** One cause of one fault. Source: science §10. */
export interface CauseOfFault {
  id: string;
  fault: FiredFault;
  /** The chance that it makes the fault where its evidence is full. */
  strength: number;
  /** The figure that was recorded, and between which figures it goes from nothing to full; a yes or no goes from 0 to 1. */
  figure: (record: FaultRecord) => number | undefined;
  nothing: number;
  full: number;
}

type Row = readonly [id: string, figure: CauseOfFault['figure'], nothing: number, full: number, strength: number];

const yes = (told: boolean | undefined): number | undefined => (told === undefined ? undefined : told ? 1 : 0);
const either = (...told: (boolean | undefined)[]): number | undefined =>
  told.every((one) => one === undefined) ? undefined : yes(told.includes(true));
const ratio = (a: number | undefined, b: number | undefined): number | undefined =>
  a === undefined || b === undefined || b <= 0 ? undefined : a / b;
const negative = (a: number | undefined): number | undefined => (a === undefined ? undefined : -a);

const overTop = (record: FaultRecord): number | undefined => ratio(record.coatMm, record.windowTopMm);
/** How far outside its window, as a share of its nearer end; 0 inside. */
const outsideWindow = ({ coatMm, windowLowMm, windowTopMm }: FaultRecord): number | undefined => {
  if (coatMm === undefined || windowLowMm === undefined || windowTopMm === undefined) return undefined;
  return Math.max(0, coatMm / windowTopMm - 1, windowLowMm > 0 ? 1 - coatMm / windowLowMm : 0);
};
const outsideCones = ({ conesOver, conesUnder }: FaultRecord): number | undefined =>
  conesOver === undefined && conesUnder === undefined ? undefined : Math.max(conesOver ?? 0, conesUnder ?? 0);

// prettier-ignore
const TABLE: Readonly<Record<Exclude<FiredFault, 'ran' | 'stuck'>, readonly Row[]>> = {
  crawled: [
    ['coatOverWindow', overTop, 1, 1.5, 0.5],
    ['shrinkingGlaze', (of) => of.upperShrinkPercent, 18, 30, 0.5],
    ['openHairlines', (of) => yes(of.hairlinesLeftOpen), 0, 1, 0.4],
    ['wipeLeftOut', (of) => yes(of.wipeLeftOut), 0, 1, 0.4],
    ['denseBisque', (of) => of.bisqueConesOver04, 0, 2, 0.3],
    ['loadedDamp', (of) => of.driedShare, 1, 0.5, 0.3],
    ['stiffOxides', (of) => of.stiffeningPercent, 8, 15, 0.25],
    ['thickUnderglaze', (of) => of.underglazeMm, 0.2, 0.4, 0.3],
    ['strayWax', (of) => yes(of.waxStrayed), 0, 1, 0.5],
  ],
  pinholed: [
    ['softBisque', (of) => of.bisqueConesUnder05, 0, 2, 0.35],
    ['fastOver1000', (of) => of.fastestOver1000PerHour, 120, 200, 0.3],
    ['shortHold', (of) => of.holdMinutes, 10, 0, 0.3],
    ['coatOverWindow', overTop, 1, 1.5, 0.25],
    ['stiffGlaze', (of) => of.flowFigure, 30, 8, 0.25],
    ['darkOrGroggyBody', (of) => either(of.bodyIsDark, of.bodyIsGroggy), 0, 1, 0.2],
    ['blended', (of) => yes(of.blendedWithinHour), 0, 1, 0.15],
  ],
  blistered: [
    ['coneOver', (of) => of.conesOver, 0, 1, 0.5],
    ['coatOverWindow', overTop, 1.2, 1.6, 0.3],
    ['runnyGlaze', (of) => of.flowFigure, 300, 900, 0.25],
    ['fastFromPeak', (of) => of.fastestFromPeakPerHour, 200, 400, 0.2],
    ['darkBody', (of) => yes(of.bodyIsDark), 0, 1, 0.2],
    ['bothFacesThin', (of) => yes(of.bothFacesOfThinWall), 0, 1, 0.15],
  ],
  thin: [
    ['sgUnder', (of) => of.sgUnder, 0, 0.04, 0.5],
    ['secondsUnder', (of) => of.secondsShare, 1, 0.5, 0.5],
    ['fullWall', (of) => yes(of.wallWasFull), 0, 1, 0.4],
    ['soakedPart', (of) => yes(of.soakedPartNear), 0, 1, 0.5],
    ['denserBisque', (of) => yes(of.bisqueDenser), 0, 1, 0.3],
    ['fewerCoats', (of) => negative(of.coatsMore), 0, 1, 0.5],
    ['notStirred', (of) => yes(of.stirredInTime === undefined ? undefined : !of.stirredInTime), 0, 1, 0.4],
  ],
  thick: [
    ['sgOver', (of) => of.sgOver, 0, 0.04, 0.5],
    ['secondsOver', (of) => of.secondsShare, 1, 2, 0.5],
    ['flocculated', (of) => yes(of.flocculated), 0, 1, 0.3],
    ['thirstierBisque', (of) => yes(of.bisqueThirstier), 0, 1, 0.3],
    ['moreCoats', (of) => of.coatsMore, 0, 1, 0.5],
  ],
  cracked: [
    ['openedHot', (of) => of.openedCelsius, 120, 220, 0.5],
    ['fastAt570', (of) => of.fastestAt570PerHour, 120, 250, 0.3],
    ['refired', (of) => yes(of.refired), 0, 1, 0.4],
    ['unlikeCoats', (of) => of.coatsDiffer, 1.5, 3, 0.25],
    ['wideAndFlat', (of) => yes(of.wideAndFlat), 0, 1, 0.25],
  ],
  shivered: [['bodyShrinksMore', (of) => of.bodyLessGlazeExpansion, 0.5, 1.5, 0.6]],
  crazed: [
    ['glazeShrinksMore', (of) => negative(of.bodyLessGlazeExpansion), 0, 1.5, 0.6],
    ['coatOverWindow', overTop, 1, 1.5, 0.25],
    ['softBody', (of) => of.bodyConesUnder, 0, 2, 0.4],
  ],
  dull: [
    ['coneUnder', (of) => of.conesUnder, 0, 1.5, 0.5],
    ['slowCooling', ({ from1100To900PerHour: rate, muchCalciaMagnesiaZinc: much }) => (much === undefined ? undefined : much ? rate : 80), 80, 40, 0.35],
    ['coatUnderWindow', (of) => ratio(of.coatMm, of.windowLowMm), 1, 0.6, 0.3],
  ],
  'off colour': [
    ['coneOutside', outsideCones, 0, 1, 0.3],
    ['otherAtmosphere', (of) => yes(of.otherAtmosphere), 0, 1, 0.5],
    ['otherPowderLot', (of) => yes(of.otherPowderLot), 0, 1, 0.3],
    ['recipeChanged', (of) => yes(of.recipeChanged), 0, 1, 0.4],
    ['checkDiffered', (of) => yes(of.checkDiffered), 0, 1, 0.5],
    ['contaminated', (of) => yes(of.contaminated), 0, 1, 0.5],
    ['coatOutside', outsideWindow, 0, 0.5, 0.4],
    ['untestedBody', (of) => yes(of.untestedBody), 0, 1, 0.4],
    ['stainAgainstChemistry', (of) => yes(of.stainAgainstChemistry), 0, 1, 0.6],
  ],
  flaked: [
    ['unlikeShrink', (of) => of.shrinkDifference, 8, 20, 0.6],
    ['thickCoat', (of) => of.coatMm, 0.5, 1, 0.4],
    ['powderyBelow', (of) => yes(of.powderyBelow), 0, 1, 0.4],
  ],
};

/** Every cause of every fault. Ran and stuck are told by the run itself. */
export const CAUSES_OF_FAULTS: readonly CauseOfFault[] = Object.entries(TABLE).flatMap(([fault, rows]) =>
  rows.map(([id, figure, nothing, full, strength]): CauseOfFault => ({ id, fault: fault as FiredFault, strength, figure, nothing, full })),
);

/**
 * Returns the evidence of a cause, from 0, nothing, to 1, full; undefined where nobody recorded it.
 *
 * @param cause - from `CAUSES_OF_FAULTS`
 * @param record - what was recorded of the piece
 * @example
 * evidenceOf(CAUSES_OF_FAULTS[0], { coatMm: 0.9, windowTopMm: 0.8 }) // 0.25
 */
export function evidenceOf({ figure, nothing, full }: CauseOfFault, record: FaultRecord): number | undefined {
  const recorded = figure(record);
  if (recorded === undefined || !Number.isFinite(recorded)) return undefined;
  return Math.min(1, Math.max(0, (recorded - nothing) / (full - nothing)));
}
