import { CAUSES_OF_FAULTS, evidenceOf, type CauseOfFault } from './cause-table';
import { REACH_CAUSES, type FaultRecord, type FiredFault } from './fault-record';

/** Strengths that a studio learnt, by `fault/cause`; what is left out keeps its start value. */
export type CauseStrengths = ReadonlyMap<string, number>;

/** A cause that may have been at work. */
export interface LikelyCause {
  id: string;
  /** The chance that it was at work, 0–1. */
  share: number;
  /** What was recorded, and between which figures it goes from nothing to full; left out for a run. */
  figure?: { recorded: number; nothing: number; full: number } | undefined;
}

/** Why a piece has a fault, as far as what was recorded tells. */
export interface FaultCauses {
  /** How likely the fault was, by what was recorded, 0–1. */
  chance: number;
  /** Best first, from 15 % up. */
  causes: LikelyCause[];
  /** The chance that nothing of what was recorded made it. */
  unexplained: number;
  /** Causes of which nobody recorded anything: worth recording next time, never blamed. */
  notRecorded: string[];
}

/** A fault comes without any of its causes now and then. */
const LEAK = 0.02;
const SHOWN_FROM = 0.15;

/**
 * Returns how a cause is called among learnt strengths.
 *
 * @param cause - its fault and id
 * @example
 * strengthKey({ fault: 'crawled', id: 'strayWax' }) // 'crawled/strayWax'
 */
export const strengthKey = ({ fault, id }: Pick<CauseOfFault, 'fault' | 'id'>): string => `${fault}/${id}`;

/**
 * Returns the likely causes of a fault among what was recorded, by a noisy or.
 *
 * Source: science §10.
 *
 * @param fault - what is wrong with the piece
 * @param record - what was recorded of it
 * @param strengths - as the studio learnt them
 * @example
 * causesOfFault('crawled', { coatMm: 0.9, windowTopMm: 0.8 }).causes[0].id // 'coatOverWindow'
 */
export function causesOfFault(fault: FiredFault, record: FaultRecord, strengths: CauseStrengths = new Map()): FaultCauses {
  if (fault === 'ran' || fault === 'stuck') return causesOfRun(record);
  const rows = CAUSES_OF_FAULTS.filter((cause) => cause.fault === fault).map((cause) => {
    const evidence = evidenceOf(cause, record);
    return { cause, evidence, pull: (strengths.get(strengthKey(cause)) ?? cause.strength) * (evidence ?? 0) };
  });
  const none = rows.reduce((product, { pull }) => product * (1 - pull), 1);
  const chance = 1 - (1 - LEAK) * none;
  const causes = rows
    .map(({ cause, pull }): LikelyCause => ({
      id: cause.id,
      share: pull / chance,
      figure: { recorded: cause.figure(record) ?? Number.NaN, nothing: cause.nothing, full: cause.full },
    }))
    .filter(({ share }) => share >= SHOWN_FROM)
    .sort((a, b) => b.share - a.share);
  return {
    chance,
    causes,
    // The fault came although none of its causes was at work.
    unexplained: (LEAK * none) / chance,
    notRecorded: rows.filter(({ evidence }) => evidence === undefined).map(({ cause }) => cause.id),
  };
}

/** For a run: how far the chance to reach the shelf falls when one thing is set back to the plan. */
function causesOfRun({ reach }: FaultRecord): FaultCauses {
  if (!reach) return { chance: LEAK, causes: [], unexplained: 1, notRecorded: [...REACH_CAUSES] };
  const run = Math.min(1, Math.max(0, reach.chance));
  // It may have run although the run itself says that it does not.
  const chance = 1 - (1 - LEAK) * (1 - run);
  const causes = REACH_CAUSES.flatMap((id): LikelyCause[] => {
    const without = reach.without[id];
    const share = without === undefined ? 0 : Math.min(1, Math.max(0, (run - without) / chance));
    return share >= SHOWN_FROM ? [{ id, share }] : [];
  }).sort((a, b) => b.share - a.share);
  return {
    chance,
    causes,
    unexplained: (LEAK * (1 - run)) / chance,
    notRecorded: REACH_CAUSES.filter((id) => reach.without[id] === undefined),
  };
}
