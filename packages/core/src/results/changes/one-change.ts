import { causesOfFault, type CauseStrengths } from '../fault-causes';
import type { FaultRecord, FiredFault } from '../fault-record';
import type { CoatWindow } from '../../coat/window/coat-window';
import { CHANGES, type ChangeKind, type ResultChange } from './result-change';
import { windowChange } from './window-change';

/** What the plan of a piece says beside what was recorded of it. */
export interface ChangeFacts {
  /** The coat where the fault is, as it was planned. */
  plannedMm?: number | undefined;
  /** The coat that the real SG would have given with the planned seconds, and the real seconds with an SG in its range. */
  coatByPlannedSecondsMm?: number | undefined;
  coatBySgInRangeMm?: number | undefined;
  /** The window that fired coats of this glaze on this clay show. */
  windowSeen?: Pick<CoatWindow, 'thinMm' | 'thickMm'> | undefined;
  /** How much less, 10⁻⁶ per K, its glaze can be made to expand, asked for a fall. */
  expansionFall?: ((wantedFall: number) => number | undefined) | undefined;
  /** Shrinking powders of the glaze below, percent; left out where there is none. */
  lowerShrinkPercent?: number | undefined;
}

/** What is not a change worth telling: the chance falls by less. */
const LEAST_DROP = 0.02;
/** Seconds within this of the plan were kept. */
export const KEPT_SECONDS_SHARE = 0.12;
export const SG_STEP = 0.003;
const COAT_STEP_MM = 0.05;
/** A glaze that shrinks a little less than its clay is pressed together and holds, 10⁻⁶ per K. */
const GOOD_FIT = 0.3;

interface Otherwise {
  from?: number;
  to?: number;
  record: FaultRecord;
}
type Try = (record: FaultRecord, facts: ChangeFacts) => Otherwise | undefined;

const above =
  (key: keyof FaultRecord, limit: number, to: number): Try =>
  (record) => {
    const from = record[key] as number | undefined;
    return from === undefined || from <= limit ? undefined : { from, to, record: { ...record, [key]: to } };
  };
const below =
  (key: keyof FaultRecord, limit: number, to: number): Try =>
  (record) => {
    const from = record[key] as number | undefined;
    return from === undefined || from >= limit ? undefined : { from, to, record: { ...record, [key]: to } };
  };
const was =
  (key: keyof FaultRecord, bad: boolean): Try =>
  (record) =>
    record[key] === bad ? { record: { ...record, [key]: !bad } } : undefined;

/** What each change makes of the record; undefined where it changes nothing that was recorded. */
const TRIES: Readonly<Partial<Record<ChangeKind, Try>>> = {
  thinnerCoat: (record, { plannedMm }) => {
    const { windowTopMm: top, windowLowMm: low, coatMm } = record;
    // What the plan asked for was right, or nobody knows: then the coat is not the plan's fault.
    if (plannedMm === undefined || top === undefined || plannedMm <= top) return undefined;
    const to = stepped(Math.max(low ?? 0, low === undefined ? 0.8 * top : (low + top) / 2));
    return { from: plannedMm, to, record: { ...record, coatMm: scaled(coatMm, plannedMm, to) } };
  },
  thickerCoat: (record, { plannedMm }) => {
    const { windowTopMm: top, windowLowMm: low, coatMm } = record;
    if (plannedMm === undefined || low === undefined || plannedMm >= low) return undefined;
    const to = stepped(top === undefined ? 1.2 * low : (low + top) / 2);
    return { from: plannedMm, to, record: { ...record, coatMm: scaled(coatMm, plannedMm, to) } };
  },
  keepSeconds: (record, { coatByPlannedSecondsMm: coatMm }) => {
    const { secondsShare } = record;
    if (secondsShare === undefined || Math.abs(secondsShare - 1) < KEPT_SECONDS_SHARE) return undefined;
    return { from: secondsShare, to: 1, record: { ...record, secondsShare: 1, ...(coatMm === undefined ? {} : { coatMm }) } };
  },
  bringSg: (record, { coatBySgInRangeMm: coatMm }) => {
    const { sgUnder = 0, sgOver = 0 } = record;
    if (sgUnder < SG_STEP && sgOver < SG_STEP) return undefined;
    return { from: sgOver - sgUnder, to: 0, record: { ...record, sgUnder: 0, sgOver: 0, ...(coatMm === undefined ? {} : { coatMm }) } };
  },
  stir: was('stirredInTime', false),
  asManyCoats: (record) => (record.coatsMore ? { from: record.coatsMore, to: 0, record: { ...record, coatsMore: 0 } } : undefined),
  evenCoats: above('coatsDiffer', 1.5, 1.3),
  otherOrder: (record, { lowerShrinkPercent: lower }) => {
    const { upperShrinkPercent: upper } = record;
    if (upper === undefined || lower === undefined || lower >= upper) return undefined;
    return { from: upper, to: lower, record: { ...record, upperShrinkPercent: lower, shrinkDifference: 0 } };
  },
  smearHairlines: was('hairlinesLeftOpen', true),
  wipe: was('wipeLeftOut', true),
  keepWax: was('waxStrayed', true),
  dryLonger: below('driedShare', 1, 1),
  softerBisque: above('bisqueConesOver04', 0, 0),
  harderBisque: above('bisqueConesUnder05', 0, 0),
  coolerPlace: above('conesOver', 0, 0),
  hotterPlace: (record) => {
    const { conesUnder, bodyConesUnder } = record;
    if (!conesUnder && !bodyConesUnder) return undefined;
    return { from: conesUnder ?? bodyConesUnder!, to: 0, record: { ...record, conesUnder: 0, bodyConesUnder: 0 } };
  },
  slowerOver1000: above('fastestOver1000PerHour', 120, 100),
  holdLonger: below('holdMinutes', 10, 15),
  slowerFromPeak: above('fastestFromPeakPerHour', 200, 150),
  fasterCooling: (record) => (record.muchCalciaMagnesiaZinc ? below('from1100To900PerHour', 80, 100)(record, {}) : undefined),
  slowerAt570: above('fastestAt570PerHour', 120, 100),
  openLater: above('openedCelsius', 120, 100),
  cleanBucket: was('contaminated', true),
  calcineClay: above('upperShrinkPercent', 18, 18),
  closerFit: (record, { expansionFall }) => {
    const { bodyLessGlazeExpansion: fit } = record;
    if (fit === undefined || (fit >= 0 && fit <= 0.5)) return undefined;
    const fall = expansionFall?.(GOOD_FIT - fit);
    if (fall === undefined) return undefined;
    return { from: fit, to: fit + fall, record: { ...record, bodyLessGlazeExpansion: fit + fall } };
  },
};

