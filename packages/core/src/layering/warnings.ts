import type { PiecePlan, PutAside } from '../plan/piece-plan';

export type Severity = 'stop' | 'look';

/** What happens, why, and what to do. */
export interface Warning {
  rule: string;
  severity: Severity;
  what: string;
  why: string;
  remedies: string[];
  /** Remedies that change the plan: taken with one tap. */
  fixes?: PlanFix[];
  /** How bad it is, on a scale of its rule's own: put aside, it comes back once this has risen. */
  badness?: number;
  /** The bucket at which it is mended. */
  bucketId?: string;
}

export interface PlanFix {
  words: string;
  change: Partial<Omit<PiecePlan, 'putAside' | 'versions' | 'shapeId'>>;
}

export const MOST_WARNINGS_SHOWN = 3;

/** True of nearly every piece: they do not take the place of what can spoil this one. */
export const LAST_RULES: ReadonlySet<string> = new Set(['H1', 'H3', 'O6']);

/** Scatter of a figure that is computed anew: within it, it is as bad as it was. */
const AS_BAD_SHARE = 1.1;

const isWorse = (warning: Warning, aside: PutAside): boolean =>
  (warning.severity === 'stop' && aside.severity === 'look') ||
  (warning.badness !== undefined && aside.badness !== undefined && warning.badness > AS_BAD_SHARE * aside.badness);

/**
 * Returns warnings, worst first, what is true of nearly every piece last, without those that were put aside and are no worse since.
 *
 * @param question - `warnings`; `putAside`, rules
 * @example
 * sortWarnings({ warnings: [] }) // []
 */
export function sortWarnings({ warnings, putAside = [] }: { warnings: readonly Warning[]; putAside?: readonly PutAside[] }): Warning[] {
  return warnings
    .filter((warning) => !putAside.some((aside) => aside.rule === warning.rule && !isWorse(warning, aside)))
    .sort((a, b) => Number(b.severity === 'stop') - Number(a.severity === 'stop') || Number(LAST_RULES.has(a.rule)) - Number(LAST_RULES.has(b.rule)));
}
