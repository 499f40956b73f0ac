import { CAUSES_OF_FAULTS, evidenceOf } from './cause-table';
import { causesOfFault, strengthKey, type CauseStrengths } from './fault-causes';
import type { FaultRecord, FiredFault } from './fault-record';

/** A fired piece that was looked at. */
export interface JudgedPiece {
  record: FaultRecord;
  faults: readonly FiredFault[];
}

/** The start value of a strength weighs as much as so many pieces. */
const START_PIECES = 8;
const MOST_ROUNDS = 40;
const SETTLED = 1e-4;

/**
 * Returns the strengths of all causes in one studio, learnt from every piece that was looked at, good ones too: expectation and maximisation, with
 * the start value weighing as much as eight pieces.
 *
 * Source: science §10.
 *
 * @param pieces - looked at after the fire
 * @example
 * learntStrengths([]).get('crawled/coatOverWindow') // 0.5
 */
export function learntStrengths(pieces: readonly JudgedPiece[]): CauseStrengths {
  const learnt = new Map<string, number>();
  const causes = CAUSES_OF_FAULTS.map((cause) => ({
    cause,
    key: strengthKey(cause),
    evidence: pieces.map(({ record }) => evidenceOf(cause, record) ?? 0),
  }));
  for (const { cause, key } of causes) learnt.set(key, cause.strength);
  for (let round = 0; round < MOST_ROUNDS; round++) {
    let moved = 0;
    // All of a round rests on the strengths of the round before.
    const chances = chancesOf(pieces, learnt);
    const next = causes.map(({ cause, key, evidence }) => {
      const strength = learnt.get(key)!;
      const exposure = evidence.reduce((sum, one) => sum + one, 0);
      const atWork = pieces.reduce((sum, { faults }, at) => {
        if (evidence[at]! <= 0 || !faults.includes(cause.fault)) return sum;
        return sum + (strength * evidence[at]!) / chances.get(cause.fault)![at]!;
      }, 0);
      return [key, (START_PIECES * cause.strength + atWork) / (START_PIECES + exposure)] as const;
    });
    for (const [key, strength] of next) {
      moved = Math.max(moved, Math.abs(strength - learnt.get(key)!));
      learnt.set(key, Math.min(0.98, strength));
    }
    if (moved < SETTLED) break;
  }
  return learnt;
}

/** Of each fault that somebody saw, how likely it was on each piece that has it. */
function chancesOf(pieces: readonly JudgedPiece[], strengths: CauseStrengths): Map<FiredFault, number[]> {
  const seen = new Set(pieces.flatMap(({ faults }) => faults));
  return new Map(
    [...seen].map((fault) => [
      fault,
      pieces.map(({ record, faults }) => (faults.includes(fault) ? causesOfFault(fault, record, strengths).chance : 1)),
    ]),
  );
}