/**
 * Returns what can be done otherwise next time, the one first that lowers the chance of the fault most for its price. Each is tried by itself: one
 * thing is changed in what was recorded, and the chance is worked out anew. Prices are our own guess.
 *
 * Source: science §10.
 *
 * @param question - `fault`; `record` of the piece; `facts` of its plan; `strengths` as the studio learnt them
 * @example
 * changesFor({ fault: 'crawled', record: { coatMm: 0.9, windowLowMm: 0.4, windowTopMm: 0.6 }, facts: { plannedMm: 0.9 } })[0].to // 0.5
 */
export function changesFor({
  fault,
  record,
  facts,
  strengths,
}: {
  fault: FiredFault;
  record: FaultRecord;
  facts: ChangeFacts;
  strengths?: CauseStrengths | undefined;
}): ResultChange[] {
  // How far it runs is worked out by the run itself.
  if (fault === 'ran' || fault === 'stuck') return [];
  const chanceBefore = causesOfFault(fault, record, strengths).chance;
  const changes = Object.entries(TRIES).flatMap(([kind, attempt]): ResultChange[] => {
    const otherwise = attempt(record, facts);
    if (!otherwise) return [];
    const { record: changed, ...figures } = otherwise;
    return [{ kind: kind as ChangeKind, ...figures, chanceBefore, chanceAfter: causesOfFault(fault, changed, strengths).chance }];
  });
  const { windowLowMm: thinMm, windowTopMm: thickMm } = record;
  const kept = thinMm === undefined || thickMm === undefined ? undefined : { thinMm, thickMm };
  const ofWindow = windowChange({ fault, plannedMm: facts.plannedMm, kept, seen: facts.windowSeen });
  return bestFirst(ofWindow ? [...changes, ofWindow] : changes);
}

/**
 * Returns changes that are worth telling, the best for its price first.
 *
 * @param changes - of one fault
 * @example
 * bestFirst([{ kind: 'wipe', chanceBefore: 0.4, chanceAfter: 0.1 }]).length // 1
 */
export function bestFirst(changes: readonly ResultChange[]): ResultChange[] {
  const worth = ({ kind, chanceBefore, chanceAfter }: ResultChange): number => (chanceBefore - chanceAfter) / CHANGES[kind].price;
  return changes.filter(({ chanceBefore, chanceAfter }) => chanceBefore - chanceAfter >= LEAST_DROP).sort((a, b) => worth(b) - worth(a));
}

/** The coat that came of a plan, with another plan. */
const scaled = (coatMm: number | undefined, plannedMm: number, to: number): number => ((coatMm ?? plannedMm) * to) / plannedMm;
const stepped = (mm: number): number => Number((Math.round(mm / COAT_STEP_MM) * COAT_STEP_MM).toFixed(2));
