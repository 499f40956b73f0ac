import type { FiredFault } from '../fault-record';
import type { ChangeKind } from './result-change';

/** A change that somebody made, as the ledger keeps it. */
export interface MadeChange {
  /** The plan that it is for. */
  pieceId: string;
  fault: FiredFault;
  kind: ChangeKind;
  madeAt: string;
}

/** A fired piece, as far as it says whether a change helped. */
export interface TriedPiece {
  resultId: string;
  pieceId: string;
  /** When it was glazed; when it was fired where nobody knows. */
  doneAt: string;
  faults: readonly FiredFault[];
}

export type ChangeOutcome =
  /** Nothing of that plan was glazed and read since. */
  | { kind: 'notTried' }
  /** Of so many pieces since, so many have the fault still. */
  | { kind: 'helped' | 'notHelped'; pieces: number; faulty: number; resultId: string };

/**
 * Returns whether a change helped: by the pieces of the next firing of that plan, glazed after it. It helped where fewer than half of them have the
 * fault still.
 *
 * @param change - as it was made
 * @param pieces - all that were read, in any order
 * @example
 * changeOutcome({ pieceId: 'cup', fault: 'crawled', kind: 'wipe', madeAt: '2026-03-01T09:00:00Z' }, []).kind // 'notTried'
 */
export function changeOutcome({ pieceId, fault, madeAt }: MadeChange, pieces: readonly TriedPiece[]): ChangeOutcome {
  const since = pieces.filter((piece) => piece.pieceId === pieceId && piece.doneAt > madeAt);
  const first = since.reduce<TriedPiece | undefined>((best, piece) => (!best || piece.doneAt < best.doneAt ? piece : best), undefined);
  if (!first) return { kind: 'notTried' };
  const next = since.filter(({ doneAt }) => doneAt === first.doneAt);
  const faulty = next.filter(({ faults }) => faults.includes(fault)).length;
  return { kind: 2 * faulty < next.length ? 'helped' : 'notHelped', pieces: next.length, faulty, resultId: first.resultId };
}

/**
 * Returns how often a kind of change helped against a fault here.
 *
 * @param like - the kind and the fault
 * @param changes - all that were made, each with its outcome
 * @example
 * helpedBefore({ kind: 'wipe', fault: 'crawled' }, []) // { tried: 0, helped: 0 }
 */
export function helpedBefore(
  like: Pick<MadeChange, 'kind' | 'fault'>,
  changes: readonly { change: MadeChange; outcome: ChangeOutcome }[],
): { tried: number; helped: number } {
  const tried = changes.filter(({ change, outcome }) => change.kind === like.kind && change.fault === like.fault && outcome.kind !== 'notTried');
  return { tried: tried.length, helped: tried.filter(({ outcome }) => outcome.kind === 'helped').length };
}
