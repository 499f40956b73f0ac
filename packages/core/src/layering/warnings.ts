import type { PiecePlan } from '../plan/piece-plan';

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
}

export interface PlanFix {
  words: string;
  change: Partial<Omit<PiecePlan, 'putAside' | 'versions' | 'shapeId'>>;
}

export const MOST_WARNINGS_SHOWN = 3;

/** True of nearly every piece: they do not take the place of what can spoil this one. */
const LAST: ReadonlySet<string> = new Set(['H1', 'O6']);

/**
 * Returns warnings, worst first, what is true of nearly every piece last, without those that were put aside.
 *
 * @param question - `warnings`; `putAside`, rules
 * @example
 * sortWarnings({ warnings: [] }) // []
 */
export function sortWarnings({ warnings, putAside = [] }: { warnings: readonly Warning[]; putAside?: readonly { rule: string }[] }): Warning[] {
  const aside = new Set(putAside.map((entry) => entry.rule));
  return warnings
    .filter((warning) => !aside.has(warning.rule))
    .sort((a, b) => Number(b.severity === 'stop') - Number(a.severity === 'stop') || Number(LAST.has(a.rule)) - Number(LAST.has(b.rule)));
}
