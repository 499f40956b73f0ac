import { attempt } from '../../checks/potter-error';
import { windowChances, type CoatWindow } from '../../coat/window/coat-window';
import { COAT_LN_SD } from '../../run/draw-runs';
import type { FiredFault } from '../fault-record';
import type { ResultChange } from './result-change';

type Ends = Pick<CoatWindow, 'thinMm' | 'thickMm'>;

/** A coat that its plan took from the window of its glaze, and what fired coats show of that window. */
export interface WindowQuestion {
  fault: FiredFault;
  /** As it was planned, mm. */
  plannedMm?: number | undefined;
  /** As it is kept; left out where nobody kept one. */
  kept?: Ends | undefined;
  /** By the looks of tiles and pieces, this one too. */
  seen?: Ends | undefined;
}

/**
 * Returns the change of a window that a thin or thick piece asks for: it was planned inside the window that is kept, and outside the one that fired
 * coats show. Undefined where the plan is at fault, or the fires show no other window. The chances are those of a coat as planned, and of one in the
 * middle of the window that was seen, with the usual scatter of hands.
 *
 * @param question - the fault, the planned coat and both windows
 * @example
 * windowChange({ fault: 'thin', plannedMm: 0.42, kept: { thinMm: 0.4, thickMm: 0.8 }, seen: { thinMm: 0.5, thickMm: 0.8 } })?.to // 0.5
 */
export function windowChange({ fault, plannedMm, kept, seen }: WindowQuestion): ResultChange | undefined {
  if ((fault !== 'thin' && fault !== 'thick') || plannedMm === undefined || !seen) return undefined;
  const end = fault === 'thin' ? 'thinMm' : 'thickMm';
  const isOutside = (window: Ends): boolean => (fault === 'thin' ? plannedMm < window.thinMm : plannedMm > window.thickMm);
  if (!isOutside(seen) || (kept && isOutside(kept))) return undefined;
  const chanceAt = (coatMm: number): number | undefined => {
    const made = attempt(() => windowChances({ coatMm, lnSd: COAT_LN_SD, window: seen }));
    return made.kind === 'ok' ? made.value[fault] : undefined;
  };
  const [chanceBefore, chanceAfter] = [chanceAt(plannedMm), chanceAt(Math.sqrt(seen.thinMm * seen.thickMm))];
  if (chanceBefore === undefined || chanceAfter === undefined) return undefined;
  return { kind: 'moveWindow', ...(kept ? { from: kept[end] } : {}), to: Number(seen[end].toFixed(2)), chanceBefore, chanceAfter };
}
